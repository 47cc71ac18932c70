import { valueOf, type Component } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { getComponent } from '@/db/library/read'
import { insertComponent } from '@/db/library/write'
import { lyingOf } from '@/db/stock/read'
import { bookInside, moves } from '../store/book'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, need, write } from '../write'

/** Some pieces come back from the grinder with a new nominal: a part of its own, so that nobody takes one for the other. */
export function regrind(
  work: Work,
  given: {
    readonly id: string
    readonly DC: number
    readonly OAL: number
    readonly count: number
    readonly place: string | null
  },
): Result<{ id: string }, Refusal> {
  const part = getComponent(work.db, given.id)
  if (!part || part.kind !== 'solid-cutter') return fail({ code: 'NOT_A_CUTTER', part: given.id })
  if (given.DC > part.DC || given.OAL > part.OAL) return fail({ code: 'GROWN', DC: part.DC, OAL: part.OAL })
  const off = part.OAL - given.OAL
  const origin = part.reground?.from ?? part.id
  const count = (part.reground?.count ?? 0) + 1
  const id = `${origin}-G${count}-${String(given.DC).replace('.', '')}`
  const ground: Component = {
    ...part,
    id,
    name: `${part.name.replace(/, reground.*$/, '')}, reground ${count}× to Ø${given.DC}`,
    DC: given.DC,
    OAL: given.OAL,
    LCF: Math.max(1, part.LCF - off),
    reground: { from: origin, count },
  }
  const noted = {
    entry: { code: 'REGROUND', count: given.count, part: part.name, DCmm: given.DC, OALmm: given.OAL },
    before: { component: part.id, DC: part.DC },
    after: { component: id, DC: given.DC },
  } as const
  return write(
    work,
    noted,
    (tx) => {
      const known = getComponent(tx.db, id)
      const same = !known || (valueOf(known, 'DC') === given.DC && valueOf(known, 'OAL') === given.OAL)
      must(same, { code: 'OTHER_SIZES', part: id })
      if (!known) insertComponent(tx.db, ground)
      const from = lyingOf(tx.db, part.id)[0]?.place ?? null
      need(bookInside(tx, moves.regrindAway(part.id, given.count, from)))
      need(bookInside(tx, moves.regrindIn(id, given.count, given.place ?? from)))
      return { id }
    },
    { code: 'PART_EXISTS', part: id, name: null, in: 'form' },
  )
}
