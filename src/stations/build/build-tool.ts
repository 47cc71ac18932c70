import { isShrink, carrierOf, partIn, refuseHolder, refuseStud, tickIds } from '@/core/fits'
import { FETCHED, numberOf, type BuiltPart } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { insertAssembly } from '@/db/assembly/write'
import { buildOn, type BuildUnderWay } from '@/db/build/read'
import { deleteBuild } from '@/db/build/write'
import { componentOf, getComponent, getHolder } from '@/db/library/read'
import { countHeat, keepHeat, updateHolder } from '@/db/library/write'
import { lyingOf } from '@/db/stock/read'
import { bookInside, moves } from '../store/book'
import type { Entry } from '../entries'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, need, refuser, write, type Writing } from '../write'
import { readBuild, type BuildSheet } from './build-sheet'
import type { ChosenPart } from './choose-parts'
import { heatFrom } from './heat-out'

/** Everything that speaks against this holder for this tool; the first is the weightiest. */
export function refuseBuild(work: Pick<Work, 'db' | 'now'>, sheet: BuildSheet, serial: string): Refusal[] {
  const item = getHolder(work.db, serial)
  if (!item) return [{ code: 'UNKNOWN_HOLDER', serial }]
  if (!item.component) return [{ code: 'UNKNOWN_TYPE', serial }]
  const other = buildOn(work.db, serial)
  if (other && (other.job !== sheet.job?.id || other.t !== sheet.definition.t))
    return [{ code: 'BEING_BUILT', serial, by: { who: other.who, t: other.t, job: other.job } }]
  const first = sheet.definition.parts.find((l) => l.role === 'holder')!
  const cutter = partIn(sheet.parts, 'cutter')!
  const offered = componentOf(work.db, item.component)
  // the heat of this very build is no reason against it
  const own = other && carrierOf(sheet.parts)?.kind !== 'shrink-extension'
  const known = { ...item, component: item.component, ...(own ? { heat: null, heats: item.heats - (other.heat ? 1 : 0) } : {}) }
  const refusals = [
    ...refuseHolder(known, offered, componentOf(work.db, first.component), cutter, sheet.definition, work.now),
    ...refuseStud(known, item.stud === null ? null : getComponent(work.db, item.stud), partIn(sheet.parts, 'stud'), work.now),
    ...sheet.checked.refusals,
    ...sheet.parts
      .filter((p) => FETCHED.includes(p.line.role) && p.onHand + p.fetched < p.count)
      .map((p) => ({ code: 'NONE_IN_STOCK', name: p.component.name }) as const),
  ]
  return refusals.map((r) => ({ code: 'FITS', refusal: r }))
}

/** The scan of the holder's own mark after its last step: every step must be confirmed. */
export function finishBuild(work: Work, serial: string): Result<{ serial: string; touchAt: string | null }, Refusal> {
  const build = buildOn(work.db, serial)
  if (!build) return fail({ code: 'BUILD_NOT_BEGUN', serial })
  const sheet = readBuild(work.db, build.job, build.t, serial, work.now)
  if (!sheet) return fail({ code: 'UNKNOWN_TOOL', job: build.job, t: build.t })
  const lost = sheet.parts.find((p) => p.line.role === 'extension' && !build.extensions[p.component.id])
  if (lost) return fail({ code: 'NO_EXTENSION', name: lost.component.name })
  const left = sheet.steps.filter((step) => tickIds([step], sheet.facts.seats).some((id) => !build.done.includes(id)))
  if (left.length) return fail({ code: 'STEPS_LEFT', steps: left.map((s) => s.title) })
  return buildTool(work, build.job, build.t, serial, build)
}

/**
 * The tool stands: its parts leave the stock, its heat is kept.
 * @param build what was done at the bench; without it the heat is the computed one, from now
 */
