import { heavyHere } from '@/codecs/heavy'
import { describe, expect, it } from 'vitest'
import type { Component, Definition } from '@/core/tool'
import { getComponent, getDefinition, getHolder, listComponents, listVersions } from '@/db/library/read'
import { listRecord } from '@/db/record/read'
import { balanceOf } from '@/db/stock/read'
import { getAssembly } from '@/db/assembly/read'
import { listNcPrograms } from '@/db/job/read'
import { readBuild, stepsOf } from '@/stations/build/build-sheet'
import { putSteps } from '@/stations/build/put-steps'
import { readKit } from '@/stations/kit/kit-sheet'
import { readSetup } from '@/stations/kit/setup-sheet'
import { missingFor, readCarts } from '@/stations/kit/carts'
import { addHolder, inspectHolder, replaceStud } from '@/stations/library/holder-care'
import { importLibrary } from '@/stations/library/import-library'
import { definitionFaults, putDefinition } from '@/stations/library/put-definition'
import { putPart } from '@/stations/library/put-part'
import { regrind } from '@/stations/library/regrind'
import { readParts } from '@/stations/library/parts-list'
import { readStock } from '@/stations/library/stock-sheet'
import { readDefinition, readPart } from '@/stations/library/where-used'
import { putIntoPlace } from '@/stations/store/slot'
import { takeInTool } from '@/stations/measure/take-in-tool'
import { codeOf, later, measured, START, toolRoom, valueOf, withJobs, withT4 } from '../support/tool-room'

const collet = {
  kind: 'collet',
  id: 'K25-Q',
  name: 'collet size 25, 4–3',
  colletSystem: 'ISO 15488',
  colletSize: 25,
  DCX: 4,
  OAL: 34,
  WT: 0.07,
}

describe('the list of parts', () => {
  const found = (asked: Parameters<typeof readParts>[1]) => readParts(toolRoom().db, asked)
  it.each([
    ['words in any order', { words: 'Ø10 carbide' }, 'C-EM10R10'],
    ['a number given in part', { words: 'em10r10' }, 'C-EM10R10'],
    ['a role', { role: 'stud' as const, words: 'sk40' }, 'P-SK40-AD'],
  ])('is searched by %s', (_, asked, id) => expect(found(asked).rows.map((r) => r.id)).toContain(id))
  it('finds what lies in a place, and what has a size', () => {
    const { rows } = found({ words: 'elm-3' })
    expect(rows.length).toBeGreaterThan(0)
    for (const row of rows) expect(row.places).toContain('ELM-3')
    for (const row of found({ sizeMm: 10 }).rows) expect(row.size).toBeCloseTo(10, 2)
  })
  it('comes in pages that together are all of it, each part once', () => {
    const db = toolRoom().db
    const all = readParts(db).rows.map((r) => r.id)
    const pages = [0, 1, 2, 3, 4, 5].flatMap((k) => readParts(db, { sort: 'size', from: 25 * k, count: 25 }).rows)
    expect(pages.map((r) => r.id).sort()).toEqual([...all].sort())
    const sizes = pages.flatMap((r) => r.size ?? [])
    expect(sizes).toEqual([...sizes].sort((a, b) => a - b))
    // what has no size comes last
    expect(pages.slice(0, sizes.length).every((r) => r.size !== null)).toBe(true)
  })
  it('tells a new part, and what was taken, at the next look', () => {
    const room = toolRoom()
    expect(readParts(room.db, { words: 'K25-Q' }).found).toBe(0)
    valueOf(putPart(room.as('oda'), collet, 0))
    expect(readParts(room.db, { words: 'K25-Q' }).rows[0]).toMatchObject({ id: 'K25-Q', onHand: null })
  })
})

