/** The one door through which verbs write, and what is read again only when something was written. */
import { describe, expect, it } from 'vitest'
import { getHolder, listComponents } from '@/db/library/read'
import { insertHolder, updateHolder } from '@/db/library/write'
import { listRecord } from '@/db/record/read'
import { readNetted } from '@/stations/kit/inventory'
import { addJob } from '@/stations/kit/add-job'
import { putPart } from '@/stations/library/put-part'
import { replaceStud } from '@/stations/library/holder-care'
import { proveOn, walkWhole } from '@/stations/records/proof'
import { must, need, note, refuser, write } from '@/stations/write'
import { fail, ok } from '@/core/units'
import { codeOf, lastEntry, later, toolRoom, valueOf, withJobs } from '../support/tool-room'

const entry = { code: 'HOLDER_ADDED', type: 'shrink holder' } as const
const holder = { serial: 'BX77001', componentId: null, coupling: 'HSK-A63' } as const

describe('writing', () => {
  it('keeps what was done and its entry together, by whoever did it', () => {
    const room = toolRoom()
    const done = write(room.as('tomas', 5), { entry, serial: holder.serial, before: null, after: { a: 1 } }, (tx) => {
      insertHolder(tx.db, holder)
      return 7
    })
    expect(valueOf(done)).toBe(7)
    expect(listRecord(room.db, { serial: holder.serial })).toMatchObject([
      { at: later(5), personId: 'tomas', what: 'holder added', entry, text: '', after: { a: 1 } },
    ])
  })
  it.each([
    ['a step that is refused', () => need(fail({ code: 'NOTE_EMPTY' }))],
    ['something that must be so and is not', () => must(false, { code: 'NOTE_EMPTY' })],
  ])('%s leaves nothing behind, of an outer write either', (_, stop) => {
    const room = toolRoom()
    const count = listRecord(room.db).length
    const work = room.as('ines')
    const done = write(work, { entry }, (tx) => {
      insertHolder(tx.db, holder)
      note(tx, { entry })
      return need(write(tx, { entry }, stop))
    })
    expect(codeOf(done)).toBe('NOTE_EMPTY')
    expect(getHolder(room.db, holder.serial)).toBeNull()
    expect(listRecord(room.db)).toHaveLength(count)
  })
  it('says who was first only where that can happen: else it is a fault of ours', () => {
    const room = toolRoom()
    const twice = (taken?: Parameters<typeof write>[3]) =>
      write(room.as('ines'), null, (tx) => insertHolder(tx.db, { ...holder, serial: 'BX00142' }), taken)
    expect(codeOf(twice({ code: 'SERIAL_TAKEN', serial: 'BX00142' }))).toBe('SERIAL_TAKEN')
    expect(() => twice()).toThrow('UNIQUE')
  })
  it('makes the entry out of what was done, and tells nothing where nothing is to be told', () => {
    const room = toolRoom()
    write(
      room.as('ines'),
      (issue: number) => ({ entry: { code: 'LABEL_PRINTED', issue } }),
      () => 12,
    )
    expect(lastEntry(room.db)).toBe('Label of hand-over 12')
    const count = listRecord(room.db).length
    write(room.as('ines'), null, () => 1)
    expect(listRecord(room.db)).toHaveLength(count)
  })
  it('whoever comes second is told, whatever they change', () => {
    const room = toolRoom()
    const seen = getHolder(room.db, 'BX00145')!
    valueOf(replaceStud(room.as('oda'), 'BX00145', 'P-SK40-AD'))
    const late = write(room.as('ines'), { entry }, (tx) =>
      must(updateHolder(tx.db, seen, { retired: true }), { code: 'CHANGED', what: 'holder', serial: 'BX00145' }),
    )
    expect(codeOf(late)).toBe('CHANGED')
    expect(getHolder(room.db, 'BX00145')).toMatchObject({ retired: false, version: seen.version + 1 })
  })
  it('a refusal is noted with its code and its data', () => {
    const room = toolRoom()
    const refusal = { code: 'NO_HANDOVER', serial: 'BX00143' } as const
    expect(refuser(room.as('ines'), 'Tag', { serial: 'BX00143', t: 4 })(refusal)).toEqual({ ok: false, error: refusal })
    expect(listRecord(room.db)[0]).toMatchObject({
      what: 'refused',
      serial: 'BX00143',
      t: 4,
      entry: { code: 'REFUSED', where: 'Tag', refusal },
      after: { code: 'NO_HANDOVER' },
    })
  })
})

