/** A tool room in memory for the station tests: the demo's library and machines, a control that can misbehave, pictures by the test renderer. */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { encodeFrameSet } from '@/codecs/frame-set'
import type { HeldRow } from '@/core/handover'
import type { MachineState } from '@/core/load'
import type { Picture } from '@/core/sets'
import type { Definition } from '@/core/tool'
import { fail, ok, type Result, SI } from '@/core/units'
import { insertAdapter, insertCheck } from '@/db/bench/write'
import { inTransaction, openDatabase, type Db } from '@/db/connection'
import { migrate } from '@/db/migrate'
import { listRecord } from '@/db/record/read'
import type { Control, ControlError, ControlTable } from '@/devices/control/port'
import { addJob } from '@/stations/kit/add-job'
import { buildTool } from '@/stations/build/build-tool'
import type { Saved } from '@/stations/measure/contract'
import type { EvidenceStore } from '@/stations/measure/evidence-store'
import { finishSave, maySave, type Save } from '@/stations/measure/save-measurement'
import { measureFramesHere } from '@/workers/server/measure-frames'
import type { Work } from '@/stations/work'
import { assign, hand, newCell, report, turnTo, type Cell, type CellFacts, type HandAct } from '../../standins/control/cell'
import { Refused, runOffsets, type Table } from '../../standins/control/interpreter'
import { fillLibrary, seedProgram } from '../../scripts/fill-library'
import { loadByHand } from '../../scripts/load-by-hand'
import { cornerTool, render, type Tool } from './render'
import { outerCode, type Refusal } from '@/stations/refusals'
import { recordText } from '@/words/record'
import { refusalText } from '@/words/refusals'

const root = join(import.meta.dirname, '..', '..')
const read = <T>(file: string): T => JSON.parse(readFileSync(join(root, file), 'utf8')) as T

export const MIGRATIONS = join(root, 'src/db/migrations')
export const START = '2026-11-25T08:00:00.000Z'
export const later = (minutes: number): string => new Date(Date.parse(START) + 60_000 * minutes).toISOString()
export const program = seedProgram

export type Step = 'table' | 'tryFile' | 'run' | 'state' | 'turnTo' | 'assign'

/** A control whose connection can be cut, and which can be told to keep other figures than it was given. */
export class TestControl implements Control {
  readonly asked: Step[] = []
  /** The n-th question from now on is not answered (1 is the next). */
  cutAt = 0
  /** Whether the control had done what it was asked when the connection broke. */
  cutAfter = false
  /** Changes what is held after a run, as a fault of the control would. */
  spoil: ((row: HeldRow) => HeldRow) | null = null
  /** The same on the scratch table only. */
  spoilScratch: ((row: HeldRow) => HeldRow) | null = null
  /** Somebody changes the live table while a file runs. */
  meddle: ((table: Table) => Table) | null = null
  /** Rows by machine and T. */
  readonly live: Record<string, Table> = {}

  private readonly cells: Record<string, Cell> = {}
  readonly facts = read<Record<string, CellFacts>>('standins/control/machines.json')

  /** The machine around the table, for hands and for looking. */
  cell(machine: string): Cell {
    return { ...(this.cells[machine] ?? newCell(this.facts[machine])), table: this.live[machine] ?? {} }
  }
  set(machine: string, change: Partial<Cell>): void {
    this.cells[machine] = { ...this.cell(machine), ...change }
  }
  /** Somebody at the machine. */
  hand(machine: string, ...acts: HandAct[]): void {
    for (const act of acts) this.cells[machine] = hand(this.facts[machine], this.cell(machine), act)
  }

  table = async (machine: string) => this.ask('table', () => this.held(machine, this.live[machine] ?? {}))
  tryFile = async (machine: string, text: string) =>
    this.ask('tryFile', () => this.held(machine, runOffsets(this.facts[machine], {}, text), this.spoilScratch))
  run = async (machine: string, text: string) =>
    this.ask('run', () =>
      this.held(
        machine,
        (this.live[machine] = (this.meddle ?? ((t: Table) => t))(
          runOffsets(this.facts[machine], this.live[machine] ?? {}, text),
        )),
      ),
    )
  state = async (machine: string) => this.ask('state', () => this.stateOf(machine))
  turnTo = async (machine: string, pocket: number) =>
    this.ask('turnTo', () => {
      this.cells[machine] = turnTo(this.facts[machine], this.cell(machine), pocket)
      return this.stateOf(machine)
    })
  assign = async (machine: string, pocket: number, t: number | null) =>
    this.ask('assign', () => {
      this.cells[machine] = assign(this.facts[machine], this.cell(machine), pocket, t)
      return this.stateOf(machine)
    })

