/** What a shop sets up for itself: rows and tables of machines, couplings, masters, adapters, people and holders. */
import { beforeEach, describe, expect, it } from 'vitest'
import { heavyHere } from '@/codecs/heavy'
import { cellsOf, machineRow, type SetUpList } from '@/core/set-up'
import { adapterNow, listAdapters, listMasters } from '@/db/bench/read'
import { readCouplings } from '@/db/coupling/read'
import { getHolder } from '@/db/library/read'
import { getMachine, listMachines } from '@/db/machine/read'
import { listPeople } from '@/db/person/read'
import { addJob } from '@/stations/kit/add-job'
import { changeAdapter } from '@/stations/measure/adapter'
import { takeInTool } from '@/stations/measure/take-in-tool'
import { couplingNames } from '@/stations/set-up/couplings'
import { readRowPage, readRows } from '@/stations/set-up/pages'
import { putRow, retireRow, standardCoupling } from '@/stations/set-up/put-row'
import { previewTable, putTable } from '@/stations/set-up/put-table'
import { loadedT4 } from '../support/loaded-t4'
import { codeOf, lastEntry, later, textOf, toolRoom, valueOf, withJobs, type ToolRoom } from '../support/tool-room'

let room: ToolRoom
beforeEach(() => (room = toolRoom()))

const lead = () => room.as('oda')
const KITE = { key: 'kite', name: 'Kite', coupling: 'CAT 40', unit: 'inch', decimals: '4', sizeRegister: 'diameter' }
const put = (list: SetUpList, typed: Record<string, string>, name: string | null = null, version = 0) =>
  putRow(lead(), { list, name, typed, unit: 'inch', version })
const change = (list: SetUpList, name: string, typed: Record<string, string>) => {
  const row = readRows(room.db, list, 'inch').find((one) => one.name === name)!
  return put(list, { ...row.cells, ...typed }, name, row.version)
}
const retire = (list: SetUpList, name: string, retired = true) => {
  const { version } = readRows(room.db, list, 'mm').find((one) => one.name === name)!
  return retireRow(lead(), { list, name, retired, version })
}
const paste = (list: SetUpList, text: string, who = 'oda') => putTable(room.as(who), heavyHere, { list, text, unit: 'inch' })

describe('a machine', () => {
  it('is entered in the reader’s unit, stands in the lists, and the record tells it', () => {
    expect(valueOf(put('machine', { ...KITE, lengthTo: '12', pitchMm: '3 1/2 in' }))).toEqual({ name: 'KITE' })
    expect(getMachine(room.db, 'KITE')).toMatchObject({
      coupling: 'CAT 40',
      lengthMm: { min: 50, max: expect.closeTo(304.8, 9) },
      magazine: { pitchMm: expect.closeTo(88.9, 9) },
    })
    expect(lastEntry(room.db)).toBe('machine KITE entered')
    expect(couplingNames(room.db).used).toContain('CAT 40')
  })
  it('is not entered twice, nor with a field that is wrong', () => {
    valueOf(put('machine', KITE))
    expect(codeOf(put('machine', { ...KITE, key: 'KITE' }))).toBe('ROW_THERE')
    const wrong = put('machine', { ...KITE, key: 'wren', post: 'by-hand' })
    expect(textOf(wrong)).toBe('post: There is no post of that name.')
    expect(listMachines(room.db).some(({ key }) => key === 'WREN')).toBe(false)
  })
  it('is changed by one at a time, and keeps what its other sheets say', () => {
    const before = getMachine(room.db, 'HERON')!
    valueOf(change('machine', 'HERON', { name: 'Heron 2' }))
    const typed = cellsOf('machine', machineRow(before), 'inch')
    expect(codeOf(put('machine', typed, 'HERON', before.version))).toBe('ROW_CHANGED')
    expect(getMachine(room.db, 'HERON')).toMatchObject({ name: 'Heron 2', table: before.table, limits: before.limits })
  })
  it('with figures that are out its unit, registers and coupling stay; its name may change', async () => {
    room = await loadedT4()
    const changed = change('machine', 'HERON', { unit: 'inch' })
    expect([codeOf(changed), textOf(changed)]).toEqual(['FIGURES_OUT', expect.stringContaining('one tool is in Heron')])
    expect(codeOf(change('machine', 'HERON', { about: 'the old one' }))).toBe('ok')
  })
  it('goes out of use only when nothing rests on it, and comes back', () => {
    room = withJobs(toolRoom())
    valueOf(put('machine', KITE))
    expect(codeOf(retire('machine', 'HERON'))).toBe('MACHINE_IN_USE')
    valueOf(retire('machine', 'KITE'))
    expect(listMachines(room.db).map(({ key }) => key)).not.toContain('KITE')
    const job = {
      id: 'LT-1',
      name: 'LT-1',
      machine: 'KITE',
      dueAt: later(99),
      quantity: 1,
      priority: 0,
      programs: [],
      extra: [],
    }
    expect(codeOf(addJob(lead(), job))).toBe('UNKNOWN_MACHINE')
    expect(readRows(room.db, 'machine', 'mm').find(({ name }) => name === 'KITE')).toMatchObject({ retired: true })
    valueOf(retire('machine', 'KITE', false))
    expect(listMachines(room.db).map(({ key }) => key)).toContain('KITE')
  })
  it('shows what rests on it', () =>
    expect(readRowPage(room.db, 'machine', 'HERON', 'mm')).toMatchObject({
      touches: { loaded: 0, handedOver: 0 },
      row: { name: 'HERON' },
    }))
})

