/** The record as a chain: SHA-256 of FIPS 180-4 as Node's own crypto has it, computed here once more by another way. */
import { createHash } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { listKinds, listRecord, verifyChain } from '@/db/record/read'
import { chainUp } from '@/db/record/chain'
import { inTransaction } from '@/db/connection'
import { write } from '@/stations/write'
import { measured, toolRoom, withJobs, withT4, type ToolRoom } from '../support/tool-room'

const room = () => measured(withT4(withJobs(toolRoom())))
/** Changes what the triggers forbid, as somebody with the file and a tool for it could. */
function behindItsBack(r: ToolRoom, sql: string): void {
  r.db.exec(
    'DROP TRIGGER record_no_update; DROP TRIGGER record_no_delete; DROP TRIGGER record_chain_no_delete; PRAGMA foreign_keys = OFF',
  )
  r.db.exec(sql)
}

describe('the record', () => {
  it('is whole, and its head is the hash of everything', () => {
    const r = room()
    const state = verifyChain(r.db)
    expect(state).toMatchObject({ whole: true, entries: listRecord(r.db).length })
    let hash = '0'.repeat(64)
    for (const e of r.db
      .prepare('SELECT seq, at, person_id, what, serial, t, machine_key, text, before, after, entry FROM record')
      .raw()
      .all())
      hash = createHash('sha256')
        .update(`${hash}\n${JSON.stringify(e)}`)
        .digest('hex')
    expect(state).toMatchObject({ head: hash })
  })
  it('cannot be changed or shortened by its own database', () => {
    const r = room()
    expect(() => r.db.exec("UPDATE record SET text = 'x' WHERE seq = 2")).toThrow(/only added to/)
    expect(() => r.db.exec('DELETE FROM record WHERE seq = 2')).toThrow(/only added to/)
    expect(() => r.db.exec("UPDATE record_chain SET hash = 'x'")).toThrow(/only added to/)
  })
  it.each([
    ["UPDATE record SET text = 'x' WHERE seq = 2", 2, 'changed'],
    ["UPDATE record SET at = '2020-01-01T00:00:00.000Z' WHERE seq = 1", 1, 'changed'],
    ['DELETE FROM record WHERE seq = 2', 2, 'missing'],
    ['DELETE FROM record_chain WHERE seq = 3', 3, 'not chained'],
    [
      'DELETE FROM record_chain WHERE seq = (SELECT max(seq) FROM record); DELETE FROM record WHERE seq = (SELECT max(seq) FROM record)',
      null,
      'missing',
    ],
  ] as const)('tells where somebody changed it behind its back: %s', (sql, seq, fault) => {
    const r = room()
    const last = listRecord(r.db)[0].seq
    behindItsBack(r, sql)
    expect(verifyChain(r.db)).toEqual({ whole: false, seq: seq ?? last, fault })
  })
  it('chains entries that were written before there was a chain', () => {
    const r = room()
    behindItsBack(r, 'DELETE FROM record_chain')
    expect(verifyChain(r.db)).toMatchObject({ whole: false, seq: 1 })
    inTransaction(r.db, chainUp)
    expect(verifyChain(r.db).whole).toBe(true)
  })
  it('is searched by tool, machine, person, time, what and words in one question', () => {
    const r = room()
    const entry = { code: 'LOAD_DROPPED', machine: 'Heron', pocket: 3, reason: '100 % sure', emptied: true } as const
    write(r.as('oda', 24 * 60), { entry, serial: 'BX00143', t: 4, machine: 'HERON' }, () => null)
    const texts = (query: Parameters<typeof listRecord>[1]) => listRecord(r.db, query).map((e) => e.what)
    expect(texts({ t: 4, what: 'load given up' })).toEqual(['load given up'])
    expect(texts({ serial: 'BX00143', personId: 'ines' })).toEqual(['measured', 'built'])
    const { at } = listRecord(r.db, { what: 'load given up' })[0]
    expect(texts({ from: at })).toEqual(['load given up'])
    expect(texts({ before: at, t: 4 })).not.toContain('load given up')
    expect(texts({ words: ['her', '100 %', 'sure'] })).toEqual(['load given up'])
    expect(texts({ words: ['"sure" OR heron', '1%'] })).toEqual([])
    expect(listKinds(r.db)).toEqual(expect.arrayContaining(['built', 'load given up', 'measured']))
  })
})
