/** What the sheet of Load is in: what was given as reasons, what was loaded, and the big action. Pure, so that a table can test it. */
import { isClear } from '@/core/load'
import type { LoadRule } from '@/core/tool'
import type { LoadLine } from '@/words/load'
import type { Line } from './checks'
import type { LoadDone } from './loaded'

export interface LoadSheet {
  readonly reasons: Readonly<Partial<Record<LoadRule, string>>>
  /** What was read back of the tool that was loaded last; null once another scan came. */
  readonly done: LoadDone | null
}

export const NOTHING_YET: LoadSheet = { reasons: {}, done: null }

export type LoadEvent =
  | { readonly type: 'reason'; readonly rule: LoadRule; readonly text: string }
  | { readonly type: 'begun' }
  | { readonly type: 'loaded'; readonly done: LoadDone }
  | { readonly type: 'scanned' }

export function loadSheet(sheet: LoadSheet, event: LoadEvent): LoadSheet {
  switch (event.type) {
    case 'reason':
      return { ...sheet, reasons: { ...sheet.reasons, [event.rule]: event.text } }
    case 'begun':
      return { ...sheet, reasons: {} }
    case 'loaded':
      return { ...sheet, done: event.done }
    case 'scanned':
      return { ...sheet, done: null }
  }
}

/** Shorter than this is no reason. */
const LEAST_LETTERS = 3

export const reasonsGiven = ({ reasons }: LoadSheet): { readonly rule: LoadRule; readonly reason: string }[] =>
  Object.entries(reasons).flatMap(([rule, text]) =>
    text !== undefined && text.trim().length >= LEAST_LETTERS ? [{ rule: rule as LoadRule, reason: text.trim() }] : [],
  )

export interface Seen {
  readonly machine: boolean
  readonly serial: boolean
  readonly scans: readonly Line[]
  readonly findings: readonly LoadLine[]
  readonly pocket: number | null
  /** Whether this load was begun. */
  readonly running: boolean
}

export type LoadBig =
  | { readonly type: 'step' }
  | { readonly type: 'begin'; readonly pocket: number }
  | { readonly type: 'reason' }
  | { readonly type: 'scan'; readonly what: 'machine' | 'holder' | 'label' | 'another label' | 'another tool' }

/** What speaks against it finally: a scan before a rule. */
export const refusedOf = ({ scans, findings }: Pick<Seen, 'scans' | 'findings'>): Line | LoadLine | null =>
  scans.find((s) => s.state === 'refused') ?? findings.find((f) => f.state === 'refused') ?? null

/** The one thing to do next: the step of a load under way, then beginning it, then what is missing for that. */
export function loadBig(sheet: LoadSheet, seen: Seen): LoadBig {
  const { machine, serial, scans, findings, pocket, running } = seen
  if (running && machine && serial) return { type: 'step' }
  const given = reasonsGiven(sheet).map((r) => r.rule)
  const clear = findings.length > 0 && scans.every((s) => s.state === 'holds') && isClear(findings, given)
  if (clear && machine && pocket !== null) return { type: 'begin', pocket }
  const refused = refusedOf(seen)
  if (!refused && findings.some((f) => f.state === 'asks')) return { type: 'reason' }
  if (!machine) return { type: 'scan', what: 'machine' }
  if (!serial) return { type: 'scan', what: 'holder' }
  if (scans.some((s) => s.rule === 'label' && s.state === 'waits')) return { type: 'scan', what: 'label' }
  return { type: 'scan', what: refused?.rule === 'label' ? 'another label' : 'another tool' }
}