describe('parts', () => {
  it('are added and changed, both in the record with what they were', () => {
    const room = toolRoom()
    valueOf(putPart(room.as('oda'), collet, 0))
    valueOf(putPart(room.as('oda'), { ...collet, price: 31 }, 1))
    // somebody had it open before that
    expect(codeOf(putPart(room.as('ines'), { ...collet, price: 28 }, 1))).toBe('CHANGED')
    expect(getComponent(room.db, 'K25-Q')).toMatchObject({ price: 31 })
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'part changed', before: collet, after: { price: 31 } })
  })
  it.each([
    ['a number that is taken', collet, 0, 'PART_EXISTS', 'K25-12'],
    ['a part that is not there', collet, 1, 'UNKNOWN_PART', 'K25-Q'],
    [
      'another kind',
      { ...collet, kind: 'nut', TQ: 1, torqueSchool: 'tool maker', lubricated: 'dry', RPMX: 1, DCX: undefined, OAL: undefined },
      1,
      'KIND_STAYS',
      'K25-12',
    ],
    ['a size of zero', { ...collet, DCX: 0 }, 0, 'OUT_OF_RANGE', 'K25-Q'],
    ['a property that it cannot have', { ...collet, TQ: 5 }, 0, 'NOT_OF_THIS_KIND', 'K25-Q'],
  ])('%s is refused', (_, raw, version, code, id) => {
    const room = toolRoom()
    const clean = Object.fromEntries(Object.entries({ ...raw, id }).filter(([, v]) => v !== undefined))
    const before = JSON.stringify(listComponents(room.db))
    expect(codeOf(putPart(room.as('oda'), clean, version))).toBe(code)
    expect(JSON.stringify(listComponents(room.db))).toBe(before)
  })
  it('say what uses and used them, and where they lie', () => {
    const room = withT4(withJobs(toolRoom()))
    const sheet = readPart(room.db, 'C-EM10R10')!
    expect(sheet.definitions.map((d) => d.t)).toEqual([4])
    expect(sheet.tools.map((a) => a.serial)).toEqual(['BX00143'])
    expect(sheet.lying).toEqual([{ component: 'C-EM10R10', place: 'ALDER-3', count: 3 }])
    expect(sheet.balance).toMatchObject({ received: 4, hand: 3, built: 1 })
    expect(readPart(room.db, 'H-HSK63-10')!.pieces.map((h) => h.serial)).toEqual(['BX00143', 'BX00144', 'BX00149'])
    expect(readPart(room.db, 'I-L11-04')!.definitions.map((d) => d.t)).toEqual([10]) // as one that may stand in
    expect(readPart(room.db, 'NOPE')).toBeNull()
  })
  it('below what should be kept are on the low list', () => {
    const low = readStock(toolRoom().db, null).low.map((l) => l.part.id)
    expect(low).toEqual(expect.arrayContaining(['C-EM16R10', 'I-T09-02']))
    expect(low).not.toContain('C-EM10R10')
  })
})

describe('a regrind', () => {
  it('is a part of its own with a new nominal; pieces move from one to the other', () => {
    const room = toolRoom()
    const { id } = valueOf(regrind(room.as('oda'), { id: 'C-EM18R12', DC: 17.6, OAL: 98.5, count: 2, place: null }))
    expect(getComponent(room.db, id)).toMatchObject({ DC: 17.6, OAL: 98.5, LCF: 40.5, reground: { from: 'C-EM18R12', count: 1 } })
    expect([balanceOf(room.db, 'C-EM18R12').hand, balanceOf(room.db, id).hand]).toEqual([1, 2])
    const again = valueOf(regrind(room.as('oda'), { id, DC: 17.2, OAL: 97, count: 1, place: null }))
    expect(getComponent(room.db, again.id)).toMatchObject({ reground: { from: 'C-EM18R12', count: 2 } })
    expect(getComponent(room.db, again.id)!.name).toBe('carbide end mill Ø18 R1.2, reground 2× to Ø17.2')
  })
  it.each([
    ['grown', { DC: 18.1 }, 'GROWN'],
    ['more pieces than there are', { count: 9 }, 'TOO_FEW'],
    ['no cutter', { id: 'K25-12' }, 'NOT_A_CUTTER'],
  ])('%s is refused, and no part is added', (_, change, code) => {
    const room = toolRoom()
    const before = listComponents(room.db).length
    expect(codeOf(regrind(room.as('oda'), { id: 'C-EM18R12', DC: 17.6, OAL: 98.5, count: 1, place: null, ...change }))).toBe(code)
    expect(listComponents(room.db)).toHaveLength(before)
  })
})

