/** From an NC program to the tools it changes to. */
import { fail, ok, type LengthUnit, type Result } from '../units'
import { readBlock, type Block } from './block'

/** What a program is warned of. @property line physical line, from 1 */
export type ProgramWarning = { readonly line: number } & (
  | Counted
  | { readonly code: 'NO_UNITS' }
  | { readonly code: 'UNITS_MIXED'; readonly from: LengthUnit; readonly to: LengthUnit }
  | { readonly code: 'NOT_READ'; readonly what: 'call' | 'text' }
  /** Lines beyond the first hundred. */
  | { readonly code: 'NOT_READ'; readonly what: 'more'; readonly lines: number }
  /** What is not told one by one any more. @property count how many there are beside those told */
  | { readonly code: 'MORE'; readonly of: CountedCode; readonly count: number }
  /** Changes to a tool beyond those listed. */
  | { readonly code: 'MORE_CHANGES'; readonly t: number; readonly count: number }
)
/** What a program may do again and again. */
type Counted =
  | { readonly code: 'H_NOT_T' | 'D_NOT_T'; readonly t: number; readonly offset: number }
  | { readonly code: 'NO_LENGTH_OFFSET' | 'PRESELECT_NEVER_CHANGED'; readonly t: number }
  | { readonly code: 'CHANGE_WITHOUT_T' }
type CountedCode = Counted['code']

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

export type ProgramError = { readonly code: 'NOT_A_PROGRAM' } | { readonly code: 'TOO_MANY_TOOLS'; readonly most: number }

/** Warnings of lines that cannot be read are told one by one up to here. */
const MOST_NOT_READ = 100
/** Tools of one program, warnings of one code, changes to one tool: what is more than that is no program any more. */
export const PROGRAM_LIMITS = { tools: 1000, warnings: 1000, changes: 1000, characters: 8 * 2 ** 20 } as const

interface Tool {
  readonly t: number
  readonly changes: { line: number }[]
  moreChanges: number
  readonly h: Set<number>
  readonly d: Set<number>
  maxSpindle: number | null
  name: string | null
  warnedLength: boolean
}

