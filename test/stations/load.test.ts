import { SPINDLE } from '@/core/tool'
import { describe, expect, it } from 'vitest'
import { encodeLabel } from '@/codecs/label-text'
import { getAssembly } from '@/db/assembly/read'
import { currentHandover } from '@/db/handover/read'
import { listRecord } from '@/db/record/read'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { readLoad } from '@/stations/load/load-sheet'
import { beginLoad, tickStep, turnMagazine, typeFigure, type Reason } from '@/stations/load/begin-load'
import { dropLoad } from '@/stations/load/drop-load'
import { loadTool } from '@/stations/load/load-tool'
import { readLabel } from '@/stations/load/read-label'
import { readPassport } from '@/stations/records/passport'
import {
  UNBALANCED,
  codeOf,
  goodT4,
  lastEntry,
  later,
  loaded,
  measured,
  textOf,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
} from '../support/tool-room'

async function released(
  room = withT4(withJobs(toolRoom())),
): Promise<{ room: ToolRoom; label: string; scans: { machine: string; serial: string; label: string } }> {
  measured(room)
  valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
  const { label } = currentHandover(room.db, 'BX00143')!
  return { room, label, scans: { machine: 'HERON', serial: 'BX00143', label } }
}
const sheetOf = (room: ToolRoom, scans: object) => readLoad(room.db, room.control, scans, later(75))
const states = async (room: ToolRoom, scans: object) => {
  const { scans: lines, findings } = await sheetOf(room, scans)
  return [...lines, ...findings].map((c) => `${c.rule} ${c.state}`)
}
const begin = (room: ToolRoom, scans: object, who = 'ines', reasons: readonly Reason[] = UNBALANCED) =>
  beginLoad(room.as(who, 75), room.control, { ...scans, reasons })
const tool = (room: ToolRoom) => getAssembly(room.db, 'BX00143')!

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
  it('waits for three scans in any order, then every rule holds but what is asked', async () => {
    const { room, scans } = await released()
    expect(await states(room, {})).toEqual(['machine waits', 'holder waits', 'label waits'])
    expect(await states(room, { label: scans.label })).toEqual(['machine waits', 'holder waits', 'label holds'])
    const sheet = await sheetOf(room, scans)
    expect(sheet.scans.every((s) => s.state === 'holds')).toBe(true)
    // not balanced, 16,000 rev/min in the program: asked, not refused (common practice, no source)
    expect(sheet.findings.filter((f) => f.state === 'asks').map((f) => f.rule)).toEqual(['balance'])
    expect(sheet.findings.some((f) => f.state === 'refused')).toBe(false)
    expect(sheet.pocket).toBe(1)
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
    for (const line of wanted) expect(await states(room, all)).toContain(line)
    expect(codeOf(await begin(room, all))).not.toBe('ok')
    expect(room.control.asked).not.toContain('run')
  })
  it('a label of another tool is not this tool’s', async () => {
    const { room, scans } = await released(withT4(withT4(withJobs(toolRoom())), 'BX00144'))
    measured(room, 'BX00144')
    const { scans: lines } = await sheetOf(room, { ...scans, serial: 'BX00144' })
    expect(lines.find((c) => c.rule === 'belongs')?.said).toMatchObject({
      code: 'OTHER_LABEL',
      belongsTo: 'BX00143',
      serial: 'BX00144',
    })
  })
  it('a full magazine', async () => {
    const { room, scans } = await released()
    room.db.prepare("UPDATE machine SET body = json_set(body, '$.pockets', 0) WHERE key = 'HERON'").run()
    expect(await states(room, scans)).toContain('pocket refused')
  })
  it('a machine that asks for no label takes the figures from the record', async () => {
    const { room, scans } = await released()
    room.db
      .prepare("UPDATE machine SET body = json_set(body, '$.limits', json('{\"asksLabel\":false}')) WHERE key = 'HERON'")
      .run()
    const { machine, serial } = scans
    expect(await states(room, { machine, serial })).toContain('label holds')
    measured(room, 'BX00143', goodT4({ z: 117.99 }), 90)
    expect(await states(room, { machine, serial })).toContain('label refused')
  })
  it('only a lead goes on against an old measurement, and says why', async () => {
    const { room, scans } = await released()
    const later20 = room.as('ines', 20 * 24 * 60)
    const old: Reason = { rule: 'measured', reason: 'checked by hand gauge' }
    const ask = (who: string, reasons: readonly Reason[]) =>
      beginLoad({ ...later20, person: room.as(who).person }, room.control, { ...scans, reasons })
    expect(codeOf(await ask('ines', UNBALANCED))).toBe('MEASURED')
    expect(codeOf(await ask('ines', [...UNBALANCED, old]))).toBe('MEASURED')
    expect(codeOf(await ask('oda', [...UNBALANCED, old]))).toBe('ok')
    expect(listRecord(room.db).filter((e) => e.what === 'overruled')).toHaveLength(2)
  })
  it('a program that was changed since netting, a running one, a T that is in already', async () => {
    const { room, scans } = await released()
    room.control.set('HERON', { programs: { 'HP2207-20.nc': '(another)', 'RUN.nc': 'T4 M6' } })
    expect(await states(room, scans)).toContain('program refused')
    room.control.hand('HERON', { do: 'run', program: 'RUN.nc' })
    expect(await states(room, scans)).toContain('register-idle refused')
    room.control.hand('HERON', { do: 'stop' })
    room.control.set('HERON', { pockets: { 9: 4 } })
    expect(await states(room, scans)).toContain('one-t refused')
    room.control.set('HERON', { pockets: {}, programs: {} })
    expect(await states(room, scans)).toContain('program noted')
    room.control.set('HERON', { spindle: 4 })
    expect(await states(room, scans)).toContain('register-idle refused')
  })
})

