import { FETCHED, nextState, type Assembly, type Disturbance, type PartFate } from '@/core/tool'
import type { Removal } from '@/core/fits'
import { fail, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { moveAssembly } from '@/db/assembly/write'
import type { Db } from '@/db/connection'
import { voidCurrent } from '@/db/handover/write'
import { getComponent } from '@/db/library/read'
import { countHeat, keepHeat, setFallen } from '@/db/library/write'
import { lastPlaceOf } from '@/db/stock/read'
import { timeText } from '@/words/time'
import { bookInside, moves } from '../store/book'
import type { Refusal } from '../refusals'
import { allOrNothing, need, Rollback, type Work } from '../work'
import { note } from '../records/note'
import { removalOf } from './heat-out'

export interface ApartSheet {
  readonly assembly: Assembly
  readonly parts: readonly {
    readonly component: string
    readonly name: string
    readonly count: number
    readonly place: string | null
    /** A cutter or an insert. */
    readonly cuts: boolean
  }[]
  /** Where it has to be heated to come apart. */
  readonly heat: Removal | null
  /** Worn or broken: its cutter is no stock any more. */
  readonly scrapFirst: boolean
}

/** @param now ISO 8601 */
export function readApart(db: Db, serial: string, now: string): ApartSheet | null {
  const assembly = getAssembly(db, serial)
  if (!assembly) return null
  return {
    assembly,
    parts: assembly.parts
      .filter((p) => FETCHED.includes(p.role))
      .map(({ component, count, role }) => ({
        component,
        cuts: role === 'cutter' || role === 'insert',
        count,
        name: getComponent(db, component)?.name ?? component,
        place: lastPlaceOf(db, component),
      })),
    heat: removalOf(db, assembly, now),
    scrapFirst: assembly.condition !== 'fit',
  }
}

/** Taken apart, hot or cold: its parts go back to their places or are scrapped, the holder is free. */
export function takeApart(
  work: Work,
  given: { readonly serial: string; readonly fates: readonly PartFate[] },
): Result<{ text: string }, Refusal> {
  const sheet = readApart(work.db, given.serial, work.now)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', serial: given.serial })
  const { assembly } = sheet
  const state = nextState(assembly.state, 'take-apart')
  if (!state) return fail({ code: 'IN_A_MACHINE', serial: given.serial, machine: assembly.machine ?? '' })
  if (sheet.heat && !sheet.heat.heated) return fail({ code: 'NEEDS_HEAT' })
  const heated = sheet.heat !== null
  const hotUntil = sheet.heat?.hotUntil ?? null
  for (const part of sheet.parts) {
    const told = given.fates.filter((f) => f.component === part.component).reduce((sum, f) => sum + f.count, 0)
    if (told !== part.count) return fail({ code: 'PART_LEFT', count: part.count, name: part.name, said: told })
  }
  return allOrNothing(work.db, { code: 'CHANGED', what: 'tool', serial: given.serial }, () => {
    if (!moveAssembly(work.db, assembly, { state })) throw new Rollback({ code: 'CHANGED', what: 'tool', serial: given.serial })
    for (const { component, count, to } of given.fates)
      need(
        bookInside(
          work,
          to === 'back'
            ? moves.takeOut(component, count, given.serial, lastPlaceOf(work.db, component))
            : moves.scrap(component, count, 'built', { serial: given.serial }),
        ),
      )
    const voided = voidCurrent(work.db, given.serial, work.now, 'taken apart')
    const seen = given.fates.filter((f) => f.wear).map((f) => `${f.component}: ${f.wear}`)
    note(
      work,
      'taken apart',
      `${heated ? 'heated out' : 'cold'}${seen.length ? `; ${seen.join('; ')}` : ''}${voided ? `; hand-over ${voided} is void` : ''}`,
      {
        serial: given.serial,
        t: assembly.t,
        machine: assembly.machine,
        before: { parts: assembly.parts },
        after: { fates: given.fates },
      },
    )
    return {
      text: hotUntil
        ? `${given.serial} is free once it is cold: not before ${timeText(hotUntil)}, computed`
        : `${given.serial} is free`,
    }
  })
}

/** Something happened to a tool. What changes its edge makes it fit again; a fall is looked at before it is used. */
export function disturb(work: Work, serial: string, what: Disturbance): Result<{ voided: number | null }, Refusal> {
  const assembly = getAssembly(work.db, serial)
  if (!assembly) return fail({ code: 'UNKNOWN_SERIAL', serial })
  const state = nextState(assembly.state, 'disturb')
  if (!state) return fail({ code: 'IN_A_MACHINE', serial, machine: assembly.machine ?? '' })
  const heat = what === 'heated' && assembly.heat ? shifted(assembly.heat, work.now) : undefined
  const renewed = what === 'insert turned' && assembly.condition === 'worn'
  return allOrNothing(work.db, { code: 'CHANGED', what: 'tool', serial }, () => {
    if (!moveAssembly(work.db, assembly, { state, heat, condition: renewed ? 'fit' : undefined }))
      throw new Rollback({ code: 'CHANGED', what: 'tool', serial })
    if (heat) {
      countHeat(work.db, serial)
      keepHeat(work.db, serial, heat)
    }
    if (what === 'dropped') setFallen(work.db, serial, work.now)
    const voided = voidCurrent(work.db, serial, work.now, what)
    note(
      work,
      what,
      `to be measured again${what === 'dropped' ? ', its holder to be inspected' : ''}${voided ? `; hand-over ${voided} is void` : ''}`,
      { serial, t: assembly.t, machine: assembly.machine, before: { state: assembly.state }, after: { state } },
    )
    return { voided }
  })
}

/** Called worn or broken by mistake: it is fit again, with the reason in the record. */
export function correctCondition(work: Work, serial: string, reason: string): Result<null, Refusal> {
  const assembly = getAssembly(work.db, serial)
  if (!assembly) return fail({ code: 'UNKNOWN_SERIAL', serial })
  if (assembly.condition === 'fit') return fail({ code: 'NOT_WORN', serial })
  return allOrNothing(work.db, { code: 'CHANGED', what: 'tool', serial }, () => {
    if (!moveAssembly(work.db, assembly, { state: assembly.state, pocket: assembly.pocket, condition: 'fit' }))
      throw new Rollback({ code: 'CHANGED', what: 'tool', serial })
    note(work, 'condition corrected', `Not ${assembly.condition}: ${reason}`, {
      serial,
      t: assembly.t,
      machine: assembly.machine,
      before: { condition: assembly.condition },
      after: { condition: 'fit' },
    })
    return null
  })
}

/** The same cooling, from now. */
function shifted(heat: NonNullable<Assembly['heat']>, now: string): NonNullable<Assembly['heat']> {
  const by = Date.parse(now) - Date.parse(heat.endedAt)
  const later = (at: string) => new Date(Date.parse(at) + by).toISOString()
  return { ...heat, endedAt: now, touchAt: later(heat.touchAt), measureAt: later(heat.measureAt) }
}
