'use client'
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { say } from '@/words/screens/measure'

/** Pixels of the picture (640 wide) that an arrow key and a notch of the wheel move; with Shift a tenth of it. */
const KEY_PX = 40
const WHEEL_PX = 30
const TURN_DEG = 1

type Move = (byU: number, byV: number, byDeg: number) => void
const STILL = { u: 0, v: 0 }

/**
 * Moves a picture by hand: it follows a finger, the arrows move the carriage, the wheel moves it up and down (with
 * Shift across, with Alt it turns the spindle). What is dragged to the right shows what lies to the left.
 */
export function useHand(move: Move | undefined) {
  const place = useRef<HTMLElement>(null)
  const [dragged, setDragged] = useState(STILL)
  const from = useRef<{ x: number; y: number } | null>(null)
  const scale = () => 640 / (place.current?.clientWidth || 640)
  const latest = useRef(move)
  useEffect(() => {
    latest.current = move
  })

  useEffect(() => {
    const target = place.current
    if (!target) return
    // React's own wheel listener cannot keep the page from scrolling
    const wheel = (e: WheelEvent) => {
      if (!latest.current) return
      e.preventDefault()
      const by = Math.sign(e.deltaY || e.deltaX)
      if (e.altKey) latest.current(0, 0, TURN_DEG * by)
      else if (e.shiftKey) latest.current(WHEEL_PX * by, 0, 0)
      else latest.current(0, WHEEL_PX * by, 0)
    }
    target.addEventListener('wheel', wheel, { passive: false })
    return () => target.removeEventListener('wheel', wheel)
  }, [])

  if (!move) return { place, dragged: STILL, hand: {} }
  const hand = {
    tabIndex: 0,
    'data-own-arrows': '',
    'aria-label': say.theBenchsPictureArrowsMove,
    onPointerDown: (e: PointerEvent<HTMLElement>) => {
      e.currentTarget.setPointerCapture(e.pointerId)
      from.current = { x: e.clientX, y: e.clientY }
    },
    onPointerMove: (e: PointerEvent) => {
      if (from.current) setDragged({ u: e.clientX - from.current.x, v: e.clientY - from.current.y })
    },
    onPointerUp: (e: PointerEvent) => {
      const start = from.current
      from.current = null
      setDragged(STILL)
      if (!start || Math.hypot(e.clientX - start.x, e.clientY - start.y) < 3) return
      move(-(e.clientX - start.x) * scale(), -(e.clientY - start.y) * scale(), 0)
    },
    onPointerCancel: () => {
      from.current = null
      setDragged(STILL)
    },
    onKeyDown: (e: KeyboardEvent) => {
      const by = e.shiftKey ? KEY_PX / 10 : KEY_PX
      const turn = e.altKey && (e.key === 'ArrowLeft' ? -TURN_DEG : e.key === 'ArrowRight' ? TURN_DEG : 0)
      const [u, v] = e.altKey
        ? [0, 0]
        : e.key === 'ArrowLeft'
          ? [-by, 0]
          : e.key === 'ArrowRight'
            ? [by, 0]
            : e.key === 'ArrowUp'
              ? [0, -by]
              : e.key === 'ArrowDown'
                ? [0, by]
                : [0, 0]
      if (!u && !v && !turn) return
      e.preventDefault()
      move(u, v, turn || 0)
    },
  }
  return { place, dragged, hand }
}
