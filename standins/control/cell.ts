/**
 * What stands around a control: a magazine that turns to its loading place, a door, the switches that watch both, a spindle,
 * programs. Hands at the machine are played by `hand`; the rest is what a control lets others ask and do over the network.
 */
import { createHash } from 'node:crypto'
import { z } from 'zod'
import type { Lie } from './lie'
import { Refused, type MachineFacts, type Modal, type Table } from './interpreter'

/** How a machine is made, beside what its control is. */
export interface CellFacts extends MachineFacts {
  readonly pockets: number
  /** An old control takes no files and answers nothing: its figures are typed. */
  readonly takes?: 'files' | 'typing'
  /** Which switches it has; left out: all. */
  readonly switches?: { readonly door: boolean; readonly pot: boolean }
}

export interface Cell {
  readonly table: Table
  /** The control's own list: T number by pocket. */
  readonly pockets: Readonly<Record<string, number>>
  /** Pockets in which something really stands. */
  readonly stands: readonly number[]
  /** T in the spindle by the control's own list. */
  readonly spindle: number | null
  readonly inSpindle: boolean
  readonly door: 'open' | 'shut'
  /** The pocket at the loading place. */
  readonly atDoor: number
  readonly changer: 'automatic' | 'manual'
  readonly running: string | null
  readonly programs: Readonly<Record<string, string>>
  /** Minutes each T has cut since its row was last written as a whole. */
  readonly cutMin: Readonly<Record<string, number>>
  readonly modal: Modal
  /** Faults to switch on: every answer late by so much; the next request cut before or after its work. */
  readonly faults: { readonly slowMs: number; readonly drop: 'before' | 'after' | null }
  /** What it gets wrong while it says that all is well. */
  readonly lie: Lie
  /** The table before the last run, as it ought to be after it, and how often it was looked at since. */
  readonly last: { readonly before: Table; readonly honest: Table; readonly looks: number }
}

export const newCell = (facts: CellFacts): Cell => ({
  table: {},
  pockets: {},
  stands: [],
  spindle: null,
  inSpindle: false,
  door: 'shut',
  atDoor: 1,
  changer: 'automatic',
  running: null,
  programs: {},
  cutMin: {},
  modal: { unit: facts.unit, incremental: false },
  faults: { slowMs: 0, drop: null },
  lie: 'none',
  last: { before: {}, honest: {}, looks: 0 },
})

const without = <T>(record: Readonly<Record<string, T>>, key: number): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([k]) => k !== String(key)))

function pocketOf(facts: CellFacts, pocket: number): number {
  if (!Number.isInteger(pocket) || pocket < 1 || pocket > facts.pockets)
    throw new Refused(null, `${pocket} is no pocket: there are 1 to ${facts.pockets}`)
  return pocket
}

/** Turns the magazine. A control refuses it with the door open, and while a program runs. */
export function turnTo(facts: CellFacts, cell: Cell, pocket: number): Cell {
  if (cell.door === 'open') throw new Refused(null, 'the magazine does not turn: its door is open')
  if (cell.running) throw new Refused(null, `the magazine does not turn: ${cell.running} is running`)
  return { ...cell, atDoor: pocketOf(facts, pocket) }
}

/** Says which T stands in a pocket, or that none does. Pocket 0 is the spindle. */
export function assign(facts: CellFacts, cell: Cell, pocket: number, t: number | null): Cell {
  if (t !== null && (!Number.isInteger(t) || t < 1 || t > facts.highestTool))
    throw new Refused(null, `T${t} is no tool of this control`)
  if (t !== null) {
    const other = Object.entries(cell.pockets).find(([p, has]) => has === t && p !== String(pocket))
    if (other) throw new Refused(null, `T${t} stands in pocket ${other[0]} already`)
    if (pocket !== 0 && cell.spindle === t) throw new Refused(null, `T${t} is in the spindle`)
  }
  if (pocket === 0) return { ...cell, spindle: t }
  const rest = without(cell.pockets, pocketOf(facts, pocket))
  return { ...cell, pockets: t === null ? rest : { ...rest, [pocket]: t } }
}

/** T numbers a program calls, by its words alone. */
const toolsIn = (text: string): number[] => [
  ...new Set([...text.replace(/\([^)]*\)/g, '').matchAll(/T\s*(\d+)/gi)].map(([, t]) => Number(t))),
]

export const Hand = z.discriminatedUnion('do', [
  z.object({
    do: z.enum(['open', 'shut', 'put', 'take', 'spindle put', 'spindle take', 'call back', 'stop', 'manual', 'automatic']),
  }),
  z.object({ do: z.literal('run'), program: z.string() }),
  z.object({ do: z.literal('cut'), t: z.number().int(), minutes: z.number().positive() }),
  z.object({ do: z.literal('type'), t: z.number().int(), register: z.string(), value: z.number() }),
  z.object({ do: z.literal('fill'), pocket: z.number().int(), t: z.number().int(), length: z.number(), size: z.number() }),
  z.object({ do: z.literal('name'), pocket: z.number().int(), t: z.number().int().nullable() }),
])
export type HandAct = z.output<typeof Hand>

