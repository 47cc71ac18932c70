import { EXTENSION, SEATS, SHIPPED_STEPS } from '@/words/steps'
import { drawInMm, shrinkPractice, stopSetting, type StopSetting } from '@/core/clamp'
import {
  nutTorqueNm,
  carrierOf,
  checkTool,
  clampingOf,
  partIn,
  chooseCollet,
  withOwnSteps,
  whatFits,
  type Candidates,
  type Checked,
  type Clamping,
  type Step,
  type StepFacts,
} from '@/core/fits'
import { meaningOf, wantedOf, type Job } from '@/core/plan'
import { FETCHED, numberOf, valueOf, type Definition } from '@/core/tool'
import { readCouplings } from '@/db/coupling/read'
import { getStepList, buildsOf, listLessons, type BuildUnderWay } from '@/db/build/read'
import type { Db } from '@/db/connection'
import { getJob } from '@/db/job/read'
import { getHolder, listComponents, listDefinitions, type HolderRead } from '@/db/library/read'
import { listMachines } from '@/db/machine/read'
import { balanceOf } from '@/db/stock/read'
import { freeOf } from '../kit/inventory'
import { practiceOf } from '../practice'
import { chooseParts, type ChosenPart } from './choose-parts'

export interface BuildSheet {
  readonly job: Job | null
  readonly definition: Definition
  readonly parts: readonly ChosenPart[]
  readonly checked: Checked
  readonly clamping: Clamping | null
  readonly steps: readonly Step[]
  readonly facts: StepFacts
  /** Where the clamping is set against a stop. */
  readonly stop: StopSetting | null
  /** Holders of an accepted type that are free now. */
  readonly free: readonly HolderRead[]
  /** The build that was begun on the chosen holder, or by anyone for this tool. */
  readonly build: BuildUnderWay | null
  /** Parts of which there are too few. */
  readonly short: readonly ChosenPart[]
  /** Where the parts list does not do, or a part is short: what would do. */
  readonly candidates: readonly Candidates[]
}

/** How often the shop has changed its own steps; 0 while they are those that ship. */
export const stepsVersion = (db: Db, clamping: Clamping): number => getStepList(db, clamping)?.version ?? 0

/** Steps of a clamping: the shop's own, else what ships. */
export const stepsOf = (db: Db, clamping: Clamping | null): readonly Step[] =>
  clamping === null ? [] : ((getStepList(db, clamping)?.body as Step[] | undefined) ?? SHIPPED_STEPS[clamping])

/** @param serial the piece that was scanned */
export function readBuildOf(db: Db, definition: Definition, job: Job | null, serial: string | null, now: string): BuildSheet {
  const holder = serial ? getHolder(db, serial) : null
  const parts = chooseParts(db, definition, job?.id ?? null, holder)
  const machines = listMachines(db).filter((m) => (job ? m.key === job.machine : definition.machines.includes(m.key)))
  const practice = shrinkPractice(practiceOf(db))
  const checked = withColletNote(db, checkTool(definition, parts, machines, practice, readCouplings(db)), parts)
  const clamping = clampingOf(parts)
  const shankMm = numberOf(partIn(parts, 'cutter')!, 'DMM') ?? 0
  const holderType = partIn(parts, 'holder')
  // hot it stands high by its shrink-back, a collet draws it in: both are set longer, and both are learned
  const computedMm = checked.shrink?.stopHighMm ?? colletDrawMm(parts, shankMm)
  const stop = computedMm !== null && holderType ? stopSetting(computedMm, shankMm, listLessons(db, holderType.id)) : null
  const facts = factsOf(definition, parts, checked, stop, practice.tightenNm)
  const short = parts.filter((p) => FETCHED.includes(p.line.role) && p.onHand + p.fetched < p.count)
  const builds = job ? buildsOf(db, job.id, definition.t) : []
  return {
    job,
    definition,
    parts,
    checked,
    clamping,
    steps: withOwnSteps(stepsOf(db, clamping), facts, { extension: EXTENSION, seats: SEATS }),
    facts,
    stop,
    free: freeOf(
      db,
      definition.parts.flatMap((l) => (l.role === 'holder' ? [l.component, ...l.alternatives] : [])),
      now,
    ),
    build: builds.find((b) => b.serial === serial) ?? builds[0] ?? null,
    short,
    candidates:
      checked.refusals.length || short.length
        ? inStockFirst(db, whatFits(definition, parts, listComponents(db), machines, practice, readCouplings(db)), short)
        : [],
  }
}

