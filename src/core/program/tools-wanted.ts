/** From an NC program to the tools it changes to. */
import { fail, ok, type LengthUnit, type Result } from '../units'
import { readBlock, type Block } from './block'

/** What a program is warned of. @property line physical line, from 1 */
export type ProgramWarning = { readonly line: number } & (
  | { readonly code: 'H_NOT_T' | 'D_NOT_T'; readonly t: number; readonly offset: number }
  | { readonly code: 'NO_LENGTH_OFFSET' | 'PRESELECT_NEVER_CHANGED'; readonly t: number }
  | { readonly code: 'CHANGE_WITHOUT_T' | 'NO_UNITS' }
  | { readonly code: 'UNITS_MIXED'; readonly from: LengthUnit; readonly to: LengthUnit }
  | { readonly code: 'NOT_READ'; readonly what: 'call' | 'text' }
  /** Lines beyond the first hundred. */
  | { readonly code: 'NOT_READ'; readonly what: 'more'; readonly lines: number }
)

export interface WantedTool {
  readonly t: number
  readonly changes: readonly { readonly line: number }[]
  readonly h: readonly number[]
  readonly d: readonly number[]
  /** rev/min, null where the program gives no limit. */
  readonly maxSpindle: number | null
  readonly name: string | null
}

export interface ProgramTools {
  readonly units: LengthUnit | null
  readonly tools: readonly WantedTool[]
  readonly warnings: readonly ProgramWarning[]
}

/** Warnings of lines that cannot be read are told one by one up to here. */
const MOST_NOT_READ = 100

interface Tool {
  readonly t: number
  readonly changes: { line: number }[]
  readonly h: number[]
  readonly d: number[]
  maxSpindle: number | null
  name: string | null
  warnedLength: boolean
}

interface State {
  readonly tools: Map<number, Tool>
  readonly warnings: ProgramWarning[]
  selected: { t: number; line: number; comment: string | null; offset: number | null } | null
  readonly selections: { t: number; line: number }[]
  current: Tool | null
  units: LengthUnit | null
  mixed: boolean
  motion: number | null
  lengthOffset: boolean
  surfaceSpeed: boolean
  speedLimit: number | null
  notRead: number
  readable: number
}

/**
 * @param text the program as it is on the machine
 * @param kind lathe programs write tool and offset in one T word
 * @errors NOT_A_PROGRAM when not one block can be read
 */
export function toolsWanted(text: string, kind: 'mill' | 'lathe'): Result<ProgramTools, { code: 'NOT_A_PROGRAM' }> {
  const state: State = {
    tools: new Map(),
    warnings: [],
    selected: null,
    selections: [],
    current: null,
    units: null,
    mixed: false,
    motion: null,
    lengthOffset: false,
    surfaceSpeed: false,
    speedLimit: null,
    notRead: 0,
    readable: 0,
  }
  text.split(/\r\n|\n|\r/).forEach((line, i) => readLine(state, readBlock(line), i + 1, kind))
  if (state.readable === 0) return fail({ code: 'NOT_A_PROGRAM' })
  finish(state)
  const tools = [...state.tools.values()].map(({ t, changes, h, d, maxSpindle, name }) => ({
    t,
    changes,
    h,
    d,
    maxSpindle,
    name,
  }))
  return ok({ units: state.units, tools, warnings: state.warnings.sort((a, b) => a.line - b.line) })
}

/** Words that make a line a block of a program, not prose that happens to hold a letter and a digit. */
const PROGRAM_LETTERS = 'GMTSNOFXYZ'

/** Codes of the group that holds for its own block only. */
const NOT_A_MOVE: readonly number[] = [4, 10, 28, 30, 50, 52, 53, 92]

function readLine(state: State, block: Block, line: number, kind: 'mill' | 'lathe'): void {
  const { words } = block
  if (!block.unread && words.some(({ letter }) => PROGRAM_LETTERS.includes(letter))) state.readable++
  const has = (letter: string, value: number) => words.some((w) => w.letter === letter && w.value === value)
  const call = has('M', 98) || has('M', 198) || has('G', 65) || has('G', 66)
  if (block.unread || call) {
    state.notRead++
    if (state.notRead <= MOST_NOT_READ) state.warnings.push({ line, code: 'NOT_READ', what: call ? 'call' : 'text' })
    if (call) return
  }
  for (const { letter, value } of words) if (letter === 'G') readG(state, value, line)
  for (const { letter, value, digits } of words) if (letter === 'T') selectTool(state, value, digits, block.comment, line, kind)
  if (kind === 'mill' && words.some((w) => w.letter === 'M' && w.value === 6)) changeTool(state, block.comment, line)
  if (words.some(({ letter, value }) => letter === 'G' && value >= 43 && value < 44)) state.lengthOffset = true
  const setsData = has('G', 10)
  for (const { letter, value } of words) {
    if (letter === 'S') readSpeed(state, value, has('G', 50) || has('G', 92))
    if (kind === 'mill' && !setsData) {
      if (letter === 'H') takeOffset(state, 'h', value, line)
      if (letter === 'D') takeOffset(state, 'd', value, line)
    }
  }
  // returns to reference, machine coordinates, dwell and settings are no cutting moves, whatever motion is modal
  const noMove = words.some(({ letter, value }) => letter === 'G' && NOT_A_MOVE.includes(value))
  if (kind === 'mill' && !noMove)
    checkLengthOffset(
      state,
      words.some((w) => w.letter === 'Z'),
      line,
    )
}

