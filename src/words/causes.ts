/** What is wrong with a tool, as somebody at the bench would say it. */
import { isTellable, type BadCase, type Cause, type CauseCode, type NextCode } from '@/core/causes'
import type { LengthUnit } from '@/core/units'
import { small } from './size'

/** Each cause in a few words, for lists and choices. */
export const CAUSE_NAMES: Readonly<Record<CauseCode, string>> = {
  NOTHING: 'nothing is wrong',
  OFF_CENTRE: 'off centre at the seat',
  TILTED: 'tilted in the taper',
  EDGE_HIGH: 'one edge high',
  EDGE_LOW: 'one edge low or chipped',
  WRONG_NOSE: 'another nose radius',
  WORN: 'worn',
  WARM: 'still warm',
  LENGTH_NOT_SET: 'length not set',
  CREPT: 'cutter crept in its holder',
  WRONG_CUTTER: 'another or reground cutter',
  ZERO_MOVED: 'zero of the bench moved',
}

/** One cause as a clause, with its size where it has one. */
export function causeText({ code, edge, sizeMm }: Cause, unit: LengthUnit): string {
  const by = small(sizeMm, unit)
  switch (code) {
    case 'NOTHING':
      return 'nothing is wrong'
    case 'OFF_CENTRE':
      return `the tool is ${by} off centre at its seat`
    case 'TILTED':
      return `the tool is tilted, ${by} at its tip: look for a chip in the taper or on the face`
    case 'EDGE_HIGH':
      return `edge ${edge} is ${by} high`
    case 'EDGE_LOW':
      return `edge ${edge} is ${by} low, or chipped`
    case 'WRONG_NOSE':
      return 'the insert or cutter has another nose radius'
    case 'WORN':
      return `all edges are worn by ${by}`
    case 'WARM':
      return 'the tool is still warm and measures long'
    case 'LENGTH_NOT_SET':
      return `its length is not set, it is ${by} off`
    case 'CREPT':
      return `the cutter crept ${by} out of its holder`
    case 'WRONG_CUTTER':
      return 'it is another cutter, or a reground one'
    case 'ZERO_MOVED':
      return `the zero of the bench moved by ${by}`
  }
}

/** How likely, never as if it were certain. */
export const percent = (p: number) => (p > 0.995 ? 'over 99 %' : `${Math.round(100 * p)} %`)
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** More than this is worth a word. */
const WORTH_SAYING = 0.05
const MOST_SAID = 3

/** The most likely causes in a sentence, and whether they can be told apart. */
export function causesText(causes: readonly Cause[], unit: LengthUnit): string {
  const [first, ...rest] = causes
  const others = rest.filter(({ p }) => p > WORTH_SAYING).slice(0, MOST_SAID - 1)
  if (!isTellable(causes)) {
    const alike = [first, ...rest.filter((c) => first.p < 3 * c.p)].slice(0, MOST_SAID)
    const all = alike.map((c) => `${causeText(c, unit)} (${percent(c.p)})`).join(', or ')
    return `${capital(all)}. These cannot be told apart.`
  }
  const lead = first.code === 'NOTHING' ? 'Most likely nothing is wrong' : `Most likely ${causeText(first, unit)}`
  const or = others.map((c) => `${causeText(c, unit)} (${percent(c.p)})`)
  return `${lead} (${percent(first.p)})${or.length ? `; or ${or.join(', or ')}` : ''}.`
}

/** What to do next, as an order. */
export const NEXT_TEXTS: Readonly<Record<NextCode, string>> = {
  SECOND_HEIGHT: 'Measure the edges at a second height.',
  TURN_180: 'Turn the tool by 180° in the spindle and measure again.',
  WIPE: 'Clean the edge and measure it again.',
  WAIT: 'Wait until it is as cold as the room, then measure again.',
  RESEAT: 'Take it out, clean taper, face, collet and bore, put it in again.',
  CHECK_MASTER: 'Check the bench with the setting master.',
  SET: 'Set the length, then measure again.',
  CHANGE: 'Change the insert or the cutter.',
}

export function badCaseText(bad: BadCase): string {
  switch (bad.why) {
    case 'NO_EDGES':
      return 'There is no edge. Send at least one.'
    case 'LIMITS':
      return bad.of === 'runout'
        ? 'The runout allowed must be above 0.'
        : `The limits of ${bad.of} are upside down: the smaller one comes first.`
    case 'SIGMA':
      return `The standard deviation of ${bad.of} must be above 0.`
    case 'EDGE_TWICE':
      return `Edge ${bad.edge} is there twice. Send each edge once.`
    case 'HEIGHT':
      return 'The second height must be below the tip and above the gauge line.'
  }
}

/** Verdict, causes and the first step in words, for programs that show it to people. */
export const judgedText = (causes: readonly Cause[], next: readonly NextCode[], unit: LengthUnit): string =>
  [causesText(causes, unit), causes[0].code === 'NOTHING' && isTellable(causes) ? '' : next[0] ? NEXT_TEXTS[next[0]] : '']
    .filter(Boolean)
    .join(' ')
