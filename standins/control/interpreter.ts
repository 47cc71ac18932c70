/**
 * A word-address control's way of reading offset files. Written for itself: it shares no code with whatever wrote the
 * file, so that the two cannot agree by accident.
 */
export interface MachineFacts {
  readonly name: string
  /** A lathe keeps X, Z, nose radius and tip; left out: a mill. */
  readonly kind?: 'mill' | 'lathe'
  /** How it understands G10: as a word-address control, or as the open-source interpreter; left out: word address. */
  readonly dialect?: 'word address' | 'rs274'
  readonly unit: 'mm' | 'inch'
  /** Decimals that its registers keep. */
  readonly decimals: number
  readonly sizeIs: 'radius' | 'diameter'
  readonly highestTool: number
}

export interface Offsets {
  length?: number
  lengthWear?: number
  size?: number
  sizeWear?: number
  x?: number
  z?: number
  nose?: number
  tip?: number
  xWear?: number
  zWear?: number
}

export type Table = Record<string, Offsets>

export class Refused extends Error {
  constructor(
    readonly line: number | null,
    detail: string,
  ) {
    super(detail)
  }
}

const REGISTER_OF_L: Readonly<Record<number, keyof Offsets>> = { 10: 'length', 11: 'lengthWear', 12: 'size', 13: 'sizeWear' }
const ALLOWED_G = new Set([0, 10, 11, 17, 20, 21, 40, 49, 80, 90, 91, 94])
const ALLOWED_M = new Set([0, 1, 2, 30, 99])

/** One address and its number, taken off the front of a line. */
function nextWord(line: string, at: number): { letter: string; text: string; end: number } | null {
  const letter = line[at]
  if (!(letter >= 'A' && letter <= 'Z')) return null
  let end = at + 1
  while (end < line.length && '+-.0123456789'.includes(line[end])) end++
  const text = line.slice(at + 1, end)
  return Number.isFinite(Number(text)) && text !== '' ? { letter, text, end } : null
}

/** Takes remarks and blanks out of a line. */
function stripped(raw: string): string {
  let out = ''
  let depth = 0
  for (const c of raw.toUpperCase()) {
    if (c === '(') depth++
    else if (c === ')') depth = Math.max(0, depth - 1)
    else if (c === ';' && depth === 0) break
    else if (depth === 0 && c !== ' ' && c !== '\t') out += c
  }
  return out
}

const keep = (value: number, decimals: number): number => {
  const f = 10 ** decimals
  return (Math.sign(value) * Math.round(Math.abs(value) * f + 1e-9)) / f
}

/** What stays in force from one file to the next. */
export interface Modal {
  /** null on a scratch table, where nothing came before: a file must say it. */
  readonly unit: 'mm' | 'inch' | null
  readonly incremental: boolean
}

export const NO_MODAL: Modal = { unit: null, incremental: false }

/** A file on an empty past: @returns the new table; the one given is not changed */
export const runOffsets = (facts: MachineFacts, before: Table, text: string): Table =>
  runFile(facts, before, text, NO_MODAL).table

/**
 * Runs a file on a copy of a table.
 * @throws Refused at the first line that the control cannot take
 */