interface State {
  readonly tools: Map<number, Tool>
  readonly warnings: ProgramWarning[]
  readonly counted: Map<CountedCode, { count: number; line: number }>
  selected: { t: number; line: number; comment: string | null; offset: number | null } | null
  /** Line in which each tool is first called. */
  readonly selections: Map<number, number>
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
 * @errors NOT_A_PROGRAM when not one block can be read, TOO_MANY_TOOLS
 */
export function toolsWanted(text: string, kind: 'mill' | 'lathe'): Result<ProgramTools, ProgramError> {
  const state: State = {
    tools: new Map(),
    warnings: [],
    counted: new Map(),
    selected: null,
    selections: new Map(),
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
  let at = 0
  for (const line of linesOf(text)) {
    readLine(state, readBlock(line), ++at, kind)
    if (state.tools.size > PROGRAM_LIMITS.tools) return fail({ code: 'TOO_MANY_TOOLS', most: PROGRAM_LIMITS.tools })
  }
  if (state.readable === 0) return fail({ code: 'NOT_A_PROGRAM' })
  finish(state)
  const tools = [...state.tools.values()].map(({ t, changes, h, d, maxSpindle, name }) => ({
    t,
    changes,
    h: [...h],
    d: [...d],
    maxSpindle,
    name,
  }))
  return ok({ units: state.units, tools, warnings: state.warnings.sort((a, b) => a.line - b.line) })
}

/** Line by line, without all of them at once: a program of blank lines has eight million. */
function* linesOf(text: string): Generator<string> {
  const end = /\r\n|\n|\r/g
  let from = 0
  for (let found = end.exec(text); found; found = end.exec(text)) {
    yield text.slice(from, found.index)
    from = end.lastIndex
  }
  yield text.slice(from)
}

/** Tells the first of a code one by one, and counts the rest. */
function warn(state: State, warning: { readonly line: number } & Counted): void {
  const { code, line } = warning
  const seen = state.counted.get(code)
  if (!seen) state.counted.set(code, { count: 1, line })
  else if (++seen.count === PROGRAM_LIMITS.warnings + 1) seen.line = line
  if ((seen?.count ?? 1) <= PROGRAM_LIMITS.warnings) state.warnings.push(warning)
}

/** Words that make a line a block of a program, not prose that happens to hold a letter and a digit. */
const PROGRAM_LETTERS = 'GMTSNOFXYZ'

/** Codes of the group that holds for its own block only. */
const NOT_A_MOVE: readonly number[] = [4, 10, 28, 30, 50, 52, 53, 92]

function readLine(state: State, block: Block, line: number, kind: 'mill' | 'lathe'): void {
  const { words } = block
  if (words.length === 0 && !block.unread) return
  if (!block.unread && words.some(({ letter }) => PROGRAM_LETTERS.includes(letter))) state.readable++
  const g = numbersOf(words, 'G')
  const m = numbersOf(words, 'M')
  const call = m.includes(98) || m.includes(198) || g.includes(65) || g.includes(66)
  if (block.unread || call) {
    state.notRead++
    if (state.notRead <= MOST_NOT_READ) state.warnings.push({ line, code: 'NOT_READ', what: call ? 'call' : 'text' })
    if (call) return
  }
  for (const value of g) readG(state, value, line)
  for (const { letter, value, digits } of words) if (letter === 'T') selectTool(state, value, digits, block.comment, line, kind)
  if (kind === 'mill' && m.includes(6)) changeTool(state, block.comment, line)
  if (g.some((value) => value >= 43 && value < 44)) state.lengthOffset = true
  const setsData = g.includes(10)
  const limitsSpeed = g.includes(50) || g.includes(92)
  for (const { letter, value } of words) {
    if (letter === 'S') readSpeed(state, value, limitsSpeed)
    if (kind === 'mill' && !setsData) {
      if (letter === 'H') takeOffset(state, 'h', value, line)
      if (letter === 'D') takeOffset(state, 'd', value, line)
    }
  }
  // returns to reference, machine coordinates, dwell and settings are no cutting moves, whatever motion is modal
  const noMove = g.some((value) => NOT_A_MOVE.includes(value))
  if (kind === 'mill' && !noMove)
    checkLengthOffset(
      state,
      words.some((w) => w.letter === 'Z'),
      line,
    )
}

const NONE: readonly number[] = []
const numbersOf = (words: Block['words'], letter: string): readonly number[] => {
  let numbers: number[] | null = null
  for (const word of words) if (word.letter === letter) (numbers ??= []).push(word.value)
  return numbers ?? NONE
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
    if (value > 0 && !state.selections.has(value)) state.selections.set(value, line)
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
    warn(state, { line, code: 'CHANGE_WITHOUT_T' })
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
    moreChanges: 0,
    h: new Set<number>(),
    d: new Set<number>(),
    maxSpindle: null,
    name: null,
    warnedLength: false,
  }
  state.tools.set(selected.t, tool)
  if (tool.changes.length < PROGRAM_LIMITS.changes) tool.changes.push({ line })
  else tool.moreChanges++
  tool.name ??= comment ?? selected.comment
  state.current = tool
  if (selected.offset !== null) takeOffset(state, 'h', selected.offset, line)
  limitSpeed(state)
}

function takeOffset(state: State, key: 'h' | 'd', value: number, line: number): void {
  const tool = state.current
  if (!tool || value === 0 || !Number.isInteger(value) || tool[key].has(value)) return
  // an offset that is called by nobody's number: told, and not listed beyond what anybody reads
  if (tool[key].size < PROGRAM_LIMITS.changes) tool[key].add(value)
  if (value === tool.t) return
  warn(state, { line, code: key === 'h' ? 'H_NOT_T' : 'D_NOT_T', t: tool.t, offset: value })
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
  warn(state, { line, code: 'NO_LENGTH_OFFSET', t: current.t })
}

function finish(state: State): void {
  if (state.units === null) state.warnings.push({ line: 1, code: 'NO_UNITS' })
  for (const [t, line] of state.selections) if (!state.tools.has(t)) warn(state, { line, code: 'PRESELECT_NEVER_CHANGED', t })
  for (const [of, { count, line }] of state.counted)
    if (count > PROGRAM_LIMITS.warnings) state.warnings.push({ line, code: 'MORE', of, count: count - PROGRAM_LIMITS.warnings })
  for (const { t, changes, moreChanges: count } of state.tools.values())
    if (count > 0) state.warnings.push({ line: changes[changes.length - 1].line, code: 'MORE_CHANGES', t, count })
  if (state.notRead > MOST_NOT_READ)
    state.warnings.push({ line: 1, code: 'NOT_READ', what: 'more', lines: state.notRead - MOST_NOT_READ })
}