describe('a definition', () => {
  const d = (room: ReturnType<typeof toolRoom>, id = 'D-0004') => getDefinition(room.db, id)!
  it('changed is a new version; what was built keeps its own', () => {
    const room = withT4(withJobs(toolRoom()))
    const next = valueOf(putDefinition(room.as('oda'), { ...d(room), lifeMin: 75 }))
    expect(next.version).toBe(2)
    expect(listVersions(room.db, 'D-0004').map((v) => v.lifeMin)).toEqual([75, 60])
    expect(getAssembly(room.db, 'BX00143')!.definition).toEqual({ id: 'D-0004', version: 1 })
    expect(readDefinition(room.db, 'D-0004')!.tools.map((a) => a.serial)).toEqual(['BX00143'])
    expect(readDefinition(room.db, 'D-0004')!.jobs.map((j) => j.id)).toEqual(['HP-2207'])
    expect(readKit(room.db, 'HP-2207', later(60))!.tools[1].standing.type).toBe('in-work')
  })
  it('changed by two at once: the second is told', () => {
    const room = toolRoom()
    const seen = d(room)
    valueOf(putDefinition(room.as('oda'), { ...seen, lifeMin: 75 }))
    expect(codeOf(putDefinition(room.as('ines'), { ...seen, lifeMin: 80 }))).toBe('CHANGED')
    expect(listVersions(room.db, 'D-0004')).toHaveLength(2)
  })
  it.each([
    ['another machine', (x: Definition) => ({ ...x, machines: ['EGRET'] }), 'UNKNOWN_MACHINE'],
    ['a machine of another taper', (x: Definition) => ({ ...x, machines: ['DIPPER'], t: 90 }), 'DOES_NOT_FIT'],
    ['a T that means another tool there', (x: Definition) => ({ ...x, t: 12 }), 'T_TAKEN'],
    [
      'a part that is not there',
      (x: Definition) => ({
        ...x,
        parts: [...x.parts, { role: 'key', component: 'NOPE', alternatives: [], count: 1 }] as Definition['parts'],
      }),
      'DOES_NOT_FIT',
    ],
    [
      'a length that leaves too little in the bore',
      (x: Definition) => ({ ...x, LF: { nominal: 135, lower: -0.1, upper: 0.1 } }),
      'DOES_NOT_FIT',
    ],
    ['more speed than its holder bears', (x: Definition) => ({ ...x, programRpm: 31_000 }), 'DOES_NOT_FIT'],
  ])('%s is refused', (_, change, code) => {
    const room = toolRoom()
    expect(codeOf(putDefinition(room.as('oda'), change(d(room))))).toBe(code)
    expect(listVersions(room.db, 'D-0004')).toHaveLength(1)
  })
  it('of the demo: every one can be built as it stands', () => {
    const room = toolRoom()
    expect(room.definitions.length).toBeGreaterThanOrEqual(20)
    for (const definition of room.definitions)
      expect([definition.id, definitionFaults(room.db, definition)]).toEqual([definition.id, []])
  })
})