  private stateOf(machine: string): MachineState {
    const { magazine, cutMin, ...rest } = report(this.facts[machine], this.cell(machine))
    const numbers = (record: Readonly<Record<string, number>>) => new Map(Object.entries(record).map(([k, v]) => [Number(k), v]))
    return { ...rest, listed: true, magazine: numbers(magazine), cutMin: numbers(cutMin) }
  }
  private held(machine: string, table: Table, spoil = this.spoil): ControlTable {
    const { sizeIs } = this.facts[machine]
    const rows = Object.entries(table).map(([t, row]) => {
      const kept: HeldRow = {
        length: row.length,
        'length wear': row.lengthWear,
        [sizeIs]: row.size,
        [`${sizeIs} wear`]: row.sizeWear,
      }
      const known: HeldRow = Object.fromEntries(Object.entries(kept).filter(([, value]) => value !== undefined))
      return [Number(t), spoil ? spoil(known) : known] as const
    })
    return new Map(rows)
  }
  private ask<T>(step: Step, work: () => T): Result<T, ControlError> {
    this.asked.push(step)
    const cut = this.cutAt > 0 && --this.cutAt === 0
    const broken = fail({ code: 'UNREACHABLE', detail: 'cut' } as const)
    if (cut && !this.cutAfter) return broken
    try {
      const done = work()
      return cut ? broken : ok(done)
    } catch (error) {
      if (error instanceof Refused) return fail({ code: 'REFUSED', line: error.line, detail: error.message })
      throw error
    }
  }
}

export interface ToolRoom {
  readonly db: Db
  readonly control: TestControl
  readonly evidence: {
    put(serial: string, at: string, zip: Uint8Array): string
    drop(place: string): void
    readonly kept: Map<string, Uint8Array>
  }
  readonly definitions: readonly Definition[]
  as(personId: string, minutes?: number): Work
}

export function toolRoom(): ToolRoom {
  const db = openDatabase(':memory:')
  migrate(db, MIGRATIONS)
  const { people, definitions } = fillLibrary(db, later)
  // the bench was checked half an hour ago
  const none = { x: 0, z: 0 }
  inTransaction(db, (tx) => {
    insertAdapter(tx, { serial: 'AD-HSKA63-1', coupling: 'HSK-A63' }, later(-60), 'ines')
    insertCheck(tx, {
      masterId: 'M-HSKA63',
      coupling: 'HSK-A63',
      adapter: 'AD-HSKA63-1',
      at: later(-30),
      personId: 'ines',
      drift: none,
      zero: none,
      evidence: null,
      reason: null,
    })
  })
  const kept = new Map<string, Uint8Array>()
  return {
    db,
    control: new TestControl(),
    evidence: {
      kept,
      put(serial, at, zip) {
        const place = `${serial}/${at}.zip`
        kept.set(place, zip)
        return place
      },
      drop: (place) => void kept.delete(place),
    },
    definitions,
    as: (personId, minutes = 0) => ({ db, now: later(minutes), person: people.find((p) => p.id === personId)! }),
  }
}

/** Jobs of the demo: HP-2207 for Heron (T12, T4, T44), HP-1145 for Dipper (T7, T18). */
export function withJobs(room: ToolRoom): ToolRoom {
  for (const [id, machine, file] of [
    ['HP-2207', 'HERON', 'HP2207-20.nc'],
    ['HP-1145', 'DIPPER', 'HP1145-10.nc'],
  ]) {
    const added = addJob(room.as('oda'), {
      id,
      name: id,
      machine,
      dueAt: later(120),
      quantity: 1,
      priority: 0,
      programs: [{ name: file, text: program(file) }],
      extra: [],
    })
    if (!added.ok) throw new Error(textOf(added))
  }
  return room
}

const drawn = new Map<string, Uint8Array>()

/** Pictures of a tool with these edges, small enough to be quick; the same ones are drawn once. */
export function frames(edges: readonly Tool[], mmPerPixel = { x: 0.01, z: 0.01 }): Uint8Array {
  const key = JSON.stringify([edges, mmPerPixel])
  if (!drawn.has(key)) drawn.set(key, draw(edges, mmPerPixel))
  return drawn.get(key)!
}

