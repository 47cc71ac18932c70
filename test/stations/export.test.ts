/** All that a shop has, as plain files: nothing is missing, nothing secret is among it. */
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { exportAll } from '@/runtime/export'
import { hashOf, newToken } from '@/runtime/tokens'
import { makeClient } from '@/stations/people/clients'
import { setPin } from '@/stations/people/put-person'
import { measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

const all = mkdtempSync(join(tmpdir(), 'boulder-export-'))
afterAll(() => rmSync(all, { recursive: true, force: true }))
const to = join(all, 'out')
let room: ToolRoom
let token: string
beforeAll(async () => {
  room = measured(withT4(withJobs(toolRoom())))
  valueOf(
    await setPin(
      room.as('ruth'),
      { hash: (pin) => Promise.resolve(`kept-${pin}`), matches: () => Promise.resolve(false) },
      { personId: 'ines', pin: '7294' },
    ),
  )
  token = valueOf(makeClient(room.as('ruth'), newToken(), { name: 'Office', scopes: ['read'] })).token
  const data = join(all, 'data')
  mkdirSync(join(data, 'drawings'), { recursive: true })
  writeFileSync(join(data, 'drawings', 'a.png'), 'picture')
  await room.db.backup(join(data, 'boulder.sqlite'))
  exportAll(data, to, '2026-11-26T08:00:00.000Z', '0.1.0')
})
const lines = (name: string): Record<string, unknown>[] =>
  readFileSync(join(to, 'tables', `${name}.jsonl`), 'utf8')
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as Record<string, unknown>)
const count = (name: string) => (room.db.prepare(`SELECT count(*) AS n FROM "${name}"`).get() as { n: number }).n

describe('an export', () => {
  it('has a file for every table of a shop, with all of its rows', () => {
    const about = JSON.parse(readFileSync(join(to, 'export.json'), 'utf8')) as { readonly tables: Record<string, number> }
    const files = readdirSync(join(to, 'tables')).map((file) => file.replace('.jsonl', ''))
    expect(files.sort()).toEqual(Object.keys(about.tables).sort())
    expect(files).toEqual(expect.arrayContaining(['assembly', 'handover', 'job', 'measurement', 'person', 'record', 'seal']))
    for (const name of files) expect(lines(name), name).toHaveLength(count(name))
    expect(lines('record').length).toBeGreaterThan(5)
  })
  it('gives what is kept as JSON as JSON', () => {
    expect(lines('machine')[0].body).toMatchObject({ name: expect.any(String) })
    expect(lines('measurement')[0]).toMatchObject({ assembly_id: expect.any(Number) })
  })
  it('tells no PIN, no token, and nothing that a stand-in only knows itself', () => {
    const text = readdirSync(join(to, 'tables'))
      .map((file) => readFileSync(join(to, 'tables', file), 'utf8'))
      .join('')
    expect(text).toContain('Ines Varga')
    for (const secret of ['kept-7294', token, hashOf(token)]) expect(text).not.toContain(secret)
    expect(readdirSync(join(to, 'tables')).filter((file) => /^(sim_|session|sign_in|claim)/.test(file))).toEqual([])
  })
  it('brings pictures along, and writes over nothing', () => {
    expect(existsSync(join(to, 'drawings', 'a.png'))).toBe(true)
    expect(() => exportAll(join(all, 'data'), to, '2026-11-26T08:00:00.000Z', '0.1.0')).toThrow('EEXIST')
  })
})
