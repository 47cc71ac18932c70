import {
  coolingTimeS,
  greatestWarmedShare,
  heatingTimeS,
  removalRiseK,
  shrinkPractice,
  shrinkSetup,
  slidingClearanceMm,
  wallTimeS,
  type CoolingWay,
  type Material,
} from '@/core/clamp'
import {
  carrierOf,
  isShrink,
  jointOf,
  partIn,
  refuseHealth,
  stackUp,
  type Refusal as FitsRefusal,
  type Removal,
} from '@/core/fits'
import { isLead, nextState, shankLimits, type Assembly, type Heat } from '@/core/tool'
import { ok, type Result } from '@/core/units'
import { readCouplings } from '@/db/coupling/read'
import { getAssembly } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { getDefinition, getHolder } from '@/db/library/read'
import { countHeat, keepHeat } from '@/db/library/write'
import type { ShrinkUnit } from '@/devices/shrink/port'
import { practiceOf } from '../practice'
import { refuse, type Refusal } from '../refusals'
import { refuseUnlearned } from '../teaching/conditions'
import type { Work } from '../work'
import { refuser, write, type Noted } from '../write'
import { stackOf } from './stack-of'

/** What it takes to heat a shrunk cutter out; null where it is held otherwise. */
export function removalOf(db: Db, assembly: Assembly, now: string): Removal | null {
  const parts = stackOf(db, assembly)
  const carrier = carrierOf(parts)
  const cutter = partIn(parts, 'cutter')
  const definition = assembly.definition && getDefinition(db, assembly.definition.id, assembly.definition.version)
  if (!isShrink(carrier) || !cutter || !definition) return null
  const practice = shrinkPractice(practiceOf(db))
  const joint = jointOf(carrier, cutter, stackUp(parts, definition.LF.nominal, readCouplings(db), false)?.depthMm ?? 0)
  const size = shankLimits(joint.shankMm, joint.shankClass)
  if (!size.ok) return null
  const tight = size.value.max - joint.bore.min
  const sleeve: Material = practice.materials[joint.holderMaterial]
  const shank: Material = practice.materials[joint.shankMaterial]
  const clearanceMm = slidingClearanceMm(joint.shankMm)
  const { ambientC } = practice
  const warmed = joint.shankMaterial === 'carbide' ? practice.warmedShare.carbide : practice.warmedShare.steel
  const riseK = removalRiseK(tight, clearanceMm, joint.shankMm, sleeve, shank, warmed)
  const setup = shrinkSetup({ ...joint, greatestC: Infinity }, practice, null)
  const nose = {
    d: joint.shankMm,
    D: joint.noseMm + Math.tan(joint.noseHalfAngleRad) * joint.heatedMm,
    heatedMm: joint.heatedMm,
    sleeve,
  }
  // an extension's own joint is the one that is heated
  const serial =
    carrier.kind === 'shrink-extension'
      ? (assembly.parts.find((p) => p.component === carrier.id)?.serial ?? null)
      : assembly.serial
  const piece = serial === null ? null : getHolder(db, serial)
  const against: FitsRefusal[] = piece
    ? refuseHealth({ ...piece, component: carrier.id }, carrier, now).filter((r) => r.code !== 'HOLDER_HOT')
    : []
  const temperatureC = ambientC + riseK
  return {
    joint: serial,
    jointName: carrier.name,
    coil: carrier.coil,
    temperatureC,
    greatestC: carrier.greatestC,
    heatingS: Math.max(heatingTimeS(nose, riseK, practice.powerW, practice.efficiency), wallTimeS(nose)),
    warmedShare: greatestWarmedShare(tight, clearanceMm, joint.shankMm, sleeve, shank, carrier.greatestC - ambientC),
    steelShank: joint.shankMaterial !== 'carbide',
    nose: { boreMm: carrier.DCONWS, noseMm: carrier.BD, heatedMm: carrier.heatedMm },
    taus: setup.ok ? setup.value.taus : null,
    heats: piece?.heats ?? 0,
    hotUntil: piece?.heat && piece.heat.touchAt > now ? piece.heat.touchAt : null,
    heated: piece?.heat?.out === assembly.id,
    leadFor: [
      ...(temperatureC > carrier.greatestC
        ? [{ code: 'SHRINK' as const, error: { code: 'TOO_HOT' as const, neededC: temperatureC, limitC: carrier.greatestC } }]
        : []),
      ...against,
    ],
  }
}

interface Out {
  readonly assembly: Assembly
  readonly removal: Removal & { readonly joint: string; readonly taus: NonNullable<Removal['taus']> }
}