function draw(edges: readonly Tool[], mmPerPixel: { readonly x: number; readonly z: number }): Uint8Array {
  const pictures: Picture[] = edges.map((tool, i) => {
    const scene = {
      width: 320,
      height: 320,
      mmPerPixel,
      centreX: tool.x - 0.6,
      centreZ: tool.z - 0.9,
      inside: cornerTool(tool),
      blurPx: 1.2,
      noise: 2,
      dark: 25,
      contrast: 200,
      fallOff: 0,
      seed: i + 1,
    }
    return {
      name: `edge-${i + 1}.png`,
      frame: { width: 320, height: 320, data: render(scene) },
      edge: i + 1,
      spindleDeg: (360 * i) / edges.length,
      centreX: scene.centreX,
      centreZ: scene.centreZ,
    }
  })
  return encodeFrameSet({ mmPerPixel, measure: ['LF', 'DC', 'RE'], pictures })
}

/** Four edges of T4 as it should be, changed a little. */
export const goodT4 = (change: Partial<Tool> = {}): Tool[] =>
  [0, 1, 2, 3].map((i) => ({ x: 5 + 0.001 * (i % 2), z: 118 - 0.001 * i, re: 1, dishDeg: 2, ...change }))

export const SCALE = { x: 0.01, z: 0.01 }

/** A save as the page sends it. */
export const saving = (serial: string, edges: readonly Tool[], change: Partial<Save> = {}): Save => ({
  serial,
  scanned: serial,
  takenAt: later(60),
  frames: frames(edges),
  mmPerPixel: SCALE,
  checkId: 1,
  program: 0,
  ...change,
})

/** T4 for HP-2207 on BX00143, built at the start and cold an hour later. */
export function withT4(room: ToolRoom, serial = 'BX00143'): ToolRoom {
  const built = buildTool(room.as('ines'), 'HP-2207', 4, serial)
  if (!built.ok) throw new Error(textOf(built))
  return room
}

/** Scans, hands and figures of a whole load. T4 is not balanced and runs at 16,000 rev/min: that is asked about. */
export const loaded = (
  room: ToolRoom,
  scans: { machine: string; serial: string; label?: string },
  minutes: number,
  pocket?: number,
) =>
  loadByHand(room.as('ines', minutes), room.control, (machine, act) => room.control.hand(machine, { do: act }), {
    ...scans,
    pocket,
    reasons: UNBALANCED,
  })
export const UNBALANCED = [{ rule: 'balance', reason: 'first part at 8,000 rev/min, watched' }] as const

/** Saves a measurement in one breath, without threads. */
export function saveMeasurement(work: Work, evidence: EvidenceStore, save: Save): Result<Saved, Refusal> {
  const may = maySave(work, save)
  if (!may.ok) return may
  const read = measureFramesHere(save.frames, may.value.steps, may.value.definition?.toolClass === 'turn')
  return read.ok ? finishSave(work, evidence, save, read.value) : read
}

export function measured(room: ToolRoom, serial = 'BX00143', edges: readonly Tool[] = goodT4(), minutes = 60): ToolRoom {
  const saved = saveMeasurement(room.as('ines', minutes), room.evidence, saving(serial, edges, { takenAt: later(minutes) }))
  if (!saved.ok) throw new Error(JSON.stringify(saved.error))
  return room
}

/** Measured once more, with a reason. */
export const measuredAgain = (room: ToolRoom, minutes: number, edges: readonly Tool[] = goodT4(), serial = 'BX00143'): Saved =>
  valueOf(
    saveMeasurement(room.as('ines', minutes), room.evidence, saving(serial, edges, { takenAt: later(minutes), reason: 'again' })),
  )

export const codeOf = <T, E extends { readonly code: string }>(result: Result<T, E>): string =>
  // a refusal that wraps a device's or a part's own tells that one's code
  result.ok ? 'ok' : outerCode(result.error as unknown as Refusal)

/** What a refused verb says, in millimetres. */
export const textOf = <T>(result: Result<T, Refusal>): string => (result.ok ? '' : refusalText(result.error, SI))
/** The newest entry of the record as people read it, in millimetres. */
export const lastEntry = (db: Db, serial?: string): string => recordText(listRecord(db, { serial, limit: 1 })[0], SI)

export function valueOf<T, E>(result: Result<T, E>): T {
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}
