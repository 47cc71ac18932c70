/**
 * Which definition a job means by a T. The same T may be another tool in another program of the same machine, so the
 * program's own comment beside the tool change is held against the definition.
 */
import type { Definition } from '../tool'
import { MM_PER_INCH } from '../units'
import type { Job, Wanted } from './job'

export type Meant =
  | { readonly type: 'definition'; readonly definition: Definition }
  /** Somebody said that nothing is to be set up for it. */
  | { readonly type: 'left out' }
  | { readonly type: 'unknown' }
  /** The comment does not fit the definition that has this T. */
  | { readonly type: 'ask'; readonly definition: Definition; readonly differs: readonly Difference[] }

export type Difference =
  | { readonly what: 'kind'; readonly says: string; readonly is: string }
  | { readonly what: 'diameter'; readonly saysMm: number; readonly isMm: number }
  | { readonly what: 'corner'; readonly saysMm: number; readonly isMm: number }

/** What a comment says of a tool, as far as it can be read; lengths mm. */
export interface CommentRead {
  readonly kind: string | null
  readonly diameterMm: number | null
  readonly cornerMm: number | null
}

/** Words for kinds of tools, the more particular first. Common practice, no source. */
const KIND_WORDS: readonly (readonly [string, RegExp])[] = [
  ['spot-drill', /\b(SPOT|CENT(ER|RE))[ -]?DRILL\b/],
  ['countersink', /\b(COUNTERSINK|CSK)\b/],
  ['chamfer-mill', /\bCHAMFER\b/],
  ['tap', /\b(TAP|THREAD MILL)\b/],
  ['reamer', /\bREAM(ER)?\b/],
  ['boring-head', /\bBORING\b/],
  ['ball-end-mill', /\bBALL\b/],
  ['shell-mill', /\b(SHELL|FACE)[ -]?MILL\b/],
  ['end-mill', /\b(END|SLOT)[ -]?MILL\b/],
  ['drill', /\bDRILL\b/],
  ['turning-tool', /\bTURNING TOOL\b|\b(ROUGH|FINISH)(ING)? \d+ ?DEG\b/],
]

/** @param text a comment of a program or the name of a definition; `Ø` counts as D */
export function readComment(text: string): CommentRead {
  const plain = text.toUpperCase().replace(/Ø/g, ' D').replace(/,(\d)/g, '.$1')
  const number = (pattern: RegExp) => {
    const found = pattern.exec(plain)?.[1]
    return found === undefined ? null : Number(found)
  }
  return {
    kind: KIND_WORDS.find(([, pattern]) => pattern.test(plain))?.[0] ?? null,
    diameterMm: number(/\bD(?:IA)?\.? ?(\d+(?:\.\d+)?)/) ?? number(/\b(\d+(?:\.\d+)?) ?MM\b/),
    cornerMm: number(/\bR ?(\d+(?:\.\d+)?)/),
  }
}

/** A comment gives round numbers: this much beside the definition is the same, mm. */
const SAME_MM = 0.06
/** Kinds that are the same tool under another word, or that a comment need not tell apart. */
const ALIKE: readonly (readonly string[])[] = [
  ['end-mill', 'shell-mill', 'ball-end-mill'],
  ['spot-drill', 'countersink', 'chamfer-mill'],
]
/** A program in inch gives its sizes in inch: a number counts in either unit. */
const sameSize = (says: number, mm: number) => Math.abs(says - mm) <= SAME_MM || Math.abs(says * MM_PER_INCH - mm) <= SAME_MM
const alike = (a: string, b: string) => a === b || ALIKE.some((group) => group.includes(a) && group.includes(b))

/** What of a comment contradicts a definition; nothing where it says too little. */
export function differencesOf(comment: string | null, definition: Definition): Difference[] {
  if (!comment) return []
  const says = readComment(comment)
  const is = readComment(definition.name).kind
  const found: Difference[] = []
  if (says.kind && is && !alike(says.kind, is)) found.push({ what: 'kind', says: says.kind, is })
  const { DC, RE } = definition
  if (says.diameterMm !== null && !sameSize(says.diameterMm, DC.nominal))
    found.push({ what: 'diameter', saysMm: says.diameterMm, isMm: DC.nominal })
  if (says.cornerMm !== null && RE && says.kind !== 'turning-tool' && !sameSize(says.cornerMm, RE.nominal))
    found.push({ what: 'corner', saysMm: says.cornerMm, isMm: RE.nominal })
  return found
}

/** @param definitions current versions */
export function meaningOf(
  job: Pick<Job, 'machine' | 'mapping'>,
  { t, name }: Pick<Wanted, 't' | 'name'>,
  definitions: readonly Definition[],
): Meant {
  const said = job.mapping[String(t)]
  if (said === null) return { type: 'left out' }
  if (said !== undefined) {
    const definition = definitions.find((d) => d.id === said)
    return definition ? { type: 'definition', definition } : { type: 'unknown' }
  }
  const same = definitions.filter((d) => d.t === t && d.machines.includes(job.machine))
  if (!same.length) return { type: 'unknown' }
  const fits = same.find((d) => differencesOf(name, d).length === 0)
  if (fits) return { type: 'definition', definition: fits }
  return { type: 'ask', definition: same[0], differs: differencesOf(name, same[0]) }
}