/** How far tightening the nut draws the cutter in; null where no double-slotted collet holds it. */
function colletDrawMm(parts: readonly ChosenPart[], shankMm: number): number | null {
  const collet = partIn(parts, 'collet')
  return collet?.kind === 'collet' && collet.colletSystem === 'ISO 15488' && shankMm > 0 ? drawInMm(collet.DCX, shankMm) : null
}

/** A collet may hold a shank and still not be the one to take: the smallest size at or above it is. */
function withColletNote(db: Db, checked: Checked, parts: readonly ChosenPart[]): Checked {
  const collet = partIn(parts, 'collet')
  const cutter = partIn(parts, 'cutter')
  const shankMm = cutter && numberOf(cutter, 'DMM')
  if (collet?.kind !== 'collet' || !shankMm || checked.refusals.length) return checked
  const same = listComponents(db).filter(
    (c) => c.kind === 'collet' && c.colletSystem === collet.colletSystem && c.colletSize === collet.colletSize,
  )
  const best = chooseCollet(shankMm, same)
  if (best?.kind !== 'collet' || best.DCX >= collet.DCX) return checked
  return { ...checked, notes: [...checked.notes, { code: 'COLLET_NOT_NEAREST', has: collet.name, better: best.name }] }
}

/** For a part that is short only what lies in the store helps. */
function inStockFirst(db: Db, candidates: readonly Candidates[], short: readonly ChosenPart[]): Candidates[] {
  return candidates.map((c) => {
    const wanted = short.find((p) => p.line.role === c.role)
    return wanted ? { ...c, fits: c.fits.filter((part) => balanceOf(db, part.id).hand >= wanted.count) } : c
  })
}

/** The sheet for a job's T number; null when the job or a definition for it is not there. */
export function readBuild(db: Db, jobId: string, t: number, serial: string | null, now: string): BuildSheet | null {
  const job = getJob(db, jobId)
  const wanted = job && wantedOf(job).find((w) => w.t === t)
  const meaning = wanted && meaningOf(job, wanted, listDefinitions(db))
  const definition = meaning?.type === 'definition' ? meaning.definition : null
  return job && definition ? readBuildOf(db, definition, job, serial, now) : null
}

function factsOf(
  definition: Definition,
  parts: readonly ChosenPart[],
  checked: Checked,
  stop: StopSetting | null,
  tightenNm: number,
): StepFacts {
  const [carrier, cutter, collet, nut] = [
    carrierOf(parts),
    partIn(parts, 'cutter'),
    partIn(parts, 'collet'),
    partIn(parts, 'nut'),
  ]
  const insert = partIn(parts, 'insert')
  const between = partIn(parts, 'extension')
  const screwed = between?.kind === 'module-extension' ? between : null
  const screw = partIn(parts, 'screw')
  const text = (part: typeof cutter, key: Parameters<typeof valueOf>[1]) =>
    part ? ((valueOf(part, key) as string | undefined) ?? null) : null
  const number = (part: typeof cutter, key: Parameters<typeof numberOf>[1]) => (part ? (numberOf(part, key) ?? null) : null)
  const { stack, shrink } = checked
  return {
    holder: partIn(parts, 'holder')?.name ?? '–',
    cutter: cutter?.name ?? '–',
    collet: collet?.name ?? null,
    nut: nut?.name ?? null,
    insert: insert?.name ?? null,
    seats: number(cutter, 'CICT'),
    stop: stop ? definition.LF.nominal + stop.highMm : null,
    LF: stack?.LF ?? definition.LF.nominal,
    stickOut: stack?.stickOutMm ?? 0,
    depth: stack?.depthMm ?? null,
    depthLeast: stack?.depthLimitsMm?.min ?? null,
    depthGreatest: stack?.depthLimitsMm?.max ?? null,
    shank: number(cutter, 'DMM'),
    shankClass: text(cutter, 'shankClass'),
    shankMaterial: text(cutter, 'shankMaterial'),
    coil: text(carrier, 'coil'),
    temperature: shrink ? Math.round(shrink.temperatureC) : null,
    torque: (nut && nutTorqueNm(nut, tightenNm)) ?? number(carrier, 'TQ'),
    torqueSchool: text(nut, 'torqueSchool'),
    lubricated: text(nut, 'lubricated'),
    key: number(carrier, 'keyMm'),
    seatTorque: number(screw, 'TQ') ?? number(insert, 'TQ'),
    travel: colletDrawMm(parts, number(cutter, 'DMM') ?? 0),
    extension: screwed?.name ?? null,
    extensionTorque: number(screwed, 'TQ'),
    extensionKey: number(screwed, 'keyMm'),
  }
}
