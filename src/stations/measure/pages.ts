/** What the pages of Measure show. */
import type { AdapterPiece, MeasuringProgram, ProgramStep, Verdict, ZeroCheck } from '@/core/judge'
import type { Assembly, Definition, Machine } from '@/core/tool'
import { listAssemblies } from '@/db/assembly/read'
import { listAdapters, listChecks } from '@/db/bench/read'
import type { Db } from '@/db/connection'
import { getJob } from '@/db/job/read'
import { getDefinition, listDefinitions } from '@/db/library/read'
import { getMachine, listMachines } from '@/db/machine/read'
import { lastMeasurement } from '@/db/measurement/read'
import { listProgramVersions, listRoutines } from '@/db/program/read'
import { machineNames } from '../names'
import { practiceOf } from '../practice'
import { readBench, type BenchNow } from './bench-state'
import { nextToMeasure, toolsOfJob, type NextTool } from './kit-run'
import { readHeld, type HeldTool } from './look-back'
import { freeSteps, readMeasure, type MeasureSheet } from './measure-sheet'

export interface MeasureStart {
  /** Tools to measure. */
  readonly waiting: number
  /** Jobs with tools to measure, and how many. */
  readonly jobs: readonly { readonly job: string; readonly count: number }[]
  readonly machines: readonly Machine[]
  /** Marks of holders that carry a tool. */
  readonly known: readonly string[]
}

export function readMeasureStart(db: Db): MeasureStart {
  const all = listAssemblies(db)
  const waiting = all.filter((a) => a.state === 'built')
  const jobs = [...new Set(waiting.flatMap((a) => a.job ?? []))]
  return {
    waiting: waiting.length,
    jobs: jobs.map((job) => ({ job, count: waiting.filter((a) => a.job === job).length })),
    machines: listMachines(db),
    known: all.map((a) => a.serial),
  }
}

export interface MeasurePage {
  readonly sheet: MeasureSheet
  readonly bench: BenchNow
  readonly machineName: string | null
  /** The kit that is measured tool after tool, and what comes next. */
  readonly kit: { readonly job: string; readonly next: NextTool | null } | null
  readonly guardSigmas: number
}

/** @returns null when there is no tool on the holder */
export function readMeasurePage(db: Db, serial: string, kit: string | null, now: string): MeasurePage | null {
  const sheet = readMeasure(db, serial)
  if (!sheet) return null
  const { machine } = sheet.assembly
  return {
    sheet,
    bench: readBench(db, now),
    machineName: machine && (getMachine(db, machine)?.name ?? machine),
    kit: kit === null ? null : { job: kit, next: nextToMeasure(db, kit, serial) },
    guardSigmas: practiceOf(db).guardSigmas,
  }
}

/** The tools of a job with their verdicts; null when there is no such job. */
export function readKitRun(db: Db, job: string): readonly (Assembly & { readonly verdict: Verdict | null })[] | null {
  if (!getJob(db, job)) return null
  return toolsOfJob(db, job).map((a) => ({
    ...a,
    verdict: a.state === 'built' ? null : (lastMeasurement(db, a.id)?.verdict ?? null),
  }))
}

export interface MastersPage {
  readonly bench: BenchNow
  readonly adapters: readonly AdapterPiece[]
  readonly again: readonly HeldTool[]
  readonly checks: readonly ZeroCheck[]
}

/** Checks that the chart and the list go back to. */
const CHECKS = 40

export const readMasters = (db: Db, now: string): MastersPage => ({
  bench: readBench(db, now),
  adapters: listAdapters(db),
  again: readHeld(db),
  checks: listChecks(db, CHECKS),
})

export interface RoutinesPage {
  readonly routines: ReadonlyMap<string, MeasuringProgram>
  readonly definitions: readonly Definition[]
  readonly machines: ReadonlyMap<string, string>
}

export const readRoutines = (db: Db): RoutinesPage => ({
  routines: listRoutines(db),
  definitions: listDefinitions(db),
  machines: machineNames(db),
})

export interface RoutinePage {
  readonly definition: Definition
  /** Newest first; empty where its tools are measured freely. */
  readonly versions: readonly MeasuringProgram[]
  readonly steps: readonly ProgramStep[]
  /** Tools of it on the bench or in a rack: on one of them it can be tried. */
  readonly standing: readonly Assembly[]
}

/** @returns null when there is no such tool */
export function readRoutine(db: Db, id: string): RoutinePage | null {
  const definition = getDefinition(db, id)
  if (!definition) return null
  const versions = listProgramVersions(db, id)
  const outside = listAssemblies(db).filter((a) => a.definition?.id === id && a.state !== 'loaded')
  return { definition, versions, steps: versions[0]?.steps ?? freeSteps(definition), standing: outside }
}
