/** The library as one JSON document: parts and tool definitions, as the core has them. */
import { z } from 'zod'
import {
  checkComponent,
  couplingTable,
  type Couplings,
  MEASURABLE,
  ROLES,
  ROUTES,
  TOOL_CLASSES,
  type Component,
  type ContourPiece,
  type Definition,
} from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { FIELD_CODES, type FieldCode, type FieldFaultOfFile, type LibraryFault } from './faults'

const FORMAT = 'boulder-library/1'
/** The code as Zod carries it. */
const says = (code: FieldCode): FieldCode => code
const Tolerance = z.object({ nominal: z.number(), lower: z.number().max(0), upper: z.number().min(0) })
const Positive = z.object({ nominal: z.number().positive(), lower: z.number().max(0), upper: z.number().min(0) })
const Point = z.tuple([z.number(), z.number()])
const Piece: z.ZodType<ContourPiece> = z.union([
  z.object({ type: z.literal('line'), from: Point, to: Point }),
  z.object({ type: z.literal('arc'), centre: Point, radiusMm: z.number().positive(), fromRad: z.number(), toRad: z.number() }),
])

/** A definition as it may come from outside. */
export const DefinitionSchema: z.ZodType<Definition> = z.object({
  id: z.string().trim().min(1, says('TOOL_NUMBER')).max(40),
  version: z.number().int().min(0),
  t: z.number().int().min(1, says('T_NUMBER')).max(99999),
  name: z.string().trim().min(1, says('TOOL_NAME')).max(80),
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
    .min(1, says('PARTS_LIST'))
    .max(30),
  LF: Positive,
  DC: Positive,
  RE: Tolerance.nullable(),
  edges: z.number().int().min(1).max(60),
  measure: z.array(z.enum(MEASURABLE)).min(1, says('MEASURE')),
  radialRunoutMax: z.number().positive(),
  axialRunoutMax: z.number().positive(),
  machines: z.array(z.string()).min(1, says('MACHINES')),
  programRpm: z.number().positive(says('SPEED')).max(200_000),
  torqueNm: z.number().positive().nullable(),
  reachMm: z.number().positive().nullable(),
  balance: z.object({ grade: z.number().positive(), rpm: z.number().positive() }).nullable(),
  route: z.enum(ROUTES),
  lifeMin: z.number().positive().nullable(),
  contour: z.array(Piece).max(2000).nullable(),
  tip: z.number().int().min(1).max(9).optional(),
  stepped: z.object({ radialMm: z.number().min(0).max(20), axialMm: z.number().min(0).max(20) }).optional(),
  regroundDC: z.number().positive().optional(),
  wearMm: z.number().positive().max(5).optional(),
  checkMin: z.number().positive().optional(),
})

const File = z.object({
  format: z.literal(FORMAT),
  parts: z.array(z.record(z.string(), z.unknown())).max(100_000).default([]),
  definitions: z.array(DefinitionSchema).max(20_000).default([]),
})

/** What is wrong with a value: the code its schema gave it, the bound it passed, or neither: of another kind. */
export const fieldFault = (issue: z.core.$ZodIssue): FieldFaultOfFile => ({
  code: 'FIELD',
  field: FIELD_CODES.find((code) => code === issue.message) ?? null,
  least: issue.code === 'too_small' ? Number(issue.minimum) : null,
  most: issue.code === 'too_big' ? Number(issue.maximum) : null,
})

export interface Library {
  readonly parts: readonly Component[]
  readonly definitions: readonly Definition[]
}

export const encodeLibrary = (library: Library): string => `${JSON.stringify({ format: FORMAT, ...library }, null, 1)}\n`

/** @errors the first place that cannot be read; nothing of the file is used then */
export function decodeLibrary(text: string, couplings: Couplings = couplingTable()): Result<Library, LibraryFault> {
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch {
    return fail({ code: 'NO_JSON' })
  }
  const file = File.safeParse(raw)
  if (!file.success) {
    const [issue] = file.error.issues
    return fail({ code: 'AT', path: issue.path.map(String), said: fieldFault(issue) })
  }
  const parts: Component[] = []
  for (const part of file.data.parts) {
    const checked = checkComponent(part, couplings)
    if (!checked.ok) return fail({ code: 'PART_OF_FILE', part: String(part.id ?? parts.length + 1), fault: checked.error[0] })
    parts.push(checked.value)
  }
  return ok({ parts, definitions: file.data.definitions })
}