export function buildTool(
  work: Work,
  jobId: string,
  t: number,
  serial: string,
  build: BuildUnderWay | null = null,
): Result<{ serial: string; touchAt: string | null }, Refusal> {
  const sheet = readBuild(work.db, jobId, t, serial, work.now)
  if (!sheet) return fail({ code: 'UNKNOWN_TOOL', job: jobId, t })
  const [refused] = refuseBuild(work, sheet, serial)
  const item = getHolder(work.db, serial)
  if (refused || !item)
    return refuser(work, 'Build', { serial: item ? serial : null, t, machine: sheet.job?.machine })(
      refused ?? { code: 'UNKNOWN_HOLDER', serial },
    )
  const { definition, job, parts, checked } = sheet
  const carrier = carrierOf(parts)
  const heat =
    build?.heat ??
    (checked.shrink && isShrink(carrier)
      ? heatFrom(work, checked.shrink.temperatureC, checked.shrink.tauS, carrier.heatedMm)
      : null)
  const stopSetMm = sheet.stop ? definition.LF.nominal + sheet.stop.highMm : null
  const noted = {
    entry: builtEntry(sheet, serial, stopSetMm),
    serial,
    t: definition.t,
    machine: job?.machine,
    after: {
      definition: definition.id,
      version: definition.version,
      parts: parts.map((p) => p.component.id),
      stopSetMm,
      temperatureC: heat?.fromC ?? null,
    },
  }
  const busy: Refusal = { code: 'BEING_BUILT', serial }
  const steps = (tx: Writing) => {
    insertAssembly(tx.db, {
      serial,
      t: definition.t,
      name: definition.name,
      definition: { id: definition.id, version: definition.version },
      machine: job?.machine ?? null,
      job: job?.id ?? null,
      coupling: item.coupling,
      state: 'built',
      pocket: null,
      place: null,
      parts: builtParts(parts, build),
      condition: 'fit',
      lifeUsedMin: 0,
      dueAt: job?.dueAt ?? null,
      builtAt: tx.now,
      stopSetMm,
      heat,
    })
    must(updateHolder(tx.db, item, { place: null }), { code: 'CHANGED', what: 'holder', serial })
    for (const part of parts) if (FETCHED.includes(part.line.role)) buildIn(tx, part, serial, job?.id ?? null)
    if (heat && !build?.heat) {
      countHeat(tx.db, serial)
      keepHeat(tx.db, serial, heat)
    }
    if (build) must(deleteBuild(tx.db, build), { code: 'CHANGED', what: 'build' })
    return { serial, touchAt: heat?.touchAt ?? null }
  }
  return write(work, noted, steps, busy)
}

const builtParts = (parts: readonly ChosenPart[], build: BuildUnderWay | null): BuiltPart[] =>
  parts.map(({ line, component, count }) => ({
    role: line.role,
    component: component.id,
    count,
    serial: line.role === 'extension' ? (build?.extensions[component.id] ?? null) : null,
  }))

/** What was fetched for the job first, then straight out of drawers. */
function buildIn(tx: Writing, { component, count, fetched }: ChosenPart, serial: string, job: string | null): void {
  const fromJob = job === null ? 0 : Math.min(count, fetched)
  if (fromJob > 0) need(bookInside(tx, moves.buildIn(component.id, fromJob, serial, { job: job! })))
  let rest = count - fromJob
  for (const { place, count: there } of lyingOf(tx.db, component.id)) {
    const take = Math.min(rest, there)
    if (take > 0) need(bookInside(tx, moves.buildIn(component.id, take, serial, { place })))
    rest -= take
  }
  if (rest > 0) need(bookInside(tx, moves.buildIn(component.id, rest, serial, { place: null })))
}

const builtEntry = ({ parts, clamping }: BuildSheet, serial: string, stopSetMm: number | null): Entry<'BUILT'> => ({
  code: 'BUILT',
  cutter: partIn(parts, 'cutter')?.name ?? null,
  shrunk: clamping === 'shrink',
  serial,
  stopSetMm,
  torqueNm: numberOf(partIn(parts, 'nut') ?? partIn(parts, 'holder')!, 'TQ') ?? null,
})