describe('an import', () => {
  const part = (id: string): Component => ({ ...collet, id }) as Component
  it('takes in everything, or nothing', () => {
    const room = toolRoom()
    const tool = { ...getDefinition(room.db, 'D-0009')!, id: 'D-NEW', t: 99, version: 7 }
    expect(valueOf(importLibrary(room.as('oda'), { parts: [part('Q1'), part('Q2')], definitions: [tool] }, 'list'))).toEqual({
      parts: 2,
      definitions: 1,
    })
    expect(getDefinition(room.db, 'D-NEW')!.version).toBe(1)
    const before = listComponents(room.db).length
    expect(codeOf(importLibrary(room.as('oda'), { parts: [part('Q3'), part('Q1')], definitions: [] }, 'list'))).toBe(
      'PART_EXISTS',
    )
    expect(codeOf(importLibrary(room.as('oda'), { parts: [part('Q3'), part('Q3')], definitions: [] }, 'list'))).toBe(
      'IMPORT_TWICE',
    )
    const broken = { ...tool, id: 'D-BAD', t: 98, programRpm: 90_000 }
    expect(codeOf(importLibrary(room.as('oda'), { parts: [part('Q3')], definitions: [broken] }, 'list'))).toBe('DOES_NOT_FIT')
    expect(codeOf(importLibrary(room.as('oda'), { parts: [], definitions: [tool] }, 'list'))).toBe('TOOL_EXISTS')
    expect(codeOf(importLibrary(room.as('oda'), { parts: [], definitions: [] }, 'list'))).toBe('IMPORT_EMPTY')
    expect(listComponents(room.db)).toHaveLength(before)
  })
})

describe('holder care', () => {
  it('a holder gets its serial and type; one that came in unknown is completed', () => {
    const room = toolRoom()
    valueOf(addHolder(room.as('oda'), { serial: 'BX00900', component: 'H-SK40-16', place: 'HOLLY-1' }))
    expect(getHolder(room.db, 'BX00900')).toMatchObject({ coupling: 'SK 40', place: 'HOLLY-1', heats: 0, carries: false })
    expect(codeOf(addHolder(room.as('oda'), { serial: 'BX00900', component: 'H-SK40-16', place: null }))).toBe('SERIAL_TAKEN')
    expect(codeOf(addHolder(room.as('oda'), { serial: 'bx 1', component: 'H-SK40-16', place: null }))).toBe('BAD_MARK')
    expect(codeOf(addHolder(room.as('oda'), { serial: 'BX00901', component: 'C-EM10R10', place: null }))).toBe('NOT_A_HOLDER')
    valueOf(takeInTool(room.as('ines'), { serial: 'BX00902', coupling: 'SK 40', name: 'stray', t: null, machine: null }))
    valueOf(addHolder(room.as('oda'), { serial: 'BX00902', component: 'H-SK40-16', place: null }))
    expect(getHolder(room.db, 'BX00902')!.component).toBe('H-SK40-16')
  })
  it('an inspection gives it time, a retired one carries nothing more', () => {
    const room = withT4(withJobs(toolRoom()))
    expect(codeOf(inspectHolder(room.as('oda'), { serial: 'BX00151', until: START, retireReason: null }))).toBe('INSPECTION_PAST')
    valueOf(inspectHolder(room.as('oda'), { serial: 'BX00151', until: later(500_000), retireReason: null }))
    expect(getHolder(room.db, 'BX00151')!.inspectBy).toBe(later(500_000))
    expect(codeOf(inspectHolder(room.as('oda'), { serial: 'BX00144', until: null, retireReason: '' }))).toBe('WHY_RETIRED')
    expect(codeOf(inspectHolder(room.as('oda'), { serial: 'BX00143', until: null, retireReason: 'nose cracked' }))).toBe(
      'HOLDER_CARRIES_TOOL',
    )
    valueOf(inspectHolder(room.as('oda'), { serial: 'BX00144', until: null, retireReason: 'nose cracked' }))
    expect(getHolder(room.db, 'BX00144')!.retired).toBe(true)
    expect(listRecord(room.db, { serial: 'BX00144' })[0]).toMatchObject({ what: 'retired', entry: { reason: 'nose cracked' } })
  })
  it('a pull stud of another taper never goes in; a new one starts its age', () => {
    const room = toolRoom()
    expect(codeOf(replaceStud(room.as('oda'), 'BX00143', 'P-SK40-AD'))).toBe('WRONG_STUD')
    expect(codeOf(replaceStud(room.as('oda'), 'BX00162', 'K25-12'))).toBe('NOT_A_STUD')
    valueOf(replaceStud(room.as('oda', 5), 'BX00162', 'P-SK40-AD'))
    expect(getHolder(room.db, 'BX00162')).toMatchObject({ stud: 'P-SK40-AD', studSince: later(5) })
  })
})

