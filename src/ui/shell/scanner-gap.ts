'use client'
import { SCAN_GAP_MS, SLOWEST_GAP_MS } from './wedge'

/** A scanner belongs to a terminal, so its speed is kept there. */
const KEY = 'boulder-scanner-gap'

export function scannerGap(): number {
  const kept = Number(window.localStorage.getItem(KEY))
  return kept >= SCAN_GAP_MS && kept <= SLOWEST_GAP_MS ? kept : SCAN_GAP_MS
}

export function setScannerGap(gapMs: number): void {
  window.localStorage.setItem(KEY, String(gapMs))
  window.dispatchEvent(new Event('scanner-set'))
}
