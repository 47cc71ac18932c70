import { DONE } from '@/words/answers'
import { FETCHED, nextState, type Assembly, type Disturbance, type PartDisposition } from '@/core/tool'
import type { Removal } from '@/core/fits'
import { fail, ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { moveAssembly } from '@/db/assembly/write'
import { voidBalance } from '@/db/balance/write'
import type { Db } from '@/db/connection'
import { voidCurrent } from '@/db/handover/write'
import { getComponent } from '@/db/library/read'
import { countHeat, keepFall, keepHeat } from '@/db/library/write'
import { lastPlaceOf } from '@/db/stock/read'
import { timeText } from '@/words/time'
import { bookInside, moves } from '../store/book'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, need, write } from '../write'
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
  given: { readonly serial: string; readonly dispositions: readonly PartDisposition[] },
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
    const said = given.dispositions.filter((f) => f.component === part.component).reduce((sum, f) => sum + f.count, 0)
    if (said !== part.count) return fail({ code: 'PART_LEFT', count: part.count, name: part.name, said: said })
  }
  const { serial } = given
  const wear = given.dispositions.flatMap((f) => (f.wear ? [{ part: f.component, seen: f.wear }] : []))
  const changed: Refusal = { code: 'CHANGED', what: 'tool', serial }
  const done = write(
    work,
    (voided: number | null) => ({
      entry: { code: 'TAKEN_APART', heated, wear, voided },
      serial,
      t: assembly.t,
      machine: assembly.machine,
      before: { parts: assembly.parts },
      after: { dispositions: given.dispositions },
    }),
    (tx) => {
      must(moveAssembly(tx.db, assembly, { state }), changed)
      voidBalance(tx.db, assembly.id, tx.now, { code: 'TAKEN_APART' })
      for (const { component, count, to } of given.dispositions)
        need(
          bookInside(
            tx,
            to === 'back'
              ? moves.takeOut(component, count, serial, lastPlaceOf(tx.db, component))
              : moves.scrap(component, count, 'built', { serial }),
          ),
        )
      return voidCurrent(tx.db, serial, tx.now, { code: 'TAKEN_APART' })
    },
  )
  const text = DONE.takenApart(serial, hotUntil ? timeText(hotUntil) : null)
  return done.ok ? ok({ text }) : done
}

/** Something happened to a tool. What changes its edge makes it fit again; a fall is looked at before it is used. */
export function disturb(work: Work, serial: string, what: Disturbance): Result<{ voided: number | null }, Refusal> {
  const assembly = getAssembly(work.db, serial)
  if (!assembly) return fail({ code: 'UNKNOWN_SERIAL', serial })
  const state = nextState(assembly.state, 'disturb')
  if (!state) return fail({ code: 'IN_A_MACHINE', serial, machine: assembly.machine ?? '' })
  const heat = what === 'heated' && assembly.heat ? shifted(assembly.heat, work.now) : undefined
  const renewed = what === 'insert turned' && assembly.condition === 'worn'
  return write(
    work,
    ({ voided }: { readonly voided: number | null }) => ({
      entry: { code: 'DISTURBED', what, voided },
      serial,
      t: assembly.t,
      machine: assembly.machine,
      before: { state: assembly.state },
      after: { state },
    }),
    (tx) => {
      const moved = moveAssembly(tx.db, assembly, { state, heat, condition: renewed ? 'fit' : undefined })
      must(moved, { code: 'CHANGED', what: 'tool', serial })
      if (heat) {
        countHeat(tx.db, serial)
        keepHeat(tx.db, serial, heat)
      }
      if (what === 'dropped') keepFall(tx.db, serial, tx.now)
      voidBalance(tx.db, assembly.id, tx.now, { code: 'DISTURBED', what })
      return { voided: voidCurrent(tx.db, serial, tx.now, { code: 'DISTURBED', what }) }
    },
  )
}

/** Called worn or broken by mistake: it is fit again, with the reason in the record. */
export function correctCondition(work: Work, serial: string, reason: string): Result<null, Refusal> {
  const assembly = getAssembly(work.db, serial)
  if (!assembly) return fail({ code: 'UNKNOWN_SERIAL', serial })
  if (assembly.condition === 'fit') return fail({ code: 'NOT_WORN', serial })
  const noted = {
    entry: { code: 'CONDITION_CORRECTED', was: assembly.condition, reason },
    serial,
    t: assembly.t,
    machine: assembly.machine,
    before: { condition: assembly.condition },
    after: { condition: 'fit' },
  } as const
  return write(work, noted, (tx) => {
    const moved = moveAssembly(tx.db, assembly, { state: assembly.state, pocket: assembly.pocket, condition: 'fit' })
    must(moved, { code: 'CHANGED', what: 'tool', serial })
    return null
  })
}

/** The same cooling, from now. */
function shifted(heat: NonNullable<Assembly['heat']>, now: string): NonNullable<Assembly['heat']> {
  const by = Date.parse(now) - Date.parse(heat.endedAt)
  const later = (at: string) => new Date(Date.parse(at) + by).toISOString()
  return { ...heat, endedAt: now, touchAt: later(heat.touchAt), measureAt: later(heat.measureAt) }
}
