import { describe, expect, it } from 'vitest'
import { encodeLabel } from '@/codecs/label-text'
import { getAssembly } from '@/db/assembly/read'
import { currentHandover } from '@/db/handover/read'
import { listRecord } from '@/db/record/read'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { readLoad } from '@/stations/load/load-sheet'
import { loadTool } from '@/stations/load/load-tool'
import { readLabel } from '@/stations/load/read-label'
import { readPassport } from '@/stations/records/passport'
import { codeOf, goodT4, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

async function released(
  room = withT4(withJobs(toolRoom())),
): Promise<{ room: ToolRoom; label: string; scans: { machine: string; serial: string; label: string } }> {
  measured(room)
  valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
  const { label } = currentHandover(room.db, 'BX00143')!
  return { room, label, scans: { machine: 'HERON', serial: 'BX00143', label } }
}
const states = (room: ToolRoom, scans: object) => readLoad(room.db, scans).checks.map((c) => `${c.rule} ${c.state}`)

describe('a label', () => {
  it('is read in the order of the format: what, digits, holder, number, values, age', async () => {
    const { room, label } = await released()
    const values = currentHandover(room.db, 'BX00143')!.values
    const read = (text: string) => codeOf(readLabel(room.db, text))
    expect(read(label)).toBe('ok')
    expect(read('BX00143')).toBe('NOT_A_LABEL')
    expect(read(label.replace('T=4', 'T=5'))).toBe('BAD_CRC')
    expect(read(encodeLabel({ ...values, serial: 'BX77777' }))).toBe('UNKNOWN_SERIAL')
    expect(read(encodeLabel({ ...values, issue: 9 }))).toBe('UNKNOWN_HANDOVER')
    expect(read(encodeLabel({ ...values, lengthMm: values.lengthMm + 0.01 }))).toBe('VALUES_DIFFER')
    expect(read(encodeLabel({ ...values, t: 5 }))).toBe('VALUES_DIFFER')
    measured(room, 'BX00143', goodT4({ z: 117.99 }), 90)
    expect(read(label)).toBe('SUPERSEDED')
    expect(read(encodeLabel({ ...values, lengthMm: 1 }))).toBe('VALUES_DIFFER')
  })
})

describe('the sheet', () => {
  it('waits for three scans in any order, then all holds', async () => {
    const { room, scans } = await released()
    expect(states(room, {})).toEqual(['machine waits', 'holder waits', 'label waits'])
    expect(states(room, { label: scans.label })).toEqual(['machine waits', 'holder waits', 'label holds'])
    expect(readLoad(room.db, scans).checks.every((c) => c.state === 'holds')).toBe(true)
    expect(readLoad(room.db, scans)).toMatchObject({ ready: true, pocket: 1 })
  })
  it.each([
    ['the wrong machine', { machine: 'DIPPER' }, ['right-machine refused', 'taper refused']],
    ['an unknown machine', { machine: 'EGRET' }, ['machine refused']],
    ['a free holder', { serial: 'BX00141' }, ['holder refused']],
    ['a holder that nobody knows', { serial: 'BX77777' }, ['holder refused']],
    ['a damaged label', { label: 'BT1;S=BX00143;I=1;T=4;M=HERON;L=1;U=MM;C=0000' }, ['label refused']],
  ])('%s is refused', async (_, change, wanted) => {
    const { room, scans } = await released()
    const all = { ...scans, ...change }
    for (const line of wanted) expect(states(room, all)).toContain(line)
    expect(readLoad(room.db, all).ready).toBe(false)
    expect(codeOf(await loadTool(room.as('ines', 80), room.control, all))).not.toBe('ok')
    expect(room.control.asked).not.toContain('run')
  })
  it('a label of another tool is not this tool’s', async () => {
    const { room, scans } = await released(withT4(withT4(withJobs(toolRoom())), 'BX00144'))
    measured(room, 'BX00144')
    const all = { ...scans, serial: 'BX00144' }
    expect(readLoad(room.db, all).checks.find((c) => c.rule === 'belongs')?.text).toContain('not this tool’s')
  })
  it('a full magazine', async () => {
    const { room, scans } = await released()
    room.db.prepare("UPDATE machine SET body = json_set(body, '$.pockets', 0) WHERE key = 'HERON'").run()
    expect(states(room, scans)).toContain('pocket refused')
  })
})

describe('loading', () => {
  it('writes, reads back, and only then says that it is in', async () => {
    const { room, scans } = await released()
    const loaded = valueOf(await loadTool(room.as('tomas', 80), room.control, scans))
    expect(room.control.asked.slice(-3)).toEqual(['table', 'run', 'table'])
    expect(loaded.rows.every((r) => r.same)).toBe(true)
    expect(room.control.live.HERON['4']).toMatchObject({ length: 118, lengthWear: 0, sizeWear: 0 })
    expect(getAssembly(room.db, 'BX00143')).toMatchObject({ state: 'loaded', machine: 'HERON', pocket: 1 })
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'loaded', who: 'Tomas Lind', after: { length: 118 } })
    const passport = readPassport(room.db, 'BX00143')!
    expect(passport.record.map((e) => e.what)).toEqual(['loaded', 'released', 'measured', 'built'])
    expect(passport.profile?.highMm).toBeCloseTo(118, 2)
    expect(readPassport(room.db, 'BX77777')).toBeNull()
  })
  it('keeps what the register held before', async () => {
    const { room, scans } = await released()
    room.control.live.HERON = { '4': { length: 111.1, lengthWear: 0.05 } }
    valueOf(await loadTool(room.as('tomas', 80), room.control, scans))
    expect(listRecord(room.db)[0].before).toMatchObject({ length: 111.1, 'length wear': 0.05 })
    expect(room.control.live.HERON['4'].lengthWear).toBe(0)
  })
  it.each([1, 2, 3])('the connection cut at question %d: it is not in, and can be sent again', async (n) => {
    const { room, scans } = await released()
    room.control.cutAt = n
    const refused = await loadTool(room.as('ines', 80), room.control, scans)
    expect(codeOf(refused)).toBe('UNREACHABLE')
    expect(getAssembly(room.db, 'BX00143')!.state).toBe('released')
    expect(listRecord(room.db)[0].what).toBe('refused')
    expect(codeOf(await loadTool(room.as('ines', 81), room.control, scans))).toBe('ok')
    expect(room.control.live.HERON['4'].length).toBe(118)
  })
  it('a table that reads back otherwise: not in, and the register is named', async () => {
    const { room, scans } = await released()
    room.control.spoil = (row) => ({ ...row, length: 1 })
    const refused = await loadTool(room.as('ines', 80), room.control, scans)
    expect(codeOf(refused)).toBe('READ_BACK')
    expect(!refused.ok && refused.error.text).toContain('as length of T4')
    expect(getAssembly(room.db, 'BX00143')!.state).toBe('released')
  })
  it('twice: the second is told', async () => {
    const { room, scans } = await released()
    const results = await Promise.all([
      loadTool(room.as('ines', 80), room.control, scans),
      loadTool(room.as('tomas', 80), room.control, scans),
    ])
    expect(results.map(codeOf).sort()).toEqual(['CHANGED', 'ok'])
    expect(codeOf(await loadTool(room.as('ines', 81), room.control, scans))).toBe('HOLDER')
  })
})