function readG(state: State, value: number, line: number): void {
  if (value === 20 || value === 21) {
    const unit: LengthUnit = value === 20 ? 'inch' : 'mm'
    if (state.units && state.units !== unit && !state.mixed) {
      state.mixed = true
      state.warnings.push({ line, code: 'UNITS_MIXED', from: state.units, to: unit })
    }
    state.units ??= unit
  } else if (value === 49) state.lengthOffset = false
  else if (value === 96) {
    state.surfaceSpeed = true
    limitSpeed(state)
  } else if (value === 97) state.surfaceSpeed = false
  else if (value === 80 || (value >= 0 && value <= 3) || (value >= 73 && value <= 89)) state.motion = value
}

function selectTool(
  state: State,
  value: number,
  digits: number,
  comment: string | null,
  line: number,
  kind: 'mill' | 'lathe',
): void {
  if (!Number.isInteger(value) || value < 0) return
  if (kind === 'mill') {
    state.selected = { t: value, line, comment, offset: null }
    if (value > 0) state.selections.push({ t: value, line })
    return
  }
  const short = digits <= 2
  const t = short ? value : Math.floor(value / 100)
  const offset = short ? null : value % 100
  if (offset === 0 || t === 0) return // cancels the offset, changes nothing
  state.selected = { t, line, comment, offset }
  changeTool(state, comment, line)
}

function changeTool(state: State, comment: string | null, line: number): void {
  const { selected } = state
  state.lengthOffset = false
  if (!selected) {
    state.current = null
    state.warnings.push({ line, code: 'CHANGE_WITHOUT_T' })
    return
  }
  state.selected = null
  if (selected.t === 0) {
    state.current = null // empties the spindle
    return
  }
  const tool = state.tools.get(selected.t) ?? {
    t: selected.t,
    changes: [],
    h: [],
    d: [],
    maxSpindle: null,
    name: null,
    warnedLength: false,
  }
  state.tools.set(selected.t, tool)
  tool.changes.push({ line })
  tool.name ??= comment ?? selected.comment
  state.current = tool
  if (selected.offset !== null) takeOffset(state, 'h', selected.offset, line)
  limitSpeed(state)
}

function takeOffset(state: State, key: 'h' | 'd', value: number, line: number): void {
  const tool = state.current
  if (!tool || value === 0 || !Number.isInteger(value) || tool[key].includes(value)) return
  tool[key].push(value)
  if (value === tool.t) return
  state.warnings.push({ line, code: key === 'h' ? 'H_NOT_T' : 'D_NOT_T', t: tool.t, offset: value })
}

function readSpeed(state: State, value: number, isLimit: boolean): void {
  if (isLimit) {
    state.speedLimit = value
    limitSpeed(state)
  } else if (!state.surfaceSpeed && state.current) state.current.maxSpindle = Math.max(state.current.maxSpindle ?? 0, value)
}

/** At constant surface speed only the limit says how fast the spindle may turn. */
function limitSpeed(state: State): void {
  if (state.surfaceSpeed && state.current && state.speedLimit !== null)
    state.current.maxSpindle = Math.max(state.current.maxSpindle ?? 0, state.speedLimit)
}

function checkLengthOffset(state: State, movesZ: boolean, line: number): void {
  const { current, motion } = state
  const cuts = motion !== null && ((motion >= 1 && motion <= 3) || (motion >= 81 && motion <= 89))
  if (!current || !movesZ || !cuts || state.lengthOffset || current.warnedLength) return
  current.warnedLength = true
  state.warnings.push({ line, code: 'NO_LENGTH_OFFSET', t: current.t })
}

function finish(state: State): void {
  if (state.units === null) state.warnings.push({ line: 1, code: 'NO_UNITS' })
  const seen = new Set<number>()
  for (const { t, line } of state.selections) {
    if (state.tools.has(t) || seen.has(t)) continue
    seen.add(t)
    state.warnings.push({ line, code: 'PRESELECT_NEVER_CHANGED', t })
  }
  if (state.notRead > MOST_NOT_READ)
    state.warnings.push({ line: 1, code: 'NOT_READ', what: 'more', lines: state.notRead - MOST_NOT_READ })
}