/** What somebody standing at the machine does. */
export function hand(facts: CellFacts, cell: Cell, act: HandAct): Cell {
  switch (act.do) {
    case 'open':
    case 'shut':
      if (act.do === 'open' && cell.running) throw new Refused(null, `the door is locked while ${cell.running} runs`)
      return { ...cell, door: act.do === 'open' ? 'open' : 'shut' }
    case 'put':
    case 'take': {
      if (cell.door === 'shut') throw new Refused(null, 'the door is shut')
      const there = cell.stands.includes(cell.atDoor)
      if (act.do === 'put' && there) throw new Refused(null, `something stands in pocket ${cell.atDoor}`)
      if (act.do === 'take' && !there) throw new Refused(null, `nothing stands in pocket ${cell.atDoor}`)
      const rest = cell.stands.filter((p) => p !== cell.atDoor)
      return { ...cell, stands: act.do === 'put' ? [...rest, cell.atDoor].sort((a, b) => a - b) : rest }
    }
    case 'spindle put':
      if (cell.inSpindle) throw new Refused(null, 'something is in the spindle')
      return { ...cell, inSpindle: true }
    case 'spindle take':
      if (!cell.inSpindle) throw new Refused(null, 'nothing is in the spindle')
      return { ...cell, inSpindle: false }
    case 'call back': {
      // the tool in the spindle goes to the first pocket that the control believes free
      if (cell.spindle === null) throw new Refused(null, 'nothing is in the spindle')
      const free = Array.from({ length: facts.pockets }, (_, i) => i + 1).find(
        (p) => !(p in cell.pockets) && !cell.stands.includes(p),
      )
      if (free === undefined) throw new Refused(null, 'no pocket is free')
      return {
        ...cell,
        pockets: { ...cell.pockets, [free]: cell.spindle },
        stands: [...cell.stands, free].sort((a, b) => a - b),
        spindle: null,
        inSpindle: false,
      }
    }
    case 'manual':
    case 'automatic':
      return { ...cell, changer: act.do }
    case 'run':
      if (cell.door === 'open') throw new Refused(null, 'the door is open')
      if (!(act.program in cell.programs)) throw new Refused(null, `there is no program ${act.program}`)
      return { ...cell, running: act.program }
    case 'stop':
      return { ...cell, running: null }
    case 'cut':
      return { ...cell, cutMin: { ...cell.cutMin, [act.t]: (cell.cutMin[String(act.t)] ?? 0) + act.minutes } }
    case 'type':
      return { ...cell, table: { ...cell.table, [act.t]: { ...cell.table[String(act.t)], [act.register]: act.value } } }
    case 'fill': {
      // a tool that has stood there since before anybody kept a record
      const named = assign(facts, cell, act.pocket, act.t)
      const row = { length: act.length, lengthWear: 0, size: act.size, sizeWear: 0 }
      const stands = [...new Set([...cell.stands, act.pocket])].sort((a, b) => a - b)
      return { ...named, stands, table: { ...cell.table, [act.t]: row } }
    }
    case 'name':
      return assign(facts, cell, act.pocket, act.t)
  }
}

/** A program as the control keeps it; its tools are known by its words. */
export const storeProgram = (cell: Cell, name: string, text: string): Cell => ({
  ...cell,
  programs: { ...cell.programs, [name]: text },
})

/** After a whole row was written its minutes count from zero. */
export function keepTable(cell: Cell, { table, modal }: { readonly table: Table; readonly modal: Modal }): Cell {
  const fresh = Object.keys(table).filter((t) => JSON.stringify(table[t]) !== JSON.stringify(cell.table[t]))
  return { ...cell, table, modal, cutMin: fresh.reduce((all, t) => without(all, Number(t)), { ...cell.cutMin }) }
}

/** What the control tells of itself and of its switches; a switch that it has not is null. */
export function report(facts: CellFacts, cell: Cell) {
  const switches = { door: true, pot: true, ...facts.switches }
  return {
    standIn: true,
    door: switches.door ? cell.door : null,
    atDoor: cell.atDoor,
    toolAtDoor: switches.pot ? cell.stands.includes(cell.atDoor) : null,
    spindle: cell.spindle,
    inSpindle: cell.inSpindle,
    changer: cell.changer,
    running: cell.running === null ? null : { program: cell.running, tools: toolsIn(cell.programs[cell.running] ?? '') },
    magazine: cell.pockets,
    programs: Object.entries(cell.programs).map(([name, text]) => ({
      name,
      hash: createHash('sha256').update(text).digest('hex'),
    })),
    cutMin: cell.cutMin,
    modal: [cell.modal.unit === 'inch' ? 'G20' : 'G21', cell.modal.incremental ? 'G91' : 'G90'],
  }
}
