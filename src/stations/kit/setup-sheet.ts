import { partIn, stackUp } from '@/core/fits'
import type { Job, NettedTool } from '@/core/plan'
import type { Machine, ToolProfile } from '@/core/tool'
import { readCouplings } from '@/db/coupling/read'
import { currentBalance } from '@/db/balance/read'
import type { Db } from '@/db/connection'
import { lastMeasurement } from '@/db/measurement/read'
import { stackOf } from '../build/stack-of'
import { chooseParts } from '../build/choose-parts'
import { profileOfAssembly, profileOfDefinition } from '../rack/rack'
import { readKit } from './kit-sheet'

/** One tool of a setup sheet. Lengths mm; measured where the tool stands, aimed where it does not. */
export interface SetupLine {
  readonly tool: NettedTool
  readonly name: string
  readonly holder: string
  readonly serial: string | null
  readonly pocket: number | null
  readonly stickOutMm: number | null
  readonly LF: number | null
  readonly DC: number | null
  readonly RE: number | null
  readonly measured: boolean
  /** As it was balanced; null where it was not. */
  readonly balance: { readonly grade: number; readonly rpm: number } | null
  readonly profile: ToolProfile | null
}

export interface SetupSheet {
  readonly job: Job
  readonly machine: Machine
  readonly lines: readonly SetupLine[]
}

/** What the machine operator reads: each T with its holder, stick-out, length, diameter, pocket and picture. */
export function readSetup(db: Db, jobId: string, now: string): SetupSheet | null {
  const kit = readKit(db, jobId, now)
  if (!kit) return null
  return { job: kit.job, machine: kit.machine, lines: kit.tools.map((tool) => lineOf(db, tool, kit.job)) }
}

function lineOf(db: Db, tool: NettedTool, job: Job): SetupLine {
  const { definition, standing, wanted } = tool
  const assembly = 'assembly' in standing ? standing.assembly : null
  const last = assembly && lastMeasurement(db, assembly.id)
  const parts = assembly ? stackOf(db, assembly) : definition ? chooseParts(db, definition, job.id, null) : []
  const LF = last?.summary.LF ?? definition?.LF.nominal ?? null
  const stack = LF === null ? null : stackUp(parts, LF, readCouplings(db))
  return {
    tool,
    name: definition?.name ?? assembly?.name ?? wanted.name ?? 'not known',
    holder: partIn(parts, 'holder')?.name ?? '–',
    serial: assembly?.serial ?? null,
    pocket: assembly?.pocket ?? null,
    stickOutMm: stack?.stickOutMm ?? null,
    LF,
    DC: last?.summary.DC ?? definition?.DC.nominal ?? null,
    RE: last?.summary.RE ?? definition?.RE?.nominal ?? null,
    measured: last !== null && last !== undefined,
    balance: assembly && currentBalance(db, assembly.id),
    profile: assembly ? profileOfAssembly(db, assembly) : definition ? profileOfDefinition(db, definition) : null,
  }
}
