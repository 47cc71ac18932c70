import type { CoolingWay } from '@/core/clamp'
import { carrierOf, isShrink, refuseHealth } from '@/core/fits'
import type { ShrinkExtension, ShrinkHolder } from '@/core/tool'
import { ok, type Result } from '@/core/units'
import { buildOn, type BuildUnderWay } from '@/db/build/read'
import { updateBuild } from '@/db/build/write'
import { getHolder } from '@/db/library/read'
import { countHeat, keepHeat } from '@/db/library/write'
import type { ShrinkUnit, UnitError } from '@/devices/shrink/port'
import { refuse, type Refusal } from '../refusals'
import { refuseUnlearned } from '../teaching/conditions'
import type { Work } from '../work'
import { must, write } from '../write'
import { readBuild } from './build-sheet'
import { heatFrom } from './heat-out'

const CHANGED: Refusal = { code: 'CHANGED', what: 'build' }
const unitRefuses = (error: UnitError) => refuse({ code: 'SHRINK_UNIT', error })

/** What a heat of this build needs, or why there may be none now. */
function mayHeat(work: Work, serial: string) {
  const unlearned = refuseUnlearned(work.db, work.person, 'shrink')
  if (unlearned) return refuse(unlearned)
  const build = buildOn(work.db, serial)
  const sheet = build && readBuild(work.db, build.job, build.t, serial, work.now)
  const carrier = sheet && carrierOf(sheet.parts)
  if (!build || !sheet?.checked.shrink || !isShrink(carrier)) return refuse({ code: 'SHRINK_NOT_BEGUN', serial })
  if (!build.done.includes('coil')) return refuse({ code: 'COIL_NOT_CONFIRMED' })
  if (build.done.includes('heat')) return refuse({ code: 'HEATED', out: false })
  const joint = jointIn(build, carrier)
  if (!joint) return refuse({ code: 'NO_EXTENSION', name: carrier.name })
  const item = getHolder(work.db, joint)!
  const [held] = refuseHealth({ ...item, component: carrier.id }, carrier, work.now)
  if (held) return refuse({ code: 'FITS', refusal: held })
  return ok({ build, shrink: sheet.checked.shrink, carrier, joint, heats: item.heats })
}

/** Starts the one heat of a build. The coil was confirmed before; the heat is counted on the joint at once. */
export async function startHeat(work: Work, unit: ShrinkUnit, serial: string): Promise<Result<null, Refusal>> {
  const may = mayHeat(work, serial)
  if (!may.ok) return may
  const { build, shrink, carrier, joint, heats } = may.value
  const asked = await unit.heat({
    serial,
    coil: carrier.coil,
    targetC: shrink.temperatureC,
    greatestC: carrier.greatestC,
    nose: { boreMm: carrier.DCONWS, noseMm: carrier.BD, heatedMm: carrier.heatedMm },
  })
  if (!asked.ok) return unitRefuses(asked.error)
  const { coil, heatedMm } = carrier
  const { temperatureC, taus } = shrink
  const entry = { code: 'HEATED', coil, temperatureC, heat: heats + 1, joint, byHand: null } as const
  return write(work, { entry, serial, t: build.t, before: { heats }, after: { heats: heats + 1 } }, (tx) => {
    countHeat(tx.db, joint)
    // hot from here on, also when the build is left in the coil; until it is cooled otherwise it cools in air
    keepHeat(tx.db, joint, heatFrom(tx, temperatureC, taus.air, heatedMm))
    return null
  })
}

/** The piece whose joint is heated: with a shrunk extension it is the extension's bore. */
const jointIn = (build: BuildUnderWay, carrier: ShrinkHolder | ShrinkExtension): string | null =>
  carrier.kind === 'shrink-extension' ? (build.extensions[carrier.id] ?? null) : build.serial

/**
 * From the coil into a cooling body: heat and cutter are done, and the times of touching and measuring count from here.
 * @param failed the cutter did not go in: it cools and is heated again from the beginning
 */
export async function coolDown(
  work: Work,
  unit: ShrinkUnit,
  serial: string,
  body: number,
  failed = false,
): Promise<Result<null, Refusal>> {
  const build = buildOn(work.db, serial)
  const sheet = build && readBuild(work.db, build.job, build.t, serial, work.now)
  const carrier = sheet && carrierOf(sheet.parts)
  if (!build || !sheet?.checked.shrink || !isShrink(carrier)) return refuse({ code: 'SHRINK_NOT_BEGUN', serial })
  const state = await unit.state()
  if (!state.ok) return unitRefuses(state.error)
  const { heating } = state.value
  if (heating?.serial !== serial) return unitRefuses({ code: 'NOT_IN_COIL', serial })
  if (heating.phase === 'heating') return refuse({ code: 'STILL_HEATING' })
  const { leastC, tauS } = sheet.checked.shrink
  if (!failed && heating.noseC < leastC) return refuse({ code: 'TOO_COLD', noseC: heating.noseC, leastC })
  const moved = await unit.cool(serial, body)
  if (!moved.ok) return unitRefuses(moved.error)
  const heat = heatFrom(work, heating.noseC, tauS, carrier.heatedMm)
  const joint = jointIn(build, carrier)
  return write(work, failed ? { entry: { code: 'HEAT_FAILED' }, serial, t: build.t } : null, (tx) => {
    if (joint) keepHeat(tx.db, joint, heat)
    if (!failed) must(updateBuild(tx.db, build, { done: heatedAndCooled(build), heat }), CHANGED)
    return null
  })
}

/** On a unit without a data line: coil and seconds are confirmed by whoever heats, and how it is cooled. */
export function shrinkByHand(work: Work, serial: string, way: CoolingWay): Result<null, Refusal> {
  const may = mayHeat(work, serial)
  if (!may.ok) return may
  const { build, shrink, carrier, joint, heats } = may.value
  const { temperatureC, taus, heatingS } = shrink
  const heat = heatFrom(work, temperatureC, taus[way], carrier.heatedMm)
  const byHand = { heatingS, way }
  const entry = { code: 'HEATED', coil: carrier.coil, temperatureC, heat: heats + 1, joint, byHand } as const
  return write(work, { entry, serial, t: build.t, before: { heats }, after: { heats: heats + 1 } }, (tx) => {
    countHeat(tx.db, joint)
    keepHeat(tx.db, joint, heat)
    must(updateBuild(tx.db, build, { done: heatedAndCooled(build), heat }), CHANGED)
    return null
  })
}

const heatedAndCooled = ({ done }: BuildUnderWay): string[] => [...new Set([...done, 'heat', 'cool'])]

/** Takes a tool out of its cooling body, when the unit's light says so. */
export async function takeOut(unit: ShrinkUnit, serial: string): Promise<Result<null, Refusal>> {
  const state = await unit.state()
  if (!state.ok) return unitRefuses(state.error)
  const body = state.value.bodies.find((b) => b.serial === serial)
  if (body?.light === 'hot') return refuse({ code: 'BODY_HOT', body: body.body })
  const done = await unit.take(serial)
  return done.ok ? done : unitRefuses(done.error)
}