describe('what is kept while it is so', () => {
  it('the netting: the same one while nobody writes, another after a write', () => {
    const room = withJobs(toolRoom())
    const first = readNetted(room.db, later(1))
    expect(readNetted(room.db, later(1))).toBe(first)
    valueOf(
      addJob(room.as('oda', 1), {
        id: 'HP-77',
        name: '',
        machine: 'HERON',
        dueAt: later(300),
        quantity: 1,
        priority: 0,
        programs: [],
        extra: [{ t: 6, name: null, count: 1, minutesEach: null, source: 'by hand' }],
      }),
    )
    expect(readNetted(room.db, later(1)).tools.has('HP-77')).toBe(true)
    expect(first.tools.has('HP-77')).toBe(false)
  })
  it('nothing that was read inside a write which was undone', () => {
    const room = withJobs(toolRoom())
    const before = readNetted(room.db, later(1))
    const undone = write(room.as('oda', 1), null, (tx) => {
      room.db.exec("UPDATE job SET state = 'done' WHERE id = 'HP-2207'")
      expect(readNetted(tx.db, later(1)).tools.has('HP-2207')).toBe(false)
      must(false, { code: 'NOTE_EMPTY' })
    })
    expect(undone.ok).toBe(false)
    expect(readNetted(room.db, later(1)).tools.has('HP-2207')).toBe(true)
    expect(readNetted(room.db, later(1)).jobs).toEqual(before.jobs)
  })
  it('the parts: read again only when one was added or changed', () => {
    const room = toolRoom()
    const first = listComponents(room.db)
    write(room.as('ines'), { entry }, () => null)
    expect(listComponents(room.db)).toBe(first)
    const nut = first.find((c) => c.kind === 'nut')!
    valueOf(putPart(room.as('oda'), { ...nut, note: 'new washer' }, 1))
    expect(listComponents(room.db).find((c) => c.id === nut.id)).toMatchObject({ note: 'new washer' })
  })
})

describe('proving the record', () => {
  const room = () => {
    const r = toolRoom()
    for (let edge = 1; edge <= 25; edge++) write(r.as('ines', edge), { entry: { code: 'WIPED', edge } }, () => null)
    return r
  }
  const spoil = (r: ReturnType<typeof room>, seq: number) =>
    r.db.exec(`DROP TRIGGER record_no_update; UPDATE record SET entry = '{"code":"WIPED","edge":99}' WHERE seq = ${seq}`)

  it('goes on from where it was proven last, a few entries at a time', () => {
    const r = room()
    expect(proveOn(r.db, later(30), 10)).toMatchObject({ state: { whole: true, entries: 10 }, more: true })
    expect(proveOn(r.db, later(30), 10)).toMatchObject({ state: { whole: true, entries: 20 }, more: true })
    expect(proveOn(r.db, later(30), 10)).toMatchObject({ state: { whole: true, entries: 25 }, more: false })
    expect(proveOn(r.db, later(31), 10)).toMatchObject({ state: { whole: true, entries: 25 }, more: false })
  })
  it('finds what was changed after what is proven; the walk over all of it also what was changed before', () => {
    const r = room()
    proveOn(r.db, later(30), 10)
    spoil(r, 17)
    expect(proveOn(r.db, later(31), 100).state).toEqual({ whole: false, seq: 17, fault: 'changed' })
    const old = room()
    proveOn(old.db, later(30), 100)
    spoil(old, 4)
    expect(proveOn(old.db, later(31), 100).state.whole).toBe(true)
    const walk = walkWhole(old.db)
    while (walk.step(2)) expect(walk.found).toBeNull()
    expect(walk.found?.chain).toEqual({ whole: false, seq: 4, fault: 'changed' })
    expect(walk.found?.seals.whole).toBe(true)
  })
  it('a proof is worth nothing when the entry that it rests on has another hash', () => {
    const r = room()
    proveOn(r.db, later(30), 100)
    r.db.exec("UPDATE record_proof SET hash = 'x'")
    expect(proveOn(r.db, later(31), 100).state).toEqual({ whole: false, seq: 25, fault: 'changed' })
  })
  it('is told to the database once a minute at most: every write has the pages made anew', () => {
    const r = room()
    const kept = () => (r.db.prepare('SELECT seq FROM record_proof').get() as { seq: number } | undefined)?.seq ?? 0
    const seen = [30, 30.5, 31].map((minutes) => (proveOn(r.db, later(minutes), 5), kept()))
    expect(seen).toEqual([5, 5, 15])
    // another process goes on from what was kept
    expect(proveOn(r.db, later(31), 5).state).toMatchObject({ whole: true, entries: 20 })
  })
})

it('a result that is good is handed on', () => expect(need(ok(3))).toBe(3))