describe('a coupling', () => {
  it('is put right, told as changed, and gets its standard figures again', () => {
    valueOf(change('coupling', 'CAT 40', { flangeHighMm: '1.375' }))
    expect(readCouplings(room.db).get('CAT 40')!.flangeHighMm).toBeCloseTo(34.925, 9)
    const row = readRows(room.db, 'coupling', 'mm').find(({ name }) => name === 'CAT 40')!
    expect(row.origin).toBe('changed')
    valueOf(standardCoupling(lead(), row))
    expect(readCouplings(room.db).get('CAT 40')!.flangeHighMm).toBe(19.05)
  })
  it('of the shop’s own serves for tools, and goes only while nothing has it', () => {
    const own = {
      name: 'Face taper 60',
      form: 'hollow',
      gaugeMm: '1.5 in',
      insideMm: '25 mm',
      flangeMm: '60 mm',
      flangeHighMm: '20 mm',
    }
    expect(codeOf(takeInTool(lead(), { serial: 'FT-001', coupling: 'Face taper 60', name: 'drill', t: 1, machine: null }))).toBe(
      'UNKNOWN_TAPER',
    )
    valueOf(put('coupling', own))
    valueOf(takeInTool(lead(), { serial: 'FT-001', coupling: 'Face taper 60', name: 'drill', t: 1, machine: null }))
    const row = readRows(room.db, 'coupling', 'mm').find(({ name }) => name === 'Face taper 60')!
    expect(codeOf(standardCoupling(lead(), row))).toBe('COUPLING_IN_USE')
  })
})

describe('masters and adapters', () => {
  const MASTER = {
    mark: 'ms-cat40-1',
    name: 'Master CAT 40',
    coupling: 'CAT 40',
    LFmm: '6',
    DCmm: '1.5',
    sigmaMm: '0.0005 mm',
    calibratedUntil: '2028-01-31',
  }
  it('a master is entered with its certificate; another certificate may not be another master’s', () => {
    valueOf(put('master', MASTER))
    expect(listMasters(room.db).find(({ mark }) => mark === 'MS-CAT40-1')).toMatchObject({ LFmm: expect.closeTo(152.4, 9) })
    expect(codeOf(change('master', 'MS-CAT40-1', { LFmm: '6.1' }))).toBe('OTHER_CERTIFICATE')
    expect(codeOf(change('master', 'MS-CAT40-1', { coupling: 'SK 40' }))).toBe('COUPLING_STAYS')
    valueOf(change('master', 'MS-CAT40-1', { LFmm: '6.0001' }))
    valueOf(retire('master', 'MS-CAT40-1'))
    expect(listMasters(room.db).some(({ mark }) => mark === 'MS-CAT40-1')).toBe(false)
  })
  it('an adapter that is on the spindle stays in use', () => {
    const on = adapterNow(room.db)!.serial
    expect(codeOf(retire('adapter', on))).toBe('ADAPTER_ON_SPINDLE')
    valueOf(put('adapter', { serial: 'AD-CAT40-1', coupling: 'CAT 40' }))
    valueOf(changeAdapter(lead(), 'AD-CAT40-1'))
    valueOf(retire('adapter', on))
    expect(listAdapters(room.db).map(({ serial }) => serial)).not.toContain(on)
    expect(codeOf(changeAdapter(lead(), on))).toBe('UNKNOWN_ADAPTER')
  })
})

describe('from a spreadsheet', () => {
  it('machines come as pasted, with tabs, and every one is there', async () => {
    const text =
      'short name\tname\tcoupling\tcontrol in\tlongest tool (in)\nKITE\tKite\tCAT 40\tinch\t12\nWREN\tWren\tBT 30\tmm\t8\n'
    expect(valueOf(await paste('machine', text))).toEqual({ rows: 2 })
    expect(getMachine(room.db, 'WREN')).toMatchObject({ lengthMm: { max: expect.closeTo(203.2, 9) }, unit: 'mm' })
  })
  it('a fault is shown by its line and column; nothing is taken in', async () => {
    const text = 'short name,name,coupling\nKITE,Kite,CAT 40\nWREN,Wren,BT 31\n'
    const seen = valueOf(await previewTable(room.db, lead().person, heavyHere, { list: 'machine', text, unit: 'mm' }))
    expect(seen).toMatchObject({ rows: 2, faults: [{ line: 3, column: 'coupling', fault: { code: 'NOT_THERE' } }] })
    const done = await paste('machine', text)
    expect(textOf(done)).toMatch(/^Line 3, coupling: There is no coupling of that name/)
    expect(getMachine(room.db, 'KITE')).toBeNull()
  })
  it('people are an administrator’s to take in', async () => {
    const text = 'short name;name;role\nada;Ada Roth;lead\n'
    expect(codeOf(await paste('person', text))).toBe('ADMINISTRATOR_ONLY')
    valueOf(await paste('person', text, 'ruth'))
    expect(listPeople(room.db)).toContainEqual({ id: 'ada', name: 'Ada Roth', role: 'lead' })
  })
  it('holders come with their type and their place, each mark once', async () => {
    const type = getHolder(room.db, 'BX00142')!.component
    const text = `mark on it,part number\nbx90001,${type}\nBX90002,${type}\n`
    expect(valueOf(await paste('holder', text))).toEqual({ rows: 2 })
    expect(getHolder(room.db, 'BX90001')).toMatchObject({ component: type, coupling: getHolder(room.db, 'BX00142')!.coupling })
    expect(textOf(await paste('holder', text))).toContain('This holder is there already.')
  })
  it('what is no table is told as such', async () => expect(codeOf(await paste('machine', 'name'))).toBe('BAD_FILE'))
})
