/**
 * A word-address control's way of reading offset files. Written for itself: it shares no code with whatever wrote the
 * file, so that the two cannot agree by accident.
 */
export interface MachineFacts {
  readonly name: string
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

/**
 * Runs a file on a copy of a table.
 * @returns the new table; the one given is not changed
 * @throws Refused at the first line that the control cannot take
 */
export function runOffsets(facts: MachineFacts, before: Table, text: string): Table {
  const table: Table = structuredClone(before)
  let unit: 'mm' | 'inch' | null = null
  let incremental = false
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
    const L = last('L')
    const P = last('P')
    const R = last('R')
    if (words.some((w) => w.letter === 'G' && w.value === 10)) {
      if (!L || !P || !R) throw new Refused(number, 'G10 needs L, P and R')
      const register = REGISTER_OF_L[L.value]
      if (!register) throw new Refused(number, `L${L.value} is no register of this control`)
      if (unit === null) throw new Refused(number, 'neither G20 nor G21 was given')
      if (!Number.isInteger(P.value) || P.value < 1 || P.value > facts.highestTool)
        throw new Refused(number, `P${P.value} is no tool of this control`)
      if (R.digits > facts.decimals && unit === facts.unit)
        throw new Refused(number, `R has more than ${facts.decimals} decimals`)
      const inOwnUnit = unit === facts.unit ? R.value : unit === 'inch' ? R.value * 25.4 : R.value / 25.4
      const row = (table[String(P.value)] ??= {})
      row[register] = keep(incremental ? (row[register] ?? 0) + inOwnUnit : inOwnUnit, facts.decimals)
      setting = false
    } else if (setting && (P || R)) throw new Refused(number, 'data words without G10')
  }
  return table
}