describe('loading', () => {
  it('claims, turns, waits for door and pocket, writes, reads back, and only then says that it is in', async () => {
    const { room, scans } = await released()
    const { control } = room
    const load = () => loadTool(room.as('tomas', 80), control, 'BX00143')
    expect(codeOf(await load())).toBe('LOAD_NOT_BEGUN')
    valueOf(await begin(room, scans))
    const steps = async () => (await sheetOf(room, { serial: 'BX00143' })).steps.find((s) => s.state === 'now')?.step
    control.set('HERON', { atDoor: 30 })
    expect(await steps()).toBe('pocket')
    expect(codeOf(await load())).toBe('STEP_FIRST')
    valueOf(await turnMagazine(room.as('ines', 76), control, 'BX00143'))
    for (const [step, act] of [
      ['open', 'open'],
      ['in', 'put'],
      ['shut', 'shut'],
    ] as const) {
      expect(await steps()).toBe(step)
      expect(codeOf(await load())).toBe('STEP_FIRST')
      // what a switch watches cannot be said to be done
      expect(codeOf(await tickStep(room.as('ines', 76), control, 'BX00143', step))).toBe('WATCHED')
      control.hand('HERON', { do: act })
    }
    expect(await steps()).toBe('written')
    expect(control.asked).not.toContain('run')
    const done = valueOf(await load())
    expect(done.rows.every((r) => r.same)).toBe(true)
    expect(control.live.HERON['4']).toMatchObject({ length: 118, lengthWear: 0, sizeWear: 0 })
    expect(control.cell('HERON')).toMatchObject({ pockets: { 1: 4 }, stands: [1] })
    expect(tool(room)).toMatchObject({ state: 'loaded', machine: 'HERON', pocket: 1 })
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'loaded', who: 'Tomas Lind', after: { length: 118 } })
    const passport = readPassport(room.db, 'BX00143')!
    expect(passport.record.map((e) => e.what)).toEqual([
      'loaded',
      'refused',
      'refused',
      'refused',
      'refused',
      'load begun',
      'overruled',
      'refused',
      'released',
      'measured',
      'built',
    ])
  })
  it('asks about a register that is not empty, and keeps what it held', async () => {
    const { room, scans } = await released()
    room.control.live.HERON = { '4': { length: 111.1, lengthWear: 0.05 } }
    expect(codeOf(await begin(room, scans))).toBe('REGISTER-EMPTY')
    const reasons: Reason[] = [...UNBALANCED, { rule: 'register-empty', reason: 'left from last week' }]
    valueOf(await begin(room, scans, 'ines', reasons))
    valueOf(await loaded(room, scans, 80))
    expect(listRecord(room.db)[0].before).toMatchObject({ length: 111.1, 'length wear': 0.05 })
    expect(room.control.live.HERON['4'].lengthWear).toBe(0)
  })
  it.each([false, true])(
    'cut at every question (after its work: %s): it can be pressed again, and all three agree',
    async (after) => {
      for (let n = 1; ; n++) {
        const { room, scans } = await released()
        const { control } = room
        valueOf(await begin(room, scans))
        valueOf(await turnMagazine(room.as('ines', 76), control, 'BX00143'))
        control.hand('HERON', { do: 'open' }, { do: 'put' }, { do: 'shut' })
        control.asked.length = 0
        control.cutAt = n
        control.cutAfter = after
        const first = await loadTool(room.as('ines', 80), control, 'BX00143')
        if (first.ok) {
          expect(n).toBe(control.asked.length + 1)
          break
        }
        expect(['UNREACHABLE', 'CONTROL']).toContain(codeOf(first))
        expect(tool(room)).toMatchObject({ state: 'released', pocket: null })
        control.cutAt = 0
        valueOf(await loadTool(room.as('tomas', 81), control, 'BX00143'))
        expect(tool(room)).toMatchObject({ state: 'loaded', pocket: 1 })
        expect(control.live.HERON['4'].length).toBe(118)
        expect(control.cell('HERON').pockets).toEqual({ 1: 4 })
        expect(listRecord(room.db).filter((e) => e.what === 'loaded')).toHaveLength(1)
      }
    },
  )
  it('given up after the figures went: the row is emptied, the list says nothing', async () => {
    const { room, scans } = await released()
    const { control } = room
    valueOf(await begin(room, scans))
    valueOf(await turnMagazine(room.as('ines', 76), control, 'BX00143'))
    control.hand('HERON', { do: 'open' }, { do: 'put' }, { do: 'shut' })
    // cut after the control's list was told
    control.asked.length = 0
    control.cutAt = 7
    control.cutAfter = true
    expect(codeOf(await loadTool(room.as('ines', 80), control, 'BX00143'))).toBe('UNREACHABLE')
    expect(control.asked.at(-1)).toBe('assign')
    valueOf(await dropLoad(room.as('ines', 81), control, 'BX00143', 'wrong cutter in it'))
    expect(control.live.HERON['4']).toMatchObject({ length: 300, size: 60 })
    expect(control.cell('HERON').pockets).toEqual({})
    expect(tool(room).state).toBe('released')
    expect((await sheetOf(room, scans)).run).toBeNull()
  })
  it('a table that reads back otherwise: not in, and the register is named', async () => {
    const { room, scans } = await released()
    room.control.spoil = (row) => ({ ...row, length: 1 })
    const refused = await loaded(room, scans, 80)
    expect(codeOf(refused)).toBe('READ_BACK')
    expect(textOf(refused)).toContain('as length of T4')
    expect(tool(room).state).toBe('released')
    // the register is put right at the control, and it is sent once more
    room.control.spoil = null
    room.control.live.HERON['4'] = { length: 7 }
    expect(codeOf(await loadTool(room.as('ines', 81), room.control, 'BX00143'))).toBe('ok')
  })
  it('a hand-over whose file also writes another tool’s offset is not sent', async () => {
    const { room, scans } = await released()
    room.control.live.HERON = { '31': { length: 101 } }
    // as files were kept before the whole table was looked at
    room.db.exec('DROP TRIGGER handover_frozen')
    room.db.prepare("UPDATE handover SET post_text = post_text || char(10) || 'G10 L10 P31 R2.5'").run()
    expect(codeOf(await loaded(room, scans, 80))).toBe('POST_WRITES_OTHERS')
    expect(room.control.live.HERON).toEqual({ '31': { length: 101 } })
  })
  it('another offset that changes meanwhile is told with its old and new value, left alone, and stops the load once', async () => {
    const { room, scans } = await released()
    room.control.live.HERON = { '31': { length: 101, lengthWear: 0 } }
    room.control.meddle = (table) => ({ ...table, '31': { ...table['31'], lengthWear: -0.02 } })
    const refused = await loaded(room, scans, 80)
    expect(codeOf(refused)).toBe('OTHERS_CHANGED')
    expect(textOf(refused)).toContain('length wear of offset 31 from 0.000 mm to -0.020 mm')
    expect(tool(room).state).toBe('released')
    expect(codeOf(await loadTool(room.as('ines', 81), room.control, 'BX00143'))).toBe('ok')
    expect(room.control.live.HERON['31']).toEqual({ length: 101, lengthWear: -0.02 })
  })
  it('measured anew in between: its hand-over is out of date, nothing is written', async () => {
    const { room, scans } = await released()
    valueOf(await begin(room, scans))
    measured(room, 'BX00143', goodT4({ z: 117.99 }), 78)
    valueOf(await turnMagazine(room.as('ines', 79), room.control, 'BX00143'))
    room.control.hand('HERON', { do: 'open' }, { do: 'put' }, { do: 'shut' })
    expect(codeOf(await loadTool(room.as('ines', 80), room.control, 'BX00143'))).toBe('SCANS')
    expect(room.control.asked).not.toContain('run')
  })
})

