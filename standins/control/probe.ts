/**
 * A check block run as the open-source RS-274 interpreter would: moves are believed, a probing move (G38.2) ends where the stand-in's tool
 * setter is touched, and what is reckoned from it decides whether the program goes on. Written for itself, as the interpreter of offset
 * files is: it shares no code with whatever wrote the block.
 */
import { Refused } from './interpreter'

export interface Setter {
  /** Where its surface stands along the axis that is probed, in the program's unit. */
  readonly at: number
  /** How much longer than its offset says the tool really is along that axis; worn: negative. */
  readonly off: number
}

export interface Probed {
  readonly stopped: boolean
  /** What it showed to whoever stands there. */
  readonly messages: readonly string[]
  /** Line at which it stopped, from 1. */
  readonly line: number | null
}

const AXES: Readonly<Record<string, number>> = { X: 5061, Y: 5062, Z: 5063 }
const STOPS = new Set([0, 1, 2, 30, 60])
const ALLOWED_G = new Set([0, 1, 4, 7, 8, 17, 18, 20, 21, 38.2, 40, 43, 49, 53, 54, 80, 90, 91, 94])
const MOST_STEPS = 2000

/** An expression: numbers, #5063, #<name>, brackets, + − × ÷, ABS, and comparisons that are 1 or 0. */
function evaluate(text: string, read: (name: string) => number, line: number): number {
  let at = 0
  const refuse = (): never => {
    throw new Refused(line, `"${text.slice(at, at + 12)}" cannot be reckoned`)
  }
  const take = (word: string) => text.startsWith(word, at) && ((at += word.length), true)
  function atom(): number {
    if (take('-')) return -atom()
    if (take('ABS[')) {
      const value = compare()
      return take(']') ? Math.abs(value) : refuse()
    }
    if (take('[')) {
      const value = compare()
      return take(']') ? value : refuse()
    }
    const name = /^#(<[A-Z_][A-Z0-9_]*>|\d+)/.exec(text.slice(at))
    if (name) {
      at += name[0].length
      return read(name[1])
    }
    const number = /^(\d+\.?\d*|\.\d+)/.exec(text.slice(at))
    if (!number) return refuse()
    at += number[0].length
    return Number(number[0])
  }
  function product(): number {
    let value = atom()
    for (;;) {
      if (take('*')) value *= atom()
      else if (take('/')) value /= atom()
      else return value
    }
  }
  function sum(): number {
    let value = product()
    for (;;) {
      if (take('+')) value += product()
      else if (take('-')) value -= product()
      else return value
    }
  }
  function compare(): number {
    const left = sum()
    const word = ['GT', 'GE', 'LT', 'LE', 'EQ', 'NE'].find((op) => take(op))
    if (!word) return left
    const right = sum()
    const holds = {
      GT: left > right,
      GE: left >= right,
      LT: left < right,
      LE: left <= right,
      EQ: left === right,
      NE: left !== right,
    }
    return holds[word as keyof typeof holds] ? 1 : 0
  }
  const value = compare()
  if (at < text.length) refuse()
  return value
}

/** @throws Refused at the first line that cannot be taken */
export function runCheck(program: string, setter: Setter): Probed {
  const values = new Map<string, number>()
  const messages: string[] = []
  const lines = program.split(/\r?\n/)
  /** Branches that are open: whether their lines count. */
  const open: { readonly label: string; readonly counts: boolean }[] = []
  let steps = 0
  for (let number = 1; number <= lines.length; number++) {
    if (++steps > MOST_STEPS) throw new Refused(number, 'it has too many lines')
    const raw = lines[number - 1]
    const counts = open.every((branch) => branch.counts)
    const said = /\(\s*MSG\s*,\s*([^)]*)\)/i.exec(raw)
    if (said && counts) messages.push(said[1].trim())
    const line = raw
      .replace(/\([^)]*\)/g, '')
      .replace(/;.*/, '')
      .toUpperCase()
      .replace(/\s+/g, '')
    if (line === '' || line === '%') continue
    const read = (name: string) => {
      const value = values.get(name)
      if (value === undefined) throw new Refused(number, `#${name} was never set`)
      return value
    }
    const branch = /^O(\d+)(IF|ELSE|ENDIF)(?:\[(.*)\])?$/.exec(line)
    if (branch) {
      const [, label, word, condition] = branch
      if (word === 'IF') open.push({ label, counts: counts && evaluate(condition ?? '', read, number) !== 0 })
      else {
        const last = open.pop()
        if (last?.label !== label) throw new Refused(number, `O${label} is not open`)
        if (word === 'ELSE') open.push({ label, counts: open.every((b) => b.counts) && !last.counts })
      }
      continue
    }
    if (line.startsWith('O')) throw new Refused(number, `"${line.slice(0, 12)}" cannot be read`)
    if (!counts) continue
    const set = /^#(<[A-Z_][A-Z0-9_]*>)=(.+)$/.exec(line)
    if (set) {
      values.set(set[1], evaluate(set[2], read, number))
      continue
    }
    const words = [...line.matchAll(/([A-Z])([+-]?(?:\d+\.?\d*|\.\d+))/g)]
    if (words.map(([whole]) => whole).join('') !== line) throw new Refused(number, `"${line.slice(0, 12)}" cannot be read`)
    const codes = words.filter(([, letter]) => letter === 'G').map(([, , value]) => Number(value))
    const unknown = codes.find((code) => !ALLOWED_G.has(code))
    if (unknown !== undefined) throw new Refused(number, `G${unknown} does not belong in a check block`)
    if (codes.includes(38.2)) {
      const axis = words.find(([, letter]) => letter in AXES)
      if (!axis) throw new Refused(number, 'G38.2 needs an axis')
      // a longer tool touches earlier, and the control believes it higher up
      values.set(String(AXES[axis[1]]), setter.at + setter.off)
    }
    if (words.some(([, letter, value]) => letter === 'M' && STOPS.has(Number(value))))
      return { stopped: true, messages, line: number }
  }
  if (open.length) throw new Refused(lines.length, `O${open[open.length - 1].label} is never closed`)
  return { stopped: false, messages, line: null }
}
