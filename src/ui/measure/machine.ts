/** What the sheet of Measure is in beside what the bench tells, and what its big action is: pure, so that a table can test it. */
import type { Verdict } from '@/core/judge'

export interface MeasureSheet {
  /** Why the last scan saved nothing, or a cloth could not be used. */
  readonly note: string | null
  /** Whether the value jumped since last time: then a reason is asked for … */
  readonly jumped: boolean
  /** … which this is. */
  readonly reason: string
  readonly saving: SavePart | null
  readonly wiping: boolean
  /** What is being set with the live reading. */
  readonly adjusting: 'LF' | 'DC' | null
}

/** Pictures are packed in this browser, then measured again by the tool room. */
export type SavePart = 'packing' | 'measuring'

export const AT_REST: MeasureSheet = {
  note: null,
  jumped: false,
  reason: '',
  saving: null,
  wiping: false,
  adjusting: null,
}

export type MeasureEvent =
  | { readonly type: 'refused'; readonly text: string; readonly jump?: boolean }
  | { readonly type: 'why'; readonly text: string }
  | { readonly type: 'saving'; readonly part: SavePart }
  | { readonly type: 'saved' }
  | { readonly type: 'wiping' }
  | { readonly type: 'wiped'; readonly fault: string | null }
  | { readonly type: 'adjust'; readonly key: 'LF' | 'DC' | null }

export function measureSheet(sheet: MeasureSheet, event: MeasureEvent): MeasureSheet {
  switch (event.type) {
    case 'refused':
      return { ...sheet, saving: null, note: event.text, jumped: sheet.jumped || event.jump === true }
    case 'why':
      return { ...sheet, reason: event.text }
    case 'saving':
      return { ...sheet, saving: event.part }
    case 'saved':
      return { ...sheet, saving: null, note: null }
    case 'wiping':
      return { ...sheet, wiping: true, note: null }
    case 'wiped':
      return { ...sheet, wiping: false, note: event.fault }
    case 'adjust':
      return { ...sheet, adjusting: event.key }
  }
}

/** What else the big action depends on. */
export interface Seen {
  /** Measuring is stopped: no check, another adapter. */
  readonly held: boolean
  /** The bench moves. */
  readonly moving: boolean
  /** Something sits on this edge. */
  readonly dirtyEdge: number | null
  readonly proposed: boolean
  readonly verdict: Verdict | null
}

export type MeasureBig =
  | { readonly type: 'check' }
  | { readonly type: 'saving'; readonly part: SavePart }
  | { readonly type: 'moving' }
  | { readonly type: 'clean'; readonly edge: number }
  | { readonly type: 'again' }
  | { readonly type: 'scan' }
  | { readonly type: 'measure' }

/** The one thing to do next: what stops everything first, then what runs, then what was found. */
export function measureBig({ saving, wiping }: MeasureSheet, seen: Seen): MeasureBig {
  if (seen.held) return { type: 'check' }
  if (saving) return { type: 'saving', part: saving }
  if (wiping || seen.moving) return { type: 'moving' }
  if (seen.dirtyEdge !== null) return { type: 'clean', edge: seen.dirtyEdge }
  if (!seen.proposed) return { type: 'measure' }
  // out of tolerance is corrected before it is saved; scanning saves it all the same
  return { type: seen.verdict === 'off' ? 'again' : 'scan' }
}
