import { spawnSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildSync } from 'esbuild'
import { describe, expect, it } from 'vitest'
import { missing, onHand } from '@/core/plan'
import { openDatabase } from '@/db/connection'
import { listRecord } from '@/db/record/read'
import { balanceOf, listLying, listMoves, lyingOf } from '@/db/stock/read'
import { buildTool } from '@/stations/build/build-tool'
import { addJob, closeJob } from '@/stations/kit/add-job'
import { readPick, putBack, shortPick, takePart } from '@/stations/kit/pick'
import { book, countStock, moves, putRight } from '@/stations/store/book'
import { placeUnit, readStore } from '@/stations/store/plan'
import { putIntoPlace } from '@/stations/store/slot'
import { codeOf, later, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

const C = 'C-EM10R10'
const put = (room: ToolRoom) => lyingOf(room.db, C).map((l) => [l.place, l.count])

describe('stock', () => {
  it('is moved, never set: received, taken, put back, built in, scrapped', () => {
    const room = withJobs(toolRoom())
    valueOf(book(room.as('oda'), moves.receive(C, 2, 'ALDER-5')))
    expect(balanceOf(room.db, C)).toMatchObject({ received: 6, hand: 6 })
    valueOf(takePart(room.as('ines'), { job: 'HP-2207', component: C, count: 2, place: 'ALDER-3' }))
    valueOf(putBack(room.as('ines'), { job: 'HP-2207', component: C, count: 1 }))
    valueOf(buildTool(room.as('ines'), 'HP-2207', 4, 'BX00143'))
    valueOf(book(room.as('oda'), moves.scrap(C, 1, 'hand', { fromPlace: 'ALDER-5' })))
    const balance = balanceOf(room.db, C)
    // the build took the fetched piece, not another one out of the drawer
    expect(balance).toEqual({ received: 6, hand: 4, taken: 0, built: 1, scrapped: 1 })
    expect([onHand(balance), missing(balance)]).toEqual([4, 0])
    expect(put(room)).toEqual([
      ['ALDER-3', 3],
      ['ALDER-5', 1],
    ])
  })
  it.each([
    [
      'more than lies there',
      (r: ToolRoom) => takePart(r.as('ines'), { job: 'HP-2207', component: C, count: 5, place: 'ALDER-3' }),
      'TOO_FEW',
    ],
    [
      'from an empty place',
      (r: ToolRoom) => takePart(r.as('ines'), { job: 'HP-2207', component: C, count: 1, place: 'ALDER-5' }),
      'TOO_FEW_THERE',
    ],
    [
      'an unknown part',
      (r: ToolRoom) => takePart(r.as('ines'), { job: 'HP-2207', component: 'X', count: 1, place: null }),
      'UNKNOWN_PART',
    ],
    [
      'for no job',
      (r: ToolRoom) => takePart(r.as('ines'), { job: 'X', component: C, count: 1, place: 'ALDER-3' }),
      'UNKNOWN_JOB',
    ],
    ['to nowhere', (r: ToolRoom) => book(r.as('ines'), moves.receive(C, 1, 'Z9-9')), 'UNKNOWN_PLACE'],
    ['nothing', (r: ToolRoom) => book(r.as('ines'), moves.receive(C, 0, 'ALDER-3')), 'BAD_COUNT'],
    [
      'a count below zero',
      (r: ToolRoom) => countStock(r.as('ines'), { component: C, place: 'ALDER-3', found: -1 }),
      'BAD_STOCK_COUNT',
    ],
  ] as const)('%s: refused, nothing booked', (_, verb, code) => {
    const room = withJobs(toolRoom())
    const before = listMoves(room.db, { limit: 5000 }).length
    expect(codeOf<unknown, { code: string }>(verb(room))).toBe(code)
    expect(listMoves(room.db, { limit: 5000 })).toHaveLength(before)
  })
  it('a count books the difference, whatever it was', () => {
    const room = toolRoom()
    expect(valueOf(countStock(room.as('ines'), { component: C, place: 'ALDER-3', found: 3 })).difference).toBe(-1)
    expect(valueOf(countStock(room.as('ines'), { component: C, place: 'ALDER-6', found: 2 })).difference).toBe(2)
    expect(valueOf(countStock(room.as('ines'), { component: C, place: 'ALDER-6', found: 2 })).difference).toBe(0)
    expect(missing(balanceOf(room.db, C))).toBe(0)
  })
  it('any booking is put right by its own counter-entry, once', () => {
    const room = withJobs(toolRoom())
    const { id } = valueOf(book(room.as('ines'), moves.receive(C, 7, 'ALDER-3')))
    const { id: counter } = valueOf(putRight(room.as('oda'), id))
    expect(balanceOf(room.db, C)).toMatchObject({ received: 4, hand: 4 })
    expect(codeOf(putRight(room.as('oda'), id))).toBe('UNDONE_ALREADY')
    expect(codeOf(putRight(room.as('oda'), counter))).toBe('IS_UNDOING')
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'put right', who: 'Oda Brekke' })
    expect(listMoves(room.db, { component: C })[1]).toMatchObject({ id, counteredBy: counter })
  })
  it('a booking whose pieces are gone cannot be put right, and one of a tool is not', () => {
    const room = withT4(withJobs(toolRoom()))
    const { id } = valueOf(book(room.as('ines'), moves.receive(C, 1, 'ALDER-7')))
    valueOf(takePart(room.as('ines'), { job: 'HP-2207', component: C, count: 1, place: 'ALDER-7' }))
    expect(codeOf(putRight(room.as('oda'), id))).toBe('TOO_FEW_THERE')
    const built = listMoves(room.db, { component: C }).find((m) => m.name === 'built in')!
    expect(codeOf(putRight(room.as('oda'), built.id))).toBe('PART_OF_A_TOOL')
  })
  it('the ledger cannot be changed behind its back', () => {
    const room = toolRoom()
    expect(() => room.db.prepare('UPDATE move SET count = 99').run()).toThrow('only added to')
    expect(() => room.db.prepare('DELETE FROM move').run()).toThrow('only added to')
  })
})