describe('two terminals', () => {
  it('the same tool: it is one load, and only one of two presses is the one that puts it in', async () => {
    const { room, scans } = await released()
    const { control } = room
    expect((await Promise.all([begin(room, scans), begin(room, scans, 'tomas')])).map(codeOf).sort()).toEqual(['FIRST', 'ok'])
    expect(codeOf(await begin(room, scans, 'tomas'))).toBe('ok')
    valueOf(await turnMagazine(room.as('ines', 76), control, 'BX00143'))
    control.hand('HERON', { do: 'open' }, { do: 'put' }, { do: 'shut' })
    const results = await Promise.all([
      loadTool(room.as('ines', 80), control, 'BX00143'),
      loadTool(room.as('tomas', 80), control, 'BX00143'),
    ])
    expect(results.map(codeOf).sort()).toEqual(['CHANGED', 'ok'])
    expect(codeOf(await loadTool(room.as('ines', 81), control, 'BX00143'))).toBe('LOAD_NOT_BEGUN')
  })
  it('the same pocket: the second is told who was first', async () => {
    const { room, scans } = await released(withT4(withT4(withJobs(toolRoom())), 'BX00144'))
    measured(room, 'BX00144')
    valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00144', scanned: 'BX00144', t: 5 }))
    const other = { machine: 'HERON', serial: 'BX00144', label: currentHandover(room.db, 'BX00144')!.label, pocket: 7 }
    const why: Reason[] = [...UNBALANCED, { rule: 'wanted', reason: 'trial cut' }]
    const results = await Promise.all([begin(room, { ...scans, pocket: 7 }), begin(room, other, 'tomas', why)])
    expect(results.map(codeOf).sort()).toEqual(['FIRST', 'ok'])
    const second = await begin(room, other, 'tomas', why)
    expect(codeOf(second)).toBe('POCKET')
    // without a wish it is given the next one
    const { pocket: _, ...anywhere } = other
    expect(valueOf(await begin(room, anywhere, 'tomas', why)).pocket).not.toBe(7)
  })
})

