'use client'
import { useEffect, useRef, useState } from 'react'
import { SmallAction, SmallActions } from '../common/actions'
import { Say } from '../common/sheet'
import { setScannerGap } from './scanner-gap'
import { gapFor, gapOf } from './wedge'

/** After so long without a key the test is over. */
const PATIENCE_MS = 2000

type Outcome =
  | { readonly type: 'set'; readonly gapMs: number }
  | { readonly type: 'slow'; readonly gapMs: number }
  | { readonly type: 'other'; readonly read: string }

/** Sets a terminal up for its scanner by one scan of a test code; nothing else on the page gets these keys. */
export function ScannerSetup({ code }: { readonly code: string }) {
  const [listening, setListening] = useState(false)
  const [outcome, setOutcome] = useState<Outcome | null>(null)
  const keys = useRef<{ text: string; times: number[] }>({ text: '', times: [] })
  useEffect(() => {
    if (!listening) return
    keys.current = { text: '', times: [] }
    let timer: ReturnType<typeof setTimeout> | undefined
    const end = () => {
      const { text, times } = keys.current
      const longest = gapOf(times)
      const gapMs = gapFor(longest)
      setListening(false)
      if (text !== code) return setOutcome({ type: 'other', read: text })
      if (gapMs === null) return setOutcome({ type: 'slow', gapMs: Math.round(longest) })
      setScannerGap(gapMs)
      setOutcome({ type: 'set', gapMs: Math.round(longest) })
    }
    const onKey = (event: KeyboardEvent) => {
      event.preventDefault()
      event.stopImmediatePropagation()
      clearTimeout(timer)
      if (event.key.length === 1) keys.current.text += event.key
      if (event.key.length === 1 || event.key === 'Enter') keys.current.times.push(event.timeStamp)
      if (event.key === 'Enter') end()
      else timer = setTimeout(end, PATIENCE_MS)
    }
    window.addEventListener('keydown', onKey, { capture: true })
    return () => {
      window.removeEventListener('keydown', onKey, { capture: true })
      clearTimeout(timer)
    }
  }, [listening, code])
  return (
    <div data-testid="scanner-setup">
      {outcome?.type === 'set' && (
        <Say tone="holds" lead="Scanner set up." role="status">
          Its keys come within {outcome.gapMs} ms of each other. This terminal now takes them for a scan.
        </Say>
      )}
      {outcome?.type === 'slow' && (
        <Say tone="off" lead="Too slow." role="alert">
          {outcome.gapMs} ms between two keys is as slow as a person types. Set the scanner to send faster.
        </Say>
      )}
      {outcome?.type === 'other' && (
        <Say tone="off" lead="Not the test code." role="alert">
          {outcome.read ? `Read was ${outcome.read.slice(0, 40)}. ` : ''}Press the button and scan the test code again.
        </Say>
      )}
      <SmallActions>
        <SmallAction
          onAct={() => {
            setOutcome(null)
            setListening(true)
          }}
          disabled={listening}
        >
          {listening ? 'Scan the test code now …' : 'Set up a slow scanner'}
        </SmallAction>
      </SmallActions>
    </div>
  )
}
