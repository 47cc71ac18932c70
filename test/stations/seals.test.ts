/** Rows that nobody changes once they are written: SHA-256 of FIPS 180-4, computed here once more by another way. */
import { createHash } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { inTransaction } from '@/db/connection'
import { headLine, headsOf, holdsHeads, readHeadLine } from '@/db/record/heads'
import { verifyChain } from '@/db/record/read'
import { NOTHING_SEALED, sealUp, verifySeals, walkSeals } from '@/db/record/seal'
import { writeNote } from '@/stations/kit/shift'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

async function room(): Promise<ToolRoom> {
  const r = measured(withT4(withJobs(toolRoom())))
  valueOf(await releaseHandover(r.as('ines', 70), r.control, { serial: 'BX00143', scanned: 'BX00143' }))
  return r
}
/** What the triggers forbid, as somebody with the file and a tool for it could do it. */
function behindItsBack(r: ToolRoom, sql: string): void {
  const triggers = r.db.prepare("SELECT name FROM sqlite_master WHERE type = 'trigger'").pluck().all() as string[]
  r.db.exec(`${triggers.map((name) => `DROP TRIGGER ${name};`).join('')} PRAGMA foreign_keys = OFF; ${sql}`)
}

describe('sealed rows', () => {
  it('are whole, and each hash is that of the row and of the seal before it', async () => {
    const r = await room()
    const seals = r.db.prepare('SELECT tbl, id, hash FROM seal ORDER BY seq').all() as { tbl: string; id: number; hash: string }[]
    expect(new Set(seals.map((s) => s.tbl))).toEqual(new Set(['measurement', 'handover', 'move', 'assembly', 'bench_check']))
    const last = seals.at(-1)!
    const row = r.db
      .prepare(
        'SELECT id, serial, issue, assembly_id, measurement_id, machine_key, frozen, label, post_name, post_file, post_text, post_check, released_at, person_id FROM handover WHERE id = ?',
      )
      .raw()
      .get(last.id) as unknown[]
    const wanted = createHash('sha256')
      .update(`${seals.at(-2)!.hash}\n${JSON.stringify(['handover', ...row])}`)
      .digest('hex')
    expect(last).toMatchObject({ tbl: 'handover', hash: wanted })
    expect(verifySeals(r.db)).toEqual({ whole: true, rows: seals.length, head: wanted })
  })
  it.each([
    ["UPDATE measurement SET body = '{}'", 'a measurement is frozen'],
    ['DELETE FROM measurement', 'a measurement is frozen'],
    ["UPDATE handover SET post_file = 'x'", 'a hand-over is frozen'],
    ["UPDATE handover SET released_at = 'x'", 'a hand-over is frozen'],
    ["UPDATE handover SET person_id = 'oda'", 'a hand-over is frozen'],
    ['DELETE FROM handover', 'a hand-over is frozen'],
    ["UPDATE assembly SET built_at = 'x'", 'what was built is frozen'],
    ['DELETE FROM assembly', 'what was built is frozen'],
    ['UPDATE bench_check SET zero_x = 1', 'a check is frozen'],
    ['UPDATE move SET count = 9', 'only added to'],
    ["UPDATE seal SET hash = ''", 'seals are only added to'],
    ['DELETE FROM seal', 'seals are only added to'],
  ])('cannot be changed by their own database: %s', async (sql, why) => {
    const r = await room()
    expect(() => r.db.exec(sql)).toThrow(why)
  })
  it.each([
    ["UPDATE measurement SET body = json_set(body, '$.summary.LF', 118.5)", 'measurement', 'changed'],
    ["UPDATE handover SET post_text = post_text || ' '", 'handover', 'changed'],
    ['DELETE FROM handover', 'handover', 'missing'],
    ['UPDATE move SET count = count + 1 WHERE id = 3', 'move', 'changed'],
    ["UPDATE assembly SET name = 'another'", 'assembly', 'changed'],
    ['UPDATE bench_check SET drift_z = 0.001', 'bench_check', 'changed'],
    [
      "INSERT INTO measurement (assembly_id, at, person_id, body, evidence) SELECT assembly_id, at, person_id, body, '' FROM measurement",
      'measurement',
      'not sealed',
    ],
    ['DELETE FROM seal WHERE seq = (SELECT max(seq) FROM seal)', 'seal', 'missing'],
    ['DELETE FROM seal WHERE seq = 2', 'seal', 'missing'],
  ])('tell where somebody changed them behind their back: %s', async (sql, table, fault) => {
    const r = await room()
    behindItsBack(r, sql)
    expect(verifySeals(r.db)).toMatchObject({ whole: false, table, fault })
  })
  it('are looked at a few at a time, with the same end', async () => {
    const r = await room()
    let walk = walkSeals(r.db, NOTHING_SEALED, 3)
    while (walk.more) walk = walkSeals(r.db, walk.proven, 3)
    expect(walk.state).toEqual(verifySeals(r.db))
  })
  it('that were written before there were seals get theirs at the start', async () => {
    const r = await room()
    behindItsBack(r, 'DELETE FROM seal; DELETE FROM sqlite_sequence')
    expect(verifySeals(r.db).whole).toBe(false)
    inTransaction(r.db, sealUp)
    expect(verifySeals(r.db).whole).toBe(true)
  })
})

describe('the ends kept outside', () => {
  it('show what was cut off or written anew inside', async () => {
    const r = await room()
    const kept = readHeadLine(headLine('2026-11-25T09:00:00.000Z', headsOf(r.db)).trimEnd())!
    expect(kept).toMatchObject({ at: '2026-11-25T09:00:00.000Z', ...headsOf(r.db) })
    valueOf(writeNote(r.as('ines', 80), 'goes on'))
    expect(holdsHeads(r.db, kept)).toBe(true)
    // a clever cut: the last entry, its hash and the count are taken out
    behindItsBack(
      r,
      "DELETE FROM record_chain WHERE seq > 2; DELETE FROM record WHERE seq > 2; UPDATE sqlite_sequence SET seq = 2 WHERE name = 'record'",
    )
    expect(verifyChain(r.db)).toMatchObject({ whole: true, entries: 2 })
    expect(holdsHeads(r.db, kept)).toBe(false)
  })
  it.each(['', 'x', '2026-11-25T09:00:00.000Z 4 ab', `2026 1 ${'0'.repeat(64)} 1 ${'g'.repeat(64)}`])(
    'a line that is none is none: %j',
    (line) => expect(readHeadLine(line)).toBeNull(),
  )
})
