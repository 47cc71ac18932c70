import { cpSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { ACTION_CARD, encodeBadge, encodeMachineLabel } from '@/codecs/label-text'
import { getSession } from '@/db/session/read'
import { openDatabase } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import { migrate } from '@/db/migrate'
import { schemaVersion } from '@/db/schema/read'
import { typeBalance } from '@/stations/balance/correct'
import { putSession } from '@/stations/session/put-session'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { countWaiting, readRack } from '@/stations/rack/rack'
import { refuser } from '@/stations/write'
import { answerScan } from '@/stations/scan/answer-scan'
import { measured, MIGRATIONS, START, toolRoom, valueOf, withJobs, withT4 } from '../support/tool-room'

describe('a scan from anywhere', () => {
  const room = withT4(withJobs(toolRoom()))
  const ask = (text: string) => answerScan(room.db, text, START)
  it.each([
    [encodeBadge('oda'), { title: 'Oda Brekke', personId: 'oda', tone: 'holds' }],
    [encodeBadge('nobody'), { tone: 'off' }],
    [encodeMachineLabel('HERON'), { title: 'Heron', href: '/load?machine=HERON' }],
    [encodeMachineLabel('EGRET'), { tone: 'off' }],
    ['HP-2207', { href: '/kit/HP-2207' }],
    ['hp-2207', { href: '/kit/HP-2207' }],
    ['BX00143', { href: '/measure/BX00143', tone: 'todo' }],
    ['bx00143', { href: '/measure/BX00143' }],
    ['BX00142', { href: '/build?job=HP-2207&t=12' }],
    ['BX00149', { href: '/tools/BX00149', tone: 'off' }],
    [ACTION_CARD, { tone: 'off' }],
    ['BM1;M=HERON;C=0000', { title: 'Unreadable', tone: 'off' }],
    ['who knows', { tone: 'off' }],
    ['', { tone: 'off' }],
  ])('%s', (text, wanted) => expect(ask(text)).toMatchObject(wanted))
  it('leads a tool on from station to station', async () => {
    measured(room)
    expect(ask('BX00143').href).toBe('/balance/BX00143')
    valueOf(typeBalance(room.as('ines', 65), { serial: 'BX00143', grade: 2, rpm: 16_000, by: 'Larch Balancing' }))
    expect(ask('BX00143').href).toBe('/hand-over/BX00143')
    await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' })
    expect(ask('BX00143').href).toBe('/load?serial=BX00143')
    expect(ask(currentHandover(room.db, 'BX00143')!.label)).toMatchObject({ href: '/tools/BX00143', tone: 'holds' })
    expect(ask(currentHandover(room.db, 'BX00143')!.label.replace('T=4', 'T=5'))).toMatchObject({ tone: 'off' })
  })
  it('always answers with words', () => {
    for (const text of ['BX00148', 'BT1;S=1;C=zzzz', '🔩', 'x'.repeat(4000)]) expect(ask(text).text.length).toBeGreaterThan(5)
  })
})

describe('the rack', () => {
  it('holds what waits at each station, the most urgent first', () => {
    const room = withT4(withJobs(toolRoom()))
    expect(countWaiting(room.db, START)).toEqual({ kit: 2, build: 3, measure: 1, balance: 0, 'hand-over': 0, load: 0 })
    expect(readRack(room.db, 'build', START).items.map((r) => [r.t, r.machine])).toEqual([
      [7, 'Dipper'],
      [18, 'Dipper'],
      [12, 'Heron'],
    ])
    expect(readRack(room.db, 'kit', START, { job: 'HP-2207' }).items.map((r) => r.t)).toEqual([12, 4])
    expect(readRack(room.db, 'measure', START).items[0]).toMatchObject({ key: 'BX00143', href: '/measure/BX00143' })
    measured(room)
    expect(readRack(room.db, 'measure', START).items).toEqual([])
    expect(readRack(room.db, 'balance', START).items[0].profile.highMm).toBeCloseTo(118, 2)
  })
  it('is empty in an empty tool room', () => {
    const room = toolRoom()
    for (const station of ['kit', 'build', 'measure', 'hand-over', 'load'] as const)
      expect(readRack(room.db, station, START).items).toEqual([])
  })
})

describe('the record', () => {
  it('is only added to', () => {
    const room = toolRoom()
    refuser(room.as('ines'), 'Load', { serial: 'BX00143' })({ code: 'NOT_A_LABEL' })
    expect(() => room.db.exec("UPDATE record SET text = 'other'")).toThrow('only added to')
    expect(() => room.db.exec('DELETE FROM record')).toThrow('only added to')
  })
})

describe('sessions', () => {
  it('keep what is set, one thing at a time', () => {
    const { db } = toolRoom()
    putSession(db, 's1', { personId: 'ines' }, START)
    putSession(db, 's1', { unit: 'inch' }, START)
    putSession(db, 's1', { theme: 'basalt' }, START)
    putSession(db, 's1', { shows: { mass: 'lb' } }, START)
    const kept = { unit: 'inch', theme: 'basalt', shows: { mass: 'lb' }, devices: {} }
    expect(getSession(db, 's1')).toEqual({ id: 's1', personId: 'ines', ...kept, actedAt: null })
    expect(getSession(db, 's2')).toBeNull()
  })
})

describe('migrations', () => {
  const copy = () => {
    const folder = mkdtempSync(join(tmpdir(), 'boulder-'))
    cpSync(MIGRATIONS, folder, { recursive: true })
    return folder
  }
  it('are applied once, and later ones are added', () => {
    const folder = copy()
    const db = openDatabase(':memory:')
    const first = migrate(db, folder)
    expect(migrate(db, folder)).toBe(first)
    writeFileSync(join(folder, '0099-later.sql'), 'CREATE TABLE later (a INTEGER) STRICT;')
    expect(migrate(db, folder)).toBe(first + 1)
    expect(schemaVersion(db)).toBe(first + 1)
  })
  it('a changed one, and a program older than its database, are refused', () => {
    const folder = copy()
    const db = openDatabase(':memory:')
    writeFileSync(join(folder, '0099-later.sql'), 'CREATE TABLE later (a INTEGER) STRICT;')
    migrate(db, folder)
    expect(() => migrate(db, MIGRATIONS)).toThrow('newer than this program')
    writeFileSync(join(folder, '0099-later.sql'), 'CREATE TABLE later (b INTEGER) STRICT;')
    expect(() => migrate(db, folder)).toThrow('0099-later.sql')
  })
  it('half of a broken one is not kept', () => {
    const folder = copy()
    writeFileSync(join(folder, '0099-broken.sql'), 'CREATE TABLE half (a INTEGER) STRICT; CREATE NONSENSE;')
    const db = openDatabase(':memory:')
    expect(() => migrate(db, folder)).toThrow()
    expect(db.prepare("SELECT count(*) AS n FROM sqlite_master WHERE name = 'half'").get()).toEqual({ n: 0 })
  })
})
