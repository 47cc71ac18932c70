import { coolingTimeS, USUAL_PRACTICE } from '@/core/clamp'
import { carrierOf, isShrink, refusalText, refuseHealth } from '@/core/fits'
import { fail, ok, type Result } from '@/core/units'
import { buildOn } from '@/db/build/read'
import { updateBuild } from '@/db/build/write'
import { inTransaction } from '@/db/connection'
import { getHolder } from '@/db/library/read'
import { countHeat } from '@/db/library/write'
import type { ShrinkUnit, UnitError } from '@/devices/shrink/port'
import type { Refused, Work } from '../work'
import { readBuild } from './build-sheet'
import { heatOf } from './build-tool'
import { note } from '../records/note'

export function unitErrorText(error: UnitError): string {
  switch (error.code) {
    case 'BUSY':
      return `${error.serial} stands in the coil. Set it into a cooling body first.`
    case 'UNKNOWN_COIL':
      return `The unit has no coil position ${error.coil}; it has ${error.coils.join(', ')}.`
    case 'ABOVE_LIMIT':
      return `${Math.round(error.targetC)} °C is above what this holder may see (${error.greatestC} °C).`
    case 'STILL_WARM':
      return `${error.serial} is still at ${Math.round(error.noseC)} °C: one heat, then cool fully. Never a second heat on a warm nose.`
    case 'BODY_TAKEN':
      return `${error.serial} cools in body ${error.body}. Take a free one.`
    case 'NOT_IN_COIL':
      return `${error.serial} does not stand in the coil.`
    case 'UNREACHABLE':
      return 'The shrink unit does not answer. Look whether it is switched on and connected.'
  }
}

const refuse = (error: UnitError): { ok: false; error: Refused } => fail({ code: error.code, text: unitErrorText(error) })

/** Starts the one heat of a build. The coil was confirmed before; the heat is counted on the joint at once. */
export async function startHeat(work: Work, unit: ShrinkUnit, serial: string): Promise<Result<null, Refused>> {
  const build = buildOn(work.db, serial)
  const sheet = build && readBuild(work.db, build.job, build.t, serial, work.now)
  const carrier = sheet && carrierOf(sheet.parts)
  if (!build || !sheet || !sheet.checked.shrink || !isShrink(carrier))
    return fail({ code: 'NOT_BEGUN', text: `Nobody shrinks a tool on ${serial} now.` })
  if (!build.done.includes('coil'))
    return fail({ code: 'COIL_NOT_SEEN', text: 'Look at the coil’s position and confirm it before heating.' })
  if (build.done.includes('heat'))
    return fail({ code: 'HEATED', text: 'It had its heat: cool it fully. Never a second heat on a warm nose.' })
  // each joint has its own heat count: with an extension it is the extension's bore that is heated
  const joint = carrier.kind === 'shrink-extension' ? build.extensions[carrier.id] : serial
  if (!joint) return fail({ code: 'NO_EXTENSION', text: `Scan the ${carrier.name} that you take first: its heats are counted.` })
  const item = getHolder(work.db, joint)!
  const [held] = refuseHealth({ ...item, component: carrier.id }, carrier, work.now)
  if (held) return fail({ code: held.code, text: refusalText(held) })
  const asked = await unit.heat({
    serial,
    coil: carrier.coil,
    targetC: sheet.checked.shrink.temperatureC,
    greatestC: carrier.greatestC,
    nose: { boreMm: carrier.DCONWS, noseMm: carrier.BD, heatedMm: carrier.heatedMm },
  })
  if (!asked.ok) return refuse(asked.error)
  inTransaction(work.db, () => {
    countHeat(work.db, joint)
    note(
      work,
      'heated',
      `coil ${carrier.coil}, to ${Math.round(sheet.checked.shrink!.temperatureC)} °C, heat ${item.heats + 1} of the joint in ${joint}`,
      { serial, t: build.t, before: { heats: item.heats }, after: { heats: item.heats + 1 } },
    )
  })
  return ok(null)
}

/** From the coil into a cooling body: heat and cutter are done, and the times of touching and measuring count from here. */
export async function coolDown(work: Work, unit: ShrinkUnit, serial: string, body: number): Promise<Result<null, Refused>> {
  const build = buildOn(work.db, serial)
  const sheet = build && readBuild(work.db, build.job, build.t, serial, work.now)
  const carrier = sheet && carrierOf(sheet.parts)
  if (!build || !sheet?.checked.shrink || !isShrink(carrier))
    return fail({ code: 'NOT_BEGUN', text: `Nobody shrinks a tool on ${serial} now.` })
  const state = await unit.state()
  if (!state.ok) return refuse(state.error)
  const { heating } = state.value
  if (heating?.serial !== serial) return refuse({ code: 'NOT_IN_COIL', serial })
  if (heating.phase === 'heating') return fail({ code: 'STILL_HEATING', text: 'It still heats. The unit stops by itself.' })
  const moved = await unit.cool(serial, body)
  if (!moved.ok) return refuse(moved.error)
  const { tauS } = sheet.checked.shrink
  const until = (toC: number) => coolingTimeS(tauS, heating.noseC, toC, USUAL_PRACTICE.ambientC)
  const heat = heatOf(
    { temperatureC: heating.noseC, tauS, touchS: until(USUAL_PRACTICE.touchC), measureS: until(USUAL_PRACTICE.measureC) },
    carrier.heatedMm,
    work.now,
  )
  const done = [...new Set([...build.done, 'heat', 'cool'])]
  return inTransaction(work.db, () => updateBuild(work.db, build, { done, heat }))
    ? ok(null)
    : fail({ code: 'CHANGED', text: 'Somebody else is at this build. Look again.' })
}

/** Takes a tool out of its cooling body, when the unit's light says so. */
export async function takeOut(unit: ShrinkUnit, serial: string): Promise<Result<null, Refused>> {
  const state = await unit.state()
  if (!state.ok) return refuse(state.error)
  const body = state.value.bodies.find((b) => b.serial === serial)
  if (body?.light === 'hot')
    return fail({ code: 'HOT', text: `The light of body ${body.body} says hot. Wait for it: hot metal looks like cold metal.` })
  const done = await unit.take(serial)
  return done.ok ? done : refuse(done.error)
}
