'use client'
import { useRouter } from 'next/navigation'
import { useEffect, useRef } from 'react'
import { GO_KEYS, STATIONS } from './places'
import { useShell } from './shell-context'
import { makeWedge, QUIET_MS } from './wedge'

const isField = (target: EventTarget | null): target is HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement

/** React keeps its own idea of a field's value: it has to be told through the native setter. */
function restore(field: HTMLInputElement | HTMLTextAreaElement, value: string): void {
  const setter = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')?.set
  setter?.call(field, value)
  field.dispatchEvent(new Event('input', { bubbles: true }))
}

/** Listens to every key of the page: scans first, then single keys after a moment of quiet. */
export function Keys({ onHelp }: { readonly onHelp: () => void }) {
  const shell = useShell()
  const router = useRouter()
  const latest = useRef({ shell, router, onHelp })
  useEffect(() => {
    latest.current = { shell, router, onHelp }
  })
  useEffect(() => {
    const wedge = makeWedge()
    let waiting: ReturnType<typeof setTimeout> | undefined
    let going = false
    let before: { field: HTMLInputElement | HTMLTextAreaElement; value: string } | null = null

    const single = (key: string) => {
      const { shell, router, onHelp } = latest.current
      if (going) {
        going = false
        const place = GO_KEYS[key.toLowerCase()]
        if (place) return router.push(place)
      }
      const station = STATIONS[Number(key) - 1]
      if (/^[1-7]$/.test(key) && station) router.push(station.href)
      else if (key === 'u') void shell.actions.setUnit(shell.unit === 'mm' ? 'inch' : 'mm')
      else if (key === '?') onHelp()
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
      const field =
        isField(event.target) && event.target.type !== 'checkbox' && event.target.type !== 'radio' ? event.target : null
      if (field && !(field instanceof HTMLSelectElement) && event.key.length === 1 && !wedge.fast(event.timeStamp))
        before = { field, value: field.value }
      clearTimeout(waiting)
      const wasFast = wedge.fast(event.timeStamp)
      const scan = wedge.key(event.key, event.timeStamp)
      if (scan) {
        event.preventDefault()
        event.stopPropagation()
        if (field && before && before.field === field) restore(before.field, before.value)
        latest.current.shell.scan(scan)
        return
      }
      if (field) return
      const onButton =
        event.target instanceof HTMLButtonElement ||
        (event.target instanceof HTMLElement && event.target.closest('[role=dialog]') !== null)
      if (onButton && !wasFast && (event.key === ' ' || event.key === 'Enter')) return // the button's own
      if (event.key === ' ' || (event.key === 'Enter' && onButton)) event.preventDefault()
      if (event.key === 'Enter' && event.target instanceof HTMLAnchorElement) return
      if (event.repeat || wasFast) return
      const { key } = event
      waiting = setTimeout(() => single(key), QUIET_MS)
    }
    window.addEventListener('keydown', onKey, true)
    return () => {
      window.removeEventListener('keydown', onKey, true)
      clearTimeout(waiting)
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
