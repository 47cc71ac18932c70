import { settleCauses } from '@/db/cause/write'
import { compareResults, creepMm, type MeasurementSource, type StepMeasured, type ToolResult } from '@/core/judge'
import type { SetMeasurement } from '@/core/sets'
import { nextState } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { moveAssembly } from '@/db/assembly/write'
import { voidBalance } from '@/db/balance/write'
import { currentHandover } from '@/db/handover/read'
import { holdHandover, voidCurrent } from '@/db/handover/write'
import { insertMeasurement } from '@/db/measurement/write'
import { isAdjustable } from '../build/adjustable'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import { learnStop } from './learn-stop'
import type { MeasureSheet } from './measure-sheet'
import type { Saved } from './contract'

export interface Found {
  readonly set: Pick<SetMeasurement, 'edges' | 'summary'>
  readonly steps: readonly StepMeasured[]
  /** Version of the program that was measured by. */
  readonly program: number | null
  readonly result: ToolResult
  readonly source: MeasurementSource
  /** Where the pictures lie; null without any. */
  readonly evidence: string | null
  /** ISO 8601 */
  readonly takenAt: string
  readonly reason: string | null
}

/** A jump since the last measurement that nobody has explained; null when there is none. */
export function unexplainedJump({ last, wasIn }: MeasureSheet, result: ToolResult, reason: string | null): Refusal | null {
  const grownMm = last && wasIn !== null && !reason ? creepMm(last.result, result) : null
  if (grownMm !== null) return { code: 'CREPT', machine: wasIn ?? '', byMm: grownMm }
  const compared = last && compareResults(last.result, result)
  if (compared?.change !== 'jump' || !compared.most || reason) return null
  const { key, byMm } = compared.most
  return { code: 'JUMP', feature: key, byMm }
}

/** Puts a judged measurement into the record; what was handed over before goes out of date, unless it is found the same. */
export function keepMeasurement(work: Work, sheet: MeasureSheet, found: Found): Result<Saved, Refusal> {
  const { assembly, last } = sheet
  const { set, result, source, reason } = found
  const { serial } = assembly
  const state = nextState(assembly.state, 'save-measurement')
  if (!state) return fail({ code: 'NOT_NOW', serial, state: assembly.state })
  const change = last && compareResults(last.result, result).change
  const same = last !== null && change === 'same' && result.verdict === last.result.verdict
  // whoever set it, or clamped it anew, has moved mass
  const touched = change === 'jump' || (change === 'moved' && isAdjustable(work.db, assembly))
  const kept = assembly.state === 'released' && same
  const { edges, summary } = set
  const changed: Refusal = { code: 'CHANGED', what: 'tool', serial }
  const noted = ({ verdict, voided }: Saved) =>
    ({
      entry: { code: 'MEASURED', source, edges: edges.length, verdict, voided, kept, reason },
      serial,
      t: assembly.t,
      machine: assembly.machine,
      before: last?.summary,
      after: summary,
    }) as const
  return write(work, noted, (tx) => {
    // what its wear registers said is in the new figures
    must(moveAssembly(tx.db, assembly, { state: kept ? assembly.state : state, wear: null }), changed)
    const id = insertMeasurement(tx.db, {
      assemblyId: assembly.id,
      at: tx.now,
      personId: tx.person.id,
      summary,
      edges,
      steps: found.steps.map(({ name, set: step }) => ({ name, summary: step.summary, edges: step.edges })),
      program: found.program,
      result,
      verdict: result.verdict,
      evidence: found.evidence ?? '',
      source,
      reason,
      cutMin: assembly.lifeUsedMin,
    })
    if (result.verdict !== null) settleCauses(tx.db, assembly.id, result.verdict === 'holds')
    // found the same with a bench that is right: nothing holds it any more
    const current = kept ? currentHandover(tx.db, serial) : null
    if (current?.held) holdHandover(tx.db, current.id, null)
    const voided = kept ? null : voidCurrent(tx.db, serial, tx.now, { code: 'MEASURED_AGAIN' })
    if (touched) voidBalance(tx.db, assembly.id, tx.now, { code: 'MEASURED_AGAIN' })
    learnStop(tx, assembly, summary.LF, found.takenAt)
    return { id, verdict: result.verdict, voided, kept }
  })
}
