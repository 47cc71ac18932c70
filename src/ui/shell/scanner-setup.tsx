'use client'
import { useEffect, useRef, useState } from 'react'
import { SmallAction, SmallActions } from '../common/actions'
import { Say } from '../common/sheet'
import { setScannerGap } from './scanner-gap'
import { gapFor, gapOf } from './wedge'
import { say } from '@/words/screens/shell'

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
        <Say tone="holds" lead={say.scannerSetUp} role="status">
          {say.itsKeysComeWithinMs(outcome.gapMs)}
        </Say>
      )}
      {outcome?.type === 'slow' && (
        <Say tone="off" lead={say.tooSlow} role="alert">
          {say.msBetweenTwoKeysIs(outcome.gapMs)}
        </Say>
      )}
      {outcome?.type === 'other' && (
        <Say tone="off" lead={say.notTheTestCode} role="alert">
          {say.pressTheButtonAndScan(outcome.read ? say.readWas(outcome.read.slice(0, 40)) : '')}
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
          {listening ? say.scanTheTestCodeNow : say.setUpASlowScanner}
        </SmallAction>
      </SmallActions>
    </div>
  )
}
