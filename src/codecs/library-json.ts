/** The library as one JSON document: parts and tool definitions, as the core has them. */
import { z } from 'zod'
import {
  checkComponent,
  MEASURABLE,
  ROLES,
  ROUTES,
  TOOL_CLASSES,
  type Component,
  type ContourPiece,
  type PartFault,
  type Definition,
} from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'

const FORMAT = 'boulder-library/1'
const Tolerance = z.object({ nominal: z.number(), lower: z.number().max(0), upper: z.number().min(0) })
const Positive = z.object({ nominal: z.number().positive(), lower: z.number().max(0), upper: z.number().min(0) })
const Point = z.tuple([z.number(), z.number()])
const Piece: z.ZodType<ContourPiece> = z.union([
  z.object({ type: z.literal('line'), from: Point, to: Point }),
  z.object({ type: z.literal('arc'), centre: Point, radiusMm: z.number().positive(), fromRad: z.number(), toRad: z.number() }),
])

/** A definition as it may come from outside. */
export const DefinitionSchema: z.ZodType<Definition> = z.object({
  id: z.string().trim().min(1, 'Give the tool a number.').max(40),
  version: z.number().int().min(0),
  t: z.number().int().min(1, 'A T number is 1 or more.').max(99999),
  name: z.string().trim().min(1, 'Give the tool a name.').max(80),
  toolClass: z.enum(TOOL_CLASSES),
  parts: z
    .array(
      z.object({
        role: z.enum(ROLES),
        component: z.string().min(1),
        alternatives: z.array(z.string().min(1)).max(20),
        count: z.number().int().min(1).max(60),
      }),
    )
    .min(1, 'The parts list is empty.')
    .max(30),
  LF: Positive,
  DC: Positive,
  RE: Tolerance.nullable(),
  edges: z.number().int().min(1).max(60),
  measure: z.array(z.enum(MEASURABLE)).min(1, 'Say what is to be measured.'),
  radialRunoutMax: z.number().positive(),
  axialRunoutMax: z.number().positive(),
  machines: z.array(z.string()).min(1, 'Say which machines it may go into.'),
  programRpm: z.number().positive('Say how fast the programs turn it.').max(200_000),
  torqueNm: z.number().positive().nullable(),
  reachMm: z.number().positive().nullable(),
  balance: z.object({ grade: z.number().positive(), rpm: z.number().positive() }).nullable(),
  route: z.enum(ROUTES),
  lifeMin: z.number().positive().nullable(),
  contour: z.array(Piece).max(2000).nullable(),
})

const File = z.object({
  format: z.literal(FORMAT),
  parts: z.array(z.record(z.string(), z.unknown())).max(100_000).default([]),
  definitions: z.array(DefinitionSchema).max(20_000).default([]),
})

/** What is wrong with a value, for people; without the library's own words for types. */
export const issueText = (issue: { readonly code?: string; readonly message: string }): string =>
  issue.code === 'invalid_type' || issue.code === 'invalid_union'
    ? 'It is missing, or of another kind than it should be.'
    : issue.message

export interface Library {
  readonly parts: readonly Component[]
  readonly definitions: readonly Definition[]
}

export const encodeLibrary = (library: Library): string => `${JSON.stringify({ format: FORMAT, ...library }, null, 1)}\n`

/** @errors in words, naming the first place that cannot be read; nothing of the file is used then */
export function decodeLibrary(text: string, say: (fault: PartFault) => string): Result<Library, { readonly text: string }> {
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch {
    return fail({ text: 'This is no JSON.' })
  }
  const file = File.safeParse(raw)
  if (!file.success) {
    const [issue] = file.error.issues
    return fail({ text: `${issue.path.length ? `At ${issue.path.join(' › ')}: ` : ''}${issueText(issue)}` })
  }
  const parts: Component[] = []
  for (const part of file.data.parts) {
    const checked = checkComponent(part)
    if (!checked.ok) return fail({ text: `Part ${String(part.id ?? parts.length + 1)}: ${say(checked.error[0])}` })
    parts.push(checked.value)
  }
  return ok({ parts, definitions: file.data.definitions })
}
