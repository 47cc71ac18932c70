import {
  kindsOf,
  parted,
  planesOf,
  provisionOf,
  standingOf,
  unbalanceFrom,
  type BalanceFit,
  type BalanceWanted,
  type FitKind,
  type Found,
  type Influence,
  type Provision,
  type Standing,
} from '@/core/balance'
import { partIn, stackUp } from '@/core/fits'
import type { Assembly, Definition, Machine } from '@/core/tool'
import { readCouplings } from '@/db/coupling/read'
import { getAssembly } from '@/db/assembly/read'
import {
  calibrationsOf,
  currentBalance,
  getBalanceWork,
  holderBalance,
  lastCalibration,
  listRuns,
  type BalanceResult,
  type BalanceRun,
  type Calibration,
  type HolderBalance,
} from '@/db/balance/read'
import type { Db } from '@/db/connection'
import { getDefinition } from '@/db/library/read'
import { getMachine } from '@/db/machine/read'
import { lastMeasurement } from '@/db/measurement/read'
import { isAdjustable } from '../build/adjustable'
import { stackOf } from '../build/stack-of'
import { programSpeeds } from '../kit/program-speeds'
import { practiceOf } from '../practice'
import type { Refusal } from '../refusals'
import type { WantedFrom } from './contract'

/** How far a tool is with being balanced. */
export interface BalanceWork {
  /** Typed by somebody; null: as the definition or the program has it. */
  readonly wanted: BalanceWanted | null
  /** 0 before the first correction. */
  readonly round: number
  /** Corrections for what was found in this round; empty until both runs are in. */
  readonly fits: readonly BalanceFit[]
  /** Which of them is being done, and how many of its steps are. */
  readonly chosen: number
  readonly done: number
}

const NO_WORK: BalanceWork = { wanted: null, round: 0, fits: [], chosen: 0, done: 0 }

export interface BalanceSheet {
  readonly assembly: Assembly
  readonly definition: Definition | null
  readonly machine: Machine | null
  readonly provision: Provision
  readonly tool: { readonly massKg: number; readonly cgZMm: number | null } | null
  readonly slowest: { readonly rpm: number; readonly part: string } | null
  readonly wanted: BalanceWanted | null
  readonly wantedFrom: WantedFrom | null
  /** Set at its length by a screw of its own: that moves mass. */
  readonly adjustable: boolean
  /** The one that counts now; and those that its runs were made with. */
  readonly calibration: Calibration | null
  readonly calibrations: ReadonlyMap<number, Calibration>
  readonly has: HolderBalance
  readonly work: BalanceWork
  readonly version: number
  readonly runs: readonly BalanceRun[]
  /** What was found in each round that has both runs; the last is the present one's where it is complete. */
  readonly rounds: readonly {
    readonly round: number
    readonly influence: Influence
    readonly found: Found
    readonly standing: Standing
    readonly at: string
    /** The two runs that it rests on. */
    readonly runs: readonly [number, number]
  }[]
  readonly result: BalanceResult | null
}

const DAY_MS = 86_400_000

/** A definition's own grade, or the highest speed of the programs that ask for its T. */
function wantedFor(
  db: Db,
  assembly: Assembly,
  definition: Definition | null,
  typed: BalanceWanted | null,
): { wanted: BalanceWanted | null; from: WantedFrom | null } {
  if (typed) return { wanted: typed, from: 'typed' }
  if (definition?.balance) return { wanted: definition.balance, from: 'definition' }
  const rpm = programSpeeds(db)(assembly)
  if (rpm === null) return { wanted: null, from: null }
  return { wanted: { grade: practiceOf(db).balanceGrade, rpm }, from: 'program' }
}

export function readBalance(db: Db, serial: string): BalanceSheet | null {
  const assembly = getAssembly(db, serial)
  if (!assembly) return null
  const definition = assembly.definition && getDefinition(db, assembly.definition.id, assembly.definition.version)
  const parts = stackOf(db, assembly)
  const holder = partIn(parts, 'holder')
  const lf = lastMeasurement(db, assembly.id)?.summary.LF ?? definition?.LF.nominal ?? 100
  const stack = stackUp(parts, lf, readCouplings(db))
  const read = getBalanceWork(db, assembly.id)
  const work = { ...NO_WORK, ...(read?.body as Partial<BalanceWork> | undefined) }
  const { wanted, from } = wantedFor(db, assembly, definition, work.wanted)
  const tool = stack && stack.massKg > 0 ? { massKg: stack.massKg, cgZMm: stack.centreMm } : null
  const provision = holder ? provisionOf(holder) : { thread: null, screws: [], rings: [], drill: [], never: [], add: [] }
  const calibration = lastCalibration(db, assembly.coupling)
  const runs = listRuns(db, assembly.id)
  const calibrations = calibrationsOf(
    db,
    runs.flatMap((run) => run.calibration ?? []),
  )
  return judged({
    assembly,
    definition,
    machine: assembly.machine ? getMachine(db, assembly.machine) : null,
    provision,
    tool,
    slowest: stack?.greatestRpm ? { rpm: stack.greatestRpm, part: stack.slowestPart } : null,
    wanted,
    wantedFrom: from,
    adjustable: isAdjustable(db, assembly),
    calibration,
    calibrations: calibration ? calibrations.set(calibration.id, calibration) : calibrations,
    has: holderBalance(db, serial),
    work,
    version: read?.version ?? 0,
    runs,
    rounds: [],
    result: currentBalance(db, assembly.id),
  })
}