export function runFile(
  facts: MachineFacts,
  before: Table,
  text: string,
  modal: Modal,
): { readonly table: Table; readonly modal: Modal } {
  const table: Table = structuredClone(before)
  let { unit, incremental } = modal
  let setting = false
  const lines = text.split(/\r?\n/)
  for (let number = 1; number <= lines.length; number++) {
    let line = stripped(lines[number - 1])
    if (line === '' || line === '%') continue
    if (line[0] === '/') line = line.slice(1)
    const words: { letter: string; value: number; digits: number }[] = []
    for (let at = 0; at < line.length;) {
      const word = nextWord(line, at)
      if (!word) throw new Refused(number, `"${line.slice(at, at + 12)}" cannot be read`)
      words.push({ letter: word.letter, value: Number(word.text), digits: (word.text.split('.')[1] ?? '').length })
      at = word.end
    }
    const last = (letter: string) => words.filter((w) => w.letter === letter).at(-1)
    for (const { letter, value } of words) {
      if (letter === 'M' && !ALLOWED_M.has(value)) throw new Refused(number, `M${value} does not belong in an offset file`)
      if (letter !== 'G') continue
      if (!ALLOWED_G.has(value)) throw new Refused(number, `G${value} does not belong in an offset file`)
      if (value === 20) unit = 'inch'
      if (value === 21) unit = 'mm'
      if (value === 90) incremental = false
      if (value === 91) incremental = true
      if (value === 10) setting = true
      if (value === 11) setting = false
    }
    if (words.some((w) => w.letter === 'G' && w.value === 10)) {
      if (unit === null) throw new Refused(number, 'neither G20 nor G21 was given')
      setRow(facts, table, { number, unit, incremental, last })
      setting = false
    } else if (setting && (last('P') || last('R'))) throw new Refused(number, 'data words without G10')
  }
  return { table, modal: { unit, incremental } }
}

interface Word {
  readonly value: number
  readonly digits: number
}

/** One G10 block, as this control understands it. */
function setRow(
  facts: MachineFacts,
  table: Table,
  block: {
    readonly number: number
    readonly unit: 'mm' | 'inch'
    readonly incremental: boolean
    readonly last: (letter: string) => Word | undefined
  },
): void {
  const { number, unit, incremental, last } = block
  const [L, P, R, X, Z, Q] = ['L', 'P', 'R', 'X', 'Z', 'Q'].map(last)
  const put = (row: Offsets, register: keyof Offsets, word: Word, times = 1, moreDigits = 0) => {
    if (word.digits > facts.decimals + moreDigits && unit === facts.unit)
      throw new Refused(number, `a value has more than ${facts.decimals + moreDigits} decimals`)
    const own = times * (unit === facts.unit ? word.value : unit === 'inch' ? word.value * 25.4 : word.value / 25.4)
    row[register] = keep(incremental ? (row[register] ?? 0) + own : own, facts.decimals)
  }
  const rowOf = (tool: number): Offsets => {
    if (!Number.isInteger(tool) || tool < 1 || tool > facts.highestTool)
      throw new Refused(number, `P${P?.value} is no tool of this control`)
    return (table[String(tool)] ??= {})
  }
  if (!P) throw new Refused(number, 'G10 needs P')
  if (facts.kind === 'lathe') {
    if (L) throw new Refused(number, 'G10 takes no L on this control')
    const geometry = P.value > 10_000
    const row = rowOf(geometry ? P.value - 10_000 : P.value)
    if (!X && !Z && !R && !Q) throw new Refused(number, 'G10 without X, Z, R or Q')
    if (X) put(row, geometry ? 'x' : 'xWear', X)
    if (Z) put(row, geometry ? 'z' : 'zWear', Z)
    if (R && geometry) put(row, 'nose', R)
    if (Q) {
      if (!geometry || !Number.isInteger(Q.value) || Q.value < 0 || Q.value > 9)
        throw new Refused(number, `Q${Q.value} is no tip`)
      row.tip = Q.value
    }
    return
  }
  if (!L) throw new Refused(number, 'G10 needs L')
  if (facts.dialect === 'rs274') {
    // L10 and L11 set a row from where the machine stands: an offset file that has them was meant for another control
    if (L.value !== 1) throw new Refused(number, `L${L.value} does not set a row of this control's table`)
    const row = rowOf(P.value)
    if (!Z && !R) throw new Refused(number, 'G10 L1 without Z or R')
    if (Z) put(row, 'length', Z)
    if (R) put(row, 'size', R, facts.sizeIs === 'diameter' ? 2 : 1, 1)
    return
  }
  if (!R) throw new Refused(number, 'G10 needs L, P and R')
  const register = REGISTER_OF_L[L.value]
  if (!register) throw new Refused(number, `L${L.value} is no register of this control`)
  put(rowOf(P.value), register, R)
}