describe('a shop’s own steps', () => {
  const step = { id: 'look', title: 'Look', text: 'Look at {{ cutter }}, out {{ stickOut | length }}.', confirm: 'tick' } as const
  it('are asked for instead of what ships, and can be put back', async () => {
    const room = withJobs(toolRoom())
    valueOf(await putSteps(room.as('oda'), 'shrink', [step], heavyHere))
    expect(readBuild(room.db, 'HP-2207', 4, null, START)!.steps).toEqual([step])
    valueOf(await putSteps(room.as('oda'), 'shrink', null, heavyHere))
    expect(stepsOf(room.db, 'shrink').map((s) => s.id)).toContain('heat')
  })
  it.each([
    ['none', [], 'NO_STEPS'],
    ['two of one name', [step, step], 'STEP_TWICE'],
    ['a figure that no build knows', [{ ...step, text: '{{ weather }}' }], 'BAD_TEMPLATE'],
    ['a text that cannot be read', [{ ...step, text: '{{ cutter' }], 'BAD_TEMPLATE'],
    ['a filter that is not there', [{ ...step, text: '{{ LF | shout }}' }], 'BAD_TEMPLATE'],
  ])('%s: refused', async (_, steps, code) => {
    const room = toolRoom()
    expect(codeOf(await putSteps(room.as('oda'), 'collet', steps, heavyHere))).toBe(code)
    expect(stepsOf(room.db, 'collet').length).toBeGreaterThan(3)
  })
})

describe('sheets for the machine', () => {
  it('the setup sheet says measured values where a tool stands, aimed ones where it does not', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    const lines = readSetup(room.db, 'HP-2207', later(70))!.lines
    expect(lines.map((l) => [l.tool.wanted.t, l.measured, l.serial])).toEqual([
      [12, false, null],
      [4, true, 'BX00143'],
      [44, false, null],
    ])
    expect(lines[0]).toMatchObject({ LF: 152, DC: 18, stickOutMm: 52, holder: 'shrink holder Ø20, HSK-A63' })
    expect(lines[1].LF).toBeCloseTo(118, 2)
    expect(lines[1].LF).not.toBe(118)
    expect(lines[2]).toMatchObject({ holder: '–', LF: null, profile: null })
  })
  it('a cart rolls when every wanted tool stands on it or in the machine', () => {
    const room = measured(withT4(withJobs(toolRoom())))
    const missing = () => missingFor(room.db, 'HP-2207', 'C2', later(70)).map((t) => t.wanted.t)
    expect(missing()).toEqual([12, 4, 44])
    valueOf(putIntoPlace(room.as('ines', 70), 'BX00143', 'C2-3'))
    expect(missing()).toEqual([12, 44])
    expect(readCarts(room.db).find((c) => c.unit.id === 'C2')!.slots[2].tool?.serial).toBe('BX00143')
  })
  it('a program is known by its hash, with every job that ran it', () => {
    const programs = listNcPrograms(withJobs(toolRoom()).db)
    expect(programs.map((p) => [p.name, p.jobs.map((j) => j.id)])).toEqual([
      ['HP1145-10.nc', ['HP-1145']],
      ['HP2207-20.nc', ['HP-2207']],
    ])
  })
})
