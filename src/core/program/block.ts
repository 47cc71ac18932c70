/** One block of a word-address program (ISO 6983 / RS-274): words, comment, and whether all of it could be read. */
export interface Word {
  readonly letter: string
  readonly value: number
  /** Digits before the point, as written: `0303` and `303` differ in nothing else. */
  readonly digits: number
}

export interface Block {
  readonly words: readonly Word[]
  readonly comment: string | null
  /** Something that is no plain word: macro variables, expressions, jumps, or no program at all. */
  readonly unread: boolean
}

/** Comments stand in ( ) and after ; — an open bracket takes the rest of the line. */
function splitComments(line: string): { code: string; comment: string | null } {
  if (!/[(;]/.test(line)) return { code: line, comment: null }
  let code = ''
  let comment = ''
  let at = 0
  while (at < line.length) {
    const c = line[at]
    if (c === ';') {
      comment += ` ${line.slice(at + 1)}`
      break
    }
    if (c === '(') {
      const end = line.indexOf(')', at)
      comment += ` ${line.slice(at + 1, end < 0 ? undefined : end)}`
      if (end < 0) break
      at = end + 1
      continue
    }
    code += c
    at++
  }
  return { code, comment: comment.trim() === '' ? null : comment.trim().slice(0, MOST_COMMENT).replace(/\s+/g, ' ') }
}

const EMPTY: Block = { words: [], comment: null, unread: false }

const WORD = /([A-Z])([+-]?(?:\d+\.?\d*|\.\d+))/y

/** Words of one block, characters of a comment: more than that is no program. */
const MOST_WORDS = 1000
const MOST_COMMENT = 400

/** Digits before the point. */
function digitsOf(number: string): number {
  const from = number[0] === '+' || number[0] === '-' ? 1 : 0
  const point = number.indexOf('.')
  return (point < 0 ? number.length : point) - from
}

/** @param line one physical line; lower case and blanks inside words are allowed, `/` in front counts as executed */
export function readBlock(line: string): Block {
  if (line === '') return EMPTY
  const { code, comment } = splitComments(line)
  let rest = (/\s/.test(code) ? code.replace(/\s+/g, '') : code).toUpperCase()
  if (rest === '' || rest === '%') return { words: [], comment, unread: false }
  if (rest[0] === '/') rest = rest.replace(/^\/\d?/, '')
  const words: Word[] = []
  let unread = false
  let at = 0
  while (at < rest.length) {
    WORD.lastIndex = at
    const match = WORD.exec(rest)
    if (match && words.length < MOST_WORDS) {
      words.push({ letter: match[1], value: Number(match[2]), digits: digitsOf(match[2]) })
      at = WORD.lastIndex
    } else {
      // what cannot be read ends the block: words behind it may belong to an expression
      unread = true
      break
    }
  }
  return { words, comment, unread }
}
