import { greatestWarmedShare, MATERIALS, removalRiseK, USUAL_PRACTICE, type Material } from '@/core/clamp'
import { carrierOf, isShrink, jointOf, partIn, stackUp, type StackPart } from '@/core/fits'
import { FETCHED, nextState, shankLimits, type Assembly, type Disturbance, type PartFate, type Removal } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { moveAssembly } from '@/db/assembly/write'
import type { Db } from '@/db/connection'
import { voidCurrent } from '@/db/handover/write'
import { getComponent, getDefinition } from '@/db/library/read'
import { countHeat } from '@/db/library/write'
import { lastPlaceOf } from '@/db/stock/read'
import { bookInside, moves } from '../store/book'
import { allOrNothing, need, Rollback, type Refused, type Work } from '../work'
import { note } from '../records/note'

export interface ApartSheet {
  readonly assembly: Assembly
  readonly parts: readonly {
    readonly component: string
    readonly name: string
    readonly count: number
    readonly place: string | null
  }[]
  /** Where it has to be heated to come apart. */
  readonly heat: Removal | null
}

/** How warm the shank gets while the nose is heated for the removal; quick heats keep it low. Common practice, no source. */
const SHANK_WARMED = 0.2

export function stackOf(db: Db, assembly: Pick<Assembly, 'parts'>): StackPart[] {
  return assembly.parts.flatMap(({ component, count }) => {
    const part = getComponent(db, component)
    return part ? [{ component: part, count }] : []
  })
}

export function readApart(db: Db, serial: string): ApartSheet | null {
  const assembly = getAssembly(db, serial)
  if (!assembly) return null
  return {
    assembly,
    parts: assembly.parts
      .filter((p) => FETCHED.includes(p.role))
      .map(({ component, count }) => ({
        component,
        count,
        name: getComponent(db, component)?.name ?? component,
        place: lastPlaceOf(db, component),
      })),
    heat: removalOf(db, assembly),
  }
}

function removalOf(db: Db, assembly: Assembly): Removal | null {
  const parts = stackOf(db, assembly)
  const carrier = carrierOf(parts)
  const cutter = partIn(parts, 'cutter')
  const definition = assembly.definition && getDefinition(db, assembly.definition.id, assembly.definition.version)
  if (!isShrink(carrier) || !cutter || !definition) return null
  const joint = jointOf(carrier, cutter, stackUp(parts, definition.LF.nominal)?.depthMm ?? 0)
  const size = shankLimits(joint.shankMm, joint.shankClass)
  if (!size.ok) return null
  const tight = size.value.max - joint.bore.min
  const sleeve: Material = MATERIALS[joint.holderMaterial]
  const shank: Material = MATERIALS[joint.shankMaterial]
  const { clearanceMm, ambientC } = USUAL_PRACTICE
  return {
    temperatureC: ambientC + removalRiseK(tight, clearanceMm, joint.shankMm, sleeve, shank, SHANK_WARMED),
    greatestC: carrier.greatestC,
    warmedShare: greatestWarmedShare(tight, clearanceMm, joint.shankMm, sleeve, shank, carrier.greatestC - ambientC),
    steelShank: joint.shankMaterial !== 'carbide',
  }
}

/** Taken apart, hot or cold: its parts go back to their places or are scrapped, the holder is free. */
export function takeApart(
  work: Work,
  given: { readonly serial: string; readonly fates: readonly PartFate[]; readonly heated: boolean },
): Result<{ text: string }, Refused> {
  const sheet = readApart(work.db, given.serial)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', text: `No tool stands on holder ${given.serial}.` })
  const { assembly } = sheet
  const state = nextState(assembly.state, 'take-apart')
  if (!state)
    return fail({ code: 'NOT_NOW', text: `${given.serial} stands in ${assembly.machine}: take it out of the machine first.` })
  if (sheet.heat && !given.heated)
    return fail({ code: 'NEEDS_HEAT', text: 'A shrunk cutter comes out hot only. Say that it was heated.' })
  for (const part of sheet.parts) {
    const told = given.fates.filter((f) => f.component === part.component).reduce((sum, f) => sum + f.count, 0)
    if (told !== part.count)
      return fail({
        code: 'PART_LEFT',
        text: `Say what becomes of ${part.count} × ${part.name}: ${told} ${told === 1 ? 'is' : 'are'} told.`,
      })
  }
  return allOrNothing(work.db, 'Somebody was at this tool just now. Look again.', () => {
    if (!moveAssembly(work.db, assembly, { state }))
      throw new Rollback({ code: 'CHANGED', text: `${given.serial} was changed by somebody else meanwhile. Open it again.` })
    for (const { component, count, to } of given.fates)
      need(
        bookInside(
          work,
          to === 'back'
            ? moves.takeOut(component, count, given.serial, lastPlaceOf(work.db, component))
            : moves.scrap(component, count, 'built', { serial: given.serial }),
        ),
      )
    if (given.heated) countHeat(work.db, given.serial)
    const voided = voidCurrent(work.db, given.serial, work.now, 'taken apart')
    const seen = given.fates.filter((f) => f.wear).map((f) => `${f.component}: ${f.wear}`)
    note(
      work,
      'taken apart',
      `${given.heated ? 'heated' : 'cold'}${seen.length ? `; ${seen.join('; ')}` : ''}${voided ? `; hand-over ${voided} is void` : ''}`,
      {
        serial: given.serial,
        t: assembly.t,
        machine: assembly.machine,
        before: { parts: assembly.parts },
        after: { fates: given.fates },
      },
    )
    return { text: `${given.serial} is free` }
  })
}

export function disturb(work: Work, serial: string, what: Disturbance): Result<{ voided: number | null }, Refused> {
  const assembly = getAssembly(work.db, serial)
  if (!assembly) return fail({ code: 'UNKNOWN_SERIAL', text: `No tool stands on holder ${serial}.` })
  const state = nextState(assembly.state, 'disturb')
  if (!state) return fail({ code: 'NOT_NOW', text: `${serial} stands in ${assembly.machine}: take it out of the machine first.` })
  const heat = what === 'heated' && assembly.heat ? shifted(assembly.heat, work.now) : undefined
  return allOrNothing(work.db, 'Somebody was at this tool just now. Look again.', () => {
    if (!moveAssembly(work.db, assembly, { state, heat }))
      throw new Rollback({ code: 'CHANGED', text: `${serial} was changed by somebody else meanwhile. Open it again.` })
    if (heat) countHeat(work.db, serial)
    const voided = voidCurrent(work.db, serial, work.now, what)
    note(work, what, `has to be measured again${voided ? `; hand-over ${voided} is void` : ''}`, {
      serial,
      t: assembly.t,
      machine: assembly.machine,
      before: { state: assembly.state },
      after: { state },
    })
    return { voided }
  })
}

/** The same cooling, from now. */
function shifted(heat: NonNullable<Assembly['heat']>, now: string): NonNullable<Assembly['heat']> {
  const by = Date.parse(now) - Date.parse(heat.endedAt)
  const later = (at: string) => new Date(Date.parse(at) + by).toISOString()
  return { ...heat, endedAt: now, touchAt: later(heat.touchAt), measureAt: later(heat.measureAt) }
}
