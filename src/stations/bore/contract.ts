/** An adjustable head set without a presetter: its dial computed, a test cut measured, and so on until the bore is right. */
import { z } from 'zod'
import type { DialFault, Learned, NextDial } from '@/core/boring'
import type { Limits } from '@/core/units'
import { contract, Serial, type Said } from '../contract'

export interface BoreRefusals {
  /** The tool has no adjustable head. */
  NO_HEAD: { readonly serial: string }
  /** The library does not say enough of the head. */
  HEAD_UNKNOWN: { readonly part: string }
  DIAL: { readonly fault: DialFault }
  /** The last setting has not cut yet. */
  BORE_FIRST: { readonly serial: string }
  /** No setting is there whose bore could be measured, or that could be gone on from. */
  NO_SETTING: { readonly serial: string }
  /** Farther from what was expected than any insert explains: a radius for a diameter, another tool. */
  FAR_BORE: { readonly boreMm: number; readonly expectedMm: number }
}

const Version = z.number().int().min(0)
const Diameter = z.number().min(1).max(1000)

/** The first setting of a series: what is wanted, with which insert, and what is left for the test cut. Lengths mm on diameter. */
export const setDial = contract<{ readonly dialMm: number }>()(
  z.object({
    serial: Serial,
    wantedMm: Diameter,
    noseMm: z.number().min(0).max(10),
    leaveMm: z.number().min(0).max(5),
    version: Version,
  }),
)
/** The next setting of the series, as it was computed from the last bore. */
export const moveDial = contract<{ readonly dialMm: number }>()(z.object({ serial: Serial, version: Version }))
/** What the last setting cut. */
export const saveBore = contract<{ readonly next: NextDial['type'] }>()(
  z.object({ serial: Serial, boreMm: Diameter, version: Version }),
)

/** A setting with its bore, as the sheet lists them. */
export interface BoreLine {
  readonly at: string
  readonly who: string
  readonly dialMm: number
  readonly divisions: number
  readonly expectedMm: number
  readonly boreMm: number | null
}

export interface BoreView {
  readonly serial: string
  readonly t: number | null
  readonly name: string
  readonly machine: string | null
  /** Why no dial can be computed. */
  readonly refusal: Said | null
  readonly head: {
    readonly name: string
    readonly zeroMm: number
    readonly divisionMm: number
    readonly range: Limits
    readonly noseMm: number
    readonly backlashMm: number | null
    /** Whether an insert of another nose radius is counted. */
    readonly countsNose: boolean
  } | null
  /** What stands in the form of the first setting. */
  readonly start: { readonly wantedMm: number | null; readonly noseMm: number | null; readonly leaveMm: number }
  readonly limits: Limits | null
  readonly learned: Learned
  /** The series under way; empty before the first setting. */
  readonly lines: readonly BoreLine[]
  /** What comes next: a first setting, a bore to be measured, another setting, or nothing more. */
  readonly next: { readonly type: 'first' } | { readonly type: 'cut' } | NextDial
  /** Why the next setting cannot be: the slide ends there. */
  readonly fault: Said | null
  readonly version: number
}