/** Whether this tool may be heated out now, by this person, with this reason. */
function mayHeatOut(work: Work, serial: string, reason: string | null): Result<Out, Refusal> {
  const assembly = getAssembly(work.db, serial)
  if (!assembly) return refuse({ code: 'UNKNOWN_SERIAL', serial })
  const refused = refuser(work, 'Build', { serial, t: assembly.t, machine: assembly.machine })
  const unlearned = refuseUnlearned(work.db, work.person, 'shrink')
  if (unlearned) return refused(unlearned)
  const removal = removalOf(work.db, assembly, work.now)
  if (!removal || !removal.taus) return refused({ code: 'NOT_SHRUNK', serial, now: false })
  if (!nextState(assembly.state, 'take-apart')) return refused({ code: 'IN_A_MACHINE', serial, machine: assembly.machine ?? '' })
  if (removal.joint === null) return refused({ code: 'NO_EXTENSION', name: removal.jointName })
  if (removal.heated) return refused({ code: 'HEATED', out: true })
  if (removal.hotUntil !== null) return refused({ code: 'JOINT_WARM', joint: removal.joint })
  if (removal.leadFor.length && (!isLead(work.person) || (reason ?? '').trim().length < 5))
    return refused({ code: 'HEAT_LIMIT', leadFor: removal.leadFor, reasonMissing: isLead(work.person) })
  return ok({ assembly, removal: { ...removal, joint: removal.joint, taus: removal.taus } })
}

function heatedOut({ assembly, removal }: Out, reason: string | null, byHand: boolean): Noted {
  const { coil, temperatureC, joint, heats, leadFor } = removal
  const approval = reason && leadFor.length ? reason : null
  return {
    entry: { code: 'HEATED_OUT', coil, temperatureC, heat: heats + 1, joint, byHand, approval },
    serial: assembly.serial,
    t: assembly.t,
    before: { heats },
    after: { heats: heats + 1 },
  }
}

/** Starts the one heat that frees the cutter; the coil was confirmed before. */
export async function startHeatOut(
  work: Work,
  unit: ShrinkUnit,
  serial: string,
  reason: string | null,
): Promise<Result<null, Refusal>> {
  const may = mayHeatOut(work, serial, reason)
  if (!may.ok) return may
  const { removal } = may.value
  const asked = await unit.heat({
    serial,
    coil: removal.coil,
    targetC: removal.temperatureC,
    // a lead may go beyond the holder's limit; the unit itself keeps its own
    greatestC: Math.max(removal.greatestC, removal.leadFor.length ? removal.temperatureC : 0),
    nose: removal.nose,
  })
  if (!asked.ok) return refuse({ code: 'SHRINK_UNIT', error: asked.error })
  return write(work, heatedOut(may.value, reason, false), (tx) => {
    countHeat(tx.db, removal.joint)
    return null
  })
}

/** The cutter is out, the empty holder goes into a cooling body; from here it cools. */
export async function coolOut(work: Work, unit: ShrinkUnit, serial: string, body: number): Promise<Result<null, Refusal>> {
  const assembly = getAssembly(work.db, serial)
  const removal = assembly && removalOf(work.db, assembly, work.now)
  if (!assembly || !removal?.joint || !removal.taus) return refuse({ code: 'NOT_SHRUNK', serial, now: true })
  const state = await unit.state()
  if (!state.ok) return refuse({ code: 'SHRINK_UNIT', error: state.error })
  const { heating } = state.value
  if (heating?.serial !== serial) return refuse({ code: 'SHRINK_UNIT', error: { code: 'NOT_IN_COIL', serial } })
  if (heating.phase === 'heating') return refuse({ code: 'STILL_HEATING' })
  const moved = await unit.cool(serial, body)
  if (!moved.ok) return refuse({ code: 'SHRINK_UNIT', error: moved.error })
  const heat = heatFrom(work, heating.noseC, removal.taus.contact, removal.nose.heatedMm)
  const { joint } = removal
  return write(work, null, (tx) => {
    keepHeat(tx.db, joint, { ...heat, out: assembly.id })
    return null
  })
}

/** On a unit without a data line: the operator confirms coil, seconds and cutter, and says how it is cooled. */
export function heatOutByHand(work: Work, serial: string, way: CoolingWay, reason: string | null): Result<null, Refusal> {
  const may = mayHeatOut(work, serial, reason)
  if (!may.ok) return may
  const { assembly, removal } = may.value
  const heat = heatFrom(work, removal.temperatureC, removal.taus[way], removal.nose.heatedMm)
  return write(work, heatedOut(may.value, reason, true), (tx) => {
    countHeat(tx.db, removal.joint)
    keepHeat(tx.db, removal.joint, { ...heat, out: assembly.id })
    return null
  })
}

/** How a nose cools from now on, by the shop's practice. */
export function heatFrom(work: Pick<Work, 'db' | 'now'>, fromC: number, tauS: number, heatedMm: number): Heat {
  const { ambientC, touchC, measureC } = practiceOf(work.db)
  const later = (toC: number) => new Date(Date.parse(work.now) + 1000 * coolingTimeS(tauS, fromC, toC, ambientC)).toISOString()
  return { endedAt: work.now, fromC, ambientC, tauS, heatedMm, touchAt: later(touchC), measureAt: later(measureC) }
}
