'use client'
import { useEffect, useRef } from 'react'
import { isEditor, ownsKeys, textField } from './focus'
import { GO_KEYS, STATIONS } from './places'
import { scannerGap } from './scanner-gap'
import { useShell } from './shell-context'
import { makeWedge, QUIET_MS } from './wedge'

/** React keeps its own idea of a field's value: it has to be told through the native setter. */
function restore(field: HTMLInputElement | HTMLTextAreaElement, value: string): void {
  const setter = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')?.set
  setter?.call(field, value)
  field.dispatchEvent(new Event('input', { bubbles: true }))
}

/** Takes back the one key of a scan that reached an editor before it was known to be a scan. */
function takeBackKey(): void {
  document.execCommand('delete')
}

/** Gives an editor back what came as fast as a scan and was none. */
function giveBack(text: string): void {
  document.execCommand('insertText', false, text)
}

/** Listens to every key of the page: scans first, then single keys after a moment of quiet. */
// eslint-disable-next-line max-lines-per-function -- one key is one decision: scan, rest of a scan, or a key of its own
export function Keys({ onHelp, scansOnly = false }: { readonly onHelp?: () => void; readonly scansOnly?: boolean }) {
  const shell = useShell()
  const latest = useRef({ shell, onHelp, scansOnly })
  useEffect(() => {
    latest.current = { shell, onHelp, scansOnly }
  })
  useEffect(() => {
    let wedge = makeWedge(scannerGap())
    const slower = () => (wedge = makeWedge(scannerGap()))
    let waiting: ReturnType<typeof setTimeout> | undefined
    let going = false
    let before: { field: HTMLInputElement | HTMLTextAreaElement; value: string } | null = null
    let firstInEditor = false
    let kept = ''
    let keeping: ReturnType<typeof setTimeout> | undefined
    const noScan = () => {
      clearTimeout(keeping)
      if (kept) giveBack(kept)
      kept = ''
    }

    const single = (key: string) => {
      const { shell, onHelp, scansOnly } = latest.current
      if (scansOnly) return
      if (going) {
        going = false
        const place = GO_KEYS[key.toLowerCase()]
        if (place) return shell.go(place)
      }
      const station = STATIONS[Number(key) - 1]
      if (/^[1-7]$/.test(key) && station) shell.go(station.href)
      else if (key === 'u') void shell.actions.setUnit(shell.unit === 'mm' ? 'inch' : 'mm')
      else if (key === '?') onHelp?.()
      else if (key === 'g') {
        going = true
        setTimeout(() => (going = false), 1500)
      } else if (key === ' ' || key === 'Enter') shell.doBigAction()
      else if (key === 'ArrowLeft' || key === 'ArrowRight') walkRack(key === 'ArrowLeft' ? -1 : 1)
    }

    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.isComposing) return
      // what moves by arrows itself keeps them
      if (event.key.startsWith('Arrow') && event.target instanceof Element && event.target.closest('[data-own-arrows]')) return
      const field = textField(event.target)
      const fast = wedge.fast(event.timeStamp)
      const quiet = wedge.quiet(event.timeStamp)
      if (!fast && event.key !== 'Shift') noScan()
      if (event.key.length === 1 && !fast) {
        before = field && { field, value: field.value }
        firstInEditor = isEditor(event.target)
      }
      clearTimeout(waiting)
      const scan = wedge.key(event.key, event.timeStamp)
      if (scan) {
        event.preventDefault()
        event.stopPropagation()
        if (before && before.field === field) restore(before.field, before.value)
        if (firstInEditor && isEditor(event.target)) takeBackKey()
        clearTimeout(keeping)
        kept = ''
        latest.current.shell.scan(scan)
        return
      }
      if (fast && !field && event.key.length === 1) {
        // the rest of a scan: neither an editor nor a list of choices may have it
        event.preventDefault()
        event.stopPropagation()
        if (isEditor(event.target)) {
          kept += event.key
          clearTimeout(keeping)
          keeping = setTimeout(noScan, QUIET_MS)
        }
        return
      }
      // Enter and Space belong to what has the focus, and no single key acts there
      if (ownsKeys(event.target) || event.repeat || fast || !quiet) return
      if (event.key === ' ') event.preventDefault()
      const { key } = event
      waiting = setTimeout(() => single(key), QUIET_MS)
    }
    window.addEventListener('keydown', onKey, true)
    window.addEventListener('scanner-set', slower)
    // from here on a scan is heard
    document.documentElement.dataset.listens = 'true'
    return () => {
      window.removeEventListener('keydown', onKey, true)
      window.removeEventListener('scanner-set', slower)
      clearTimeout(waiting)
      clearTimeout(keeping)
    }
  }, [])
  return null
}

/** The tools of the rack are links: the next one is opened. */
function walkRack(step: number): void {
  const tools = [...document.querySelectorAll<HTMLAnchorElement>('[data-rack] a')]
  if (tools.length === 0) return
  const at = tools.findIndex((tool) => tool.getAttribute('aria-current') === 'true')
  tools[(at + step + tools.length) % tools.length]?.click()
}