/** What is being corrected with, or would be first. */
export const kindOf = (work: BalanceWork, provision: Provision): FitKind | null =>
  work.fits[work.chosen]?.kind ?? kindsOf(provision)[0] ?? null

/** Each round that has both its runs, made with one calibration. */
function roundsOf(
  { runs, calibrations, provision, work }: BalanceSheet,
  tool: NonNullable<BalanceSheet['tool']>,
  wanted: BalanceWanted,
): BalanceSheet['rounds'] {
  const zMm = planesOf(provision, kindOf(work, provision), tool.cgZMm)
  return [...new Set(runs.map((run) => run.round))].flatMap((round) => {
    const of = (seat: 0 | 180) => runs.findLast((run) => run.round === round && run.seat === seat)
    const [at0, at180] = [of(0), of(180)]
    const calibration = at0?.calibration === at180?.calibration ? calibrations.get(at0?.calibration ?? NaN) : undefined
    if (!at0 || !at180 || !calibration) return []
    const { influence } = calibration
    const found = unbalanceFrom(
      influence,
      at0.answers.map((answer, sensor) => parted(answer, at180.answers[sensor]).tool),
    )
    const standing = standingOf({ zMm: influence.zMm, at: found.planes }, zMm, tool, wanted)
    return [{ round, influence, found, standing, at: at0.at > at180.at ? at0.at : at180.at, runs: [at0.id, at180.id] }]
  })
}

/** What was found in the round under way; null until both its runs are in. */
export const presentRound = (sheet: BalanceSheet) =>
  nextSeat(sheet) === null ? (sheet.rounds.find(({ round }) => round === sheet.work.round) ?? null) : null

/** The same with one run more. */
export const withRun = (sheet: BalanceSheet, run: BalanceRun): BalanceSheet => judged({ ...sheet, runs: [...sheet.runs, run] })
/** The same, balanced for something else. */
export const judgedFor = (sheet: BalanceSheet, wanted: BalanceWanted): BalanceSheet => judged({ ...sheet, wanted })

const judged = (sheet: BalanceSheet): BalanceSheet =>
  sheet.tool && sheet.wanted ? { ...sheet, rounds: roundsOf(sheet, sheet.tool, sheet.wanted) } : sheet

/** Which seat is to be run next; null when both are in. A run with an older calibration is made again. */
export const nextSeat = ({ runs, work, calibration }: Pick<BalanceSheet, 'runs' | 'work' | 'calibration'>): 0 | 180 | null => {
  const counts = runs.filter((run) => run.round === work.round && run.calibration === calibration?.id)
  return ([0, 180] as const).find((seat) => !counts.some((run) => run.seat === seat)) ?? null
}

/** A calibration counts for so many days. */
export const isOld = (db: Db, calibration: Calibration, now: string): boolean =>
  Date.parse(now) - Date.parse(calibration.at) > practiceOf(db).calibrationDays * DAY_MS

/** Steps of a correction that was begun are finished first. */
export const fitUnderWay = ({ fits, chosen, done }: BalanceWork): Refusal | null =>
  done > 0 ? { code: 'FIT_UNDER_WAY', left: (fits[chosen]?.steps.length ?? 0) - done } : null

/** A tool that is in a machine, or taken apart, is not balanced. */
export function refuseOut({ serial, state, machine }: Assembly): Refusal | null {
  if (state === 'loaded') return { code: 'IN_A_MACHINE', serial, machine: machine ?? '' }
  return state === 'apart' ? { code: 'NOT_NOW', serial, state } : null
}

/** Why a tool cannot be run now, whatever the spindle says; null when it can. */
export function refuseBalance(db: Db, sheet: BalanceSheet, now: string): Refusal | null {
  const { assembly, wanted, tool, slowest, calibration, adjustable } = sheet
  const { serial } = assembly
  const out = refuseOut(assembly)
  if (out) return out
  if (assembly.condition !== 'fit') return { code: 'BROKEN_TOOL', serial }
  if (assembly.heat && assembly.heat.touchAt > now) return { code: 'STILL_WARM', until: assembly.heat.touchAt }
  if (adjustable && assembly.state === 'built') return { code: 'SET_FIRST', serial }
  if (!tool) return { code: 'NO_WEIGHT' }
  if (!wanted) return { code: 'NO_GRADE' }
  if (slowest && wanted.rpm > slowest.rpm)
    return { code: 'ABOVE_WEAKEST', rpm: wanted.rpm, most: slowest.rpm, part: slowest.part }
  if (!calibration || isOld(db, calibration, now))
    return { code: 'NOT_CALIBRATED', coupling: assembly.coupling, since: calibration?.at ?? null }
  return null
}