describe('by hand', () => {
  it('into the spindle: changer in manual, its own row, the tool that was there accounted for', async () => {
    const { room, scans } = await released()
    const { control } = room
    control.set('HERON', { spindle: 77, inSpindle: true })
    expect(codeOf(await begin(room, { ...scans, pocket: SPINDLE }))).toBe('POCKET')
    control.hand('HERON', { do: 'call back' })
    valueOf(await loaded(room, scans, 80, SPINDLE))
    expect(control.cell('HERON')).toMatchObject({ spindle: 4, inSpindle: true, changer: 'manual' })
    expect(tool(room)).toMatchObject({ state: 'loaded', pocket: SPINDLE })
    expect(lastEntry(room.db)).toContain('changer in manual')
  })
  it('a control that only takes typing: one figure after the other, read back by eye', async () => {
    const { room, scans } = await released()
    // the same tool for a machine of its taper that takes no files
    room.db.prepare("UPDATE machine SET body = json_set(body, '$.figures', 'typed') WHERE key = 'HERON'").run()
    valueOf(await begin(room, scans))
    const work = room.as('ines', 80)
    for (const step of ['pocket', 'open', 'in', 'shut'] as const) {
      expect(codeOf(await loadTool(work, room.control, 'BX00143'))).toBe('STEP_FIRST')
      valueOf(await tickStep(work, room.control, 'BX00143', step))
    }
    expect(codeOf(await loadTool(work, room.control, 'BX00143'))).toBe('NOT_TYPED')
    expect(codeOf(typeFigure(work, 'BX00143', 'length', 119))).toBe('TYPED_WRONG')
    const radius = Math.round(1000 * currentHandover(room.db, 'BX00143')!.values.radiusMm) / 1000
    const figures = { length: 118, 'length wear': 0, radius, 'radius wear': 0 } as const
    for (const [register, value] of Object.entries(figures)) valueOf(typeFigure(work, 'BX00143', register as 'length', value))
    room.control.asked.length = 0
    expect(valueOf(await loadTool(work, room.control, 'BX00143')).rows.every((r) => r.same)).toBe(true)
    expect(room.control.asked).toEqual([])
    expect(tool(room).state).toBe('loaded')
    expect(lastEntry(room.db)).toContain('read back by eye')
  })
})
