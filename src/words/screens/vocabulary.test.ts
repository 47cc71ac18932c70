/** What all screens say, held against the rules that one person could forget: one word for one thing, and nothing half filled in. */
import { describe, expect, it } from 'vitest'
import * as build from './build'
import * as handOver from './hand-over'
import * as kit from './kit'
import * as library from './library'
import * as load from './load'
import * as measure from './measure'
import * as outside from './outside'
import * as records from './records'
import * as back from './return'
import * as settings from './settings'
import * as shell from './shell'
import * as standIn from './stand-in'
import * as store from './store'
import * as tool from './tool'

const ROOMS = { build, handOver, kit, library, load, measure, outside, records, back, settings, shell, standIn, store, tool }

/** Every text of a room; of those that are made, one with letters and one with numbers put in. */
function textsOf(say: object): [string, string][] {
  return Object.entries(say).flatMap(([key, value]: [string, unknown]) => {
    if (typeof value === 'string') return [[key, value] as [string, string]]
    if (typeof value !== 'function') return []
    const made = value as (...given: unknown[]) => string
    return ['Heron', 7].map((given) => [key, made(...Array.from({ length: made.length }, () => given))] as [string, string])
  })
}

/** A list of fields as they are typed into a text. */
const FIELD_LIST = 'fieldsForTheTextIn'

/** Words that a setter would not say, or that have another word of ours. */
const NOT_OURS = [
  /\bplease\b/i,
  /\bsorry\b/i,
  /\bvalidation\b/i,
  /\binvalid\b/i,
  /\bsuccessful/i,
  /\boops\b/i,
  /\bpassport\b/i,
  /\bfurniture\b/i,
  /\bWhat by when\b/,
  /\bNeeded now\b/,
  /\bin force\b(?! for| now| from)/,
  /^Keep (as|for)\b/,
  /^(Not )?[Kk]ept\b/,
]

describe.each(Object.entries(ROOMS))('the texts of %s', (_, { say }) => {
  const texts = textsOf(say).filter(([key]) => key !== FIELD_LIST)
  it('are all there', () => {
    expect(texts.length).toBeGreaterThan(3)
    for (const [key, text] of texts) expect(text.trim(), key).not.toBe('')
  })
  it('are filled in, with single blanks and no stray marks', () => {
    for (const [key, text] of texts) {
      expect(text, key).not.toMatch(/undefined|\[object|NaN|\$\{|\{\{/)
      expect(text, key).not.toMatch(/ {2,}| [.,;:](?: |$)|\.\.(?!\.)/)
    }
  })
  it('say it in our words', () => {
    for (const [key, text] of texts) for (const word of NOT_OURS) expect(text, key).not.toMatch(word)
  })
  it('ask and answer in short sentences', () => {
    const long = texts.filter(([, text]) => text.split(/[.!?:;](?:\s|$)/).some((sentence) => sentence.split(/\s+/).length > 30))
    expect(long).toEqual([])
  })
})