describe('the last collet', () => {
  it('two processes take it at the same moment: one gets it, the other is told', () => {
    const file = join(mkdtempSync(join(tmpdir(), 'boulder-')), 'race.sqlite')
    const script = join('.cache', 'race.mjs')
    buildSync({
      entryPoints: [join(import.meta.dirname, '..', 'support', 'race.ts')],
      bundle: true,
      platform: 'node',
      format: 'esm',
      packages: 'external',
      tsconfig: 'tsconfig.json',
      define: { 'import.meta.dirname': JSON.stringify(join(process.cwd(), 'scripts')) },
      outfile: script,
    })
    const run = (...args: string[]) => spawnSync(process.execPath, [script, file, ...args], { encoding: 'utf8' })
    expect(run('prepare').stderr).toBe('')
    const said = JSON.parse(run('race').stdout) as { code: string; text: string }[][]
    for (const round of said) {
      expect(round.map((r) => r.code).sort()).toEqual(['TOO_FEW', 'ok'])
      expect(round.find((r) => r.code !== 'ok')!.text).toContain('somebody else may have taken the last one')
    }
    const db = openDatabase(file)
    expect(balanceOf(db, 'K25-12')).toMatchObject({ hand: 0, taken: said.length })
    db.close()
  }, 60_000)
})

