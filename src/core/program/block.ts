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
  return { code, comment: comment.trim() === '' ? null : comment.trim().replace(/\s+/g, ' ') }
}

const WORD = /([A-Z])([+-]?(?:\d+\.?\d*|\.\d+))/y

/** @param line one physical line; lower case and blanks inside words are allowed, `/` in front counts as executed */
export function readBlock(line: string): Block {
  const { code, comment } = splitComments(line)
  let rest = code.replace(/\s+/g, '').toUpperCase()
  if (rest === '' || rest === '%') return { words: [], comment, unread: false }
  rest = rest.replace(/^\/\d?/, '')
  const words: Word[] = []
  let unread = false
  let at = 0
  while (at < rest.length) {
    WORD.lastIndex = at
    const match = WORD.exec(rest)
    if (match) {
      words.push({ letter: match[1], value: Number(match[2]), digits: match[2].replace(/^[+-]/, '').split('.')[0].length })
      at = WORD.lastIndex
    } else {
      // what cannot be read ends the block: words behind it may belong to an expression
      unread = true
      break
    }
  }
  return { words, comment, unread }
}