describe('picking for a job', () => {
  const job = (room: ToolRoom) =>
    valueOf(
      addJob(room.as('oda'), {
        id: 'HP-9',
        name: '',
        machine: 'HERON',
        dueAt: later(300),
        quantity: 1,
        priority: 0,
        programs: [],
        extra: [6, 31].map((t) => ({ t, name: null, count: 1, minutesEach: null, source: 'by hand' as const })),
      }),
    )
  it('lists every part with its place, holders by type, and shortens as it is fetched', () => {
    const room = toolRoom()
    job(room)
    const sheet = () => readPick(room.db, 'HP-9', later(0))!
    const wanted = () => sheet().list.lines.map((l) => [l.component, l.count])
    expect(wanted()).toEqual(
      expect.arrayContaining([
        ['K25-12', 1],
        ['C-DR102', 1],
        ['I-S12-08', 6],
        ['C-SM63', 1],
      ]),
    )
    expect(sheet().holders['H-HSK63-C25']).toContain('BX00154')
    const before = wanted().length
    valueOf(takePart(room.as('ines'), { job: 'HP-9', component: 'I-S12-08', count: 6, place: 'ELM-5' }))
    expect(wanted()).toHaveLength(before - 1)
    expect(sheet().taken).toEqual([{ component: 'I-S12-08', count: 6, bookings: [expect.any(Number)] }])
  })
  it('names complete tools first, with the slot they stand in', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    expect(readPick(room.db, 'HP-2207', later(70))!.complete).toEqual([])
    valueOf(putIntoPlace(room.as('ines', 70), 'BX00143', 'RB-2'))
    expect(readPick(room.db, 'HP-2207', later(70))!.complete).toEqual([{ t: 4, serial: 'BX00143', place: 'RB-2', stale: false }])
  })
  it('a short drawer is counted, and the list goes on with another place or says short', () => {
    const room = toolRoom()
    job(room)
    valueOf(book(room.as('oda'), moves.shift('C-DR102', 1, 'BIRCH-8', 'BIRCH-1')))
    valueOf(shortPick(room.as('ines'), { component: 'C-DR102', place: 'BIRCH-8', found: 0 }))
    const { list } = readPick(room.db, 'HP-9', later(0))!
    expect(list.lines.find((l) => l.component === 'C-DR102')?.place).toBe('BIRCH-1')
    valueOf(shortPick(room.as('ines'), { component: 'C-DR102', place: 'BIRCH-1', found: 0 }))
    // with no drill left the tool cannot be built any more: nothing is fetched for it
    expect(readPick(room.db, 'HP-9', later(0))!.list.lines.map((l) => l.component)).not.toContain('K25-12')
    expect(codeOf(shortPick(room.as('ines'), { component: 'C-DR102', place: 'BIRCH-1', found: 3 }))).toBe('NOT_SHORT')
  })
  it('a cancelled job gives back what was fetched, to where it lay', () => {
    const room = toolRoom()
    job(room)
    const lay = listLying(room.db)
    for (const [component, place] of [
      ['K25-12', 'CEDAR-3'],
      ['C-DR102', 'BIRCH-8'],
    ]) {
      const at = lyingOf(room.db, component)[0].place ?? place
      valueOf(takePart(room.as('ines'), { job: 'HP-9', component, count: 1, place: at }))
    }
    expect(valueOf(closeJob(room.as('oda'), 'HP-9', 'cancelled')).back).toBe(2)
    expect(listLying(room.db)).toEqual(lay)
    expect(codeOf(closeJob(room.as('oda'), 'HP-9', 'done'))).toBe('UNKNOWN_JOB')
  })
})

describe('places', () => {
  it('a tool goes into any free slot of its taper; another taper, a taken slot and a hot tool on a cart are refused', () => {
    const room = withT4(withJobs(toolRoom()))
    const at = (minutes: number) => room.as('ines', minutes)
    expect(codeOf(putIntoPlace(at(0), 'BX00143', 'C2-1'))).toBe('TOOL_HOT')
    expect(codeOf(putIntoPlace(at(60), 'BX00143', 'C1-1'))).toBe('WRONG_SLOT')
    expect(codeOf(putIntoPlace(at(60), 'BX00143', 'Q-1'))).toBe('UNKNOWN_PLACE')
    valueOf(putIntoPlace(at(60), 'BX00143', 'C2-4'))
    valueOf(buildTool(at(60), 'HP-2207', 12, 'BX00142'))
    expect(codeOf(putIntoPlace(at(120), 'BX00142', 'C2-4'))).toBe('SLOT_TAKEN')
    valueOf(putIntoPlace(at(120), 'BX00142', 'c2-5'))
    const content = (id: string) => readStore(room.db, id).places[0].standing.map((s) => s.serial)
    expect([content('C2-4'), content('C2-5'), content('C2-6')]).toEqual([['BX00143'], ['BX00142'], []])
  })
  it('furniture stays on the plan and not on other furniture', () => {
    const room = toolRoom()
    const unit = { id: 'S9', kind: 'cabinet', name: 'Cabinet 9', x: 1, y: 8, w: 4, h: 2 } as const
    expect(codeOf(placeUnit(room.as('oda'), { ...unit, x: 2, y: 1 }, 4, null))).toBe('IN_THE_WAY')
    expect(codeOf(placeUnit(room.as('oda'), { ...unit, x: 25 }, 4, null))).toBe('OFF_THE_PLAN')
    expect(codeOf(placeUnit(room.as('oda'), { ...unit, id: 'no spaces' }, 4, null))).toBe('BAD_UNIT_ID')
    valueOf(placeUnit(room.as('oda'), unit, 4, null))
    valueOf(placeUnit(room.as('oda'), { ...unit, x: 6, y: 8 }, 4, null))
    const sheet = readStore(room.db, 's9')
    expect(sheet.units.find((u) => u.id === 'S9')).toMatchObject({ x: 6 })
    expect(sheet.unit?.id).toBe('S9')
    expect(sheet.places).toHaveLength(4)
    expect(sheet.drawers.S9).toBe(4)
  })
})
