/**
 * What may take long, because of what somebody sent: files that are read, templates that are filled in, sheets that
 * are drawn. The server has it done by threads that can be ended; tests, seed and benches do it in place.
 */
import { proposeFits, solveBalance } from '@/core/balance'
import { causesOf } from '@/core/causes'
import { searchMagazine } from '@/core/plan'
import { bestSchedule } from '@/core/schedule'
import { toolsWanted, writtenFor, type ProgramError, type ProgramTools } from '@/core/program'
import { KIND_NAMES, type Couplings, type Kind, type PropertyKey } from '@/core/tool'
import { ok, type Result } from '@/core/units'
import { renderCheck } from './check-block'
import { decodeCsv } from './csv'
import { decodeDefinitions } from './definitions-csv'
import { decodeContour } from './dxf'
import { fillLabel } from './label-lines'
import { labelPdf, labelPng } from './label-picture'
import { decodeLibrary } from './library-json'
import { MAP_KEYS, readParts, suggestMapping, type Mapping } from './parts-csv'
import { renderPost } from './post'
import { readCodes } from './read-code'
import { encodeSpin } from './spin-file'
import { setupSheetPdf } from './setup-sheet'
import { stepText } from './step-text'
import { decodeArchetype } from './tool-archetype'
import { decodeToolList } from './tool-list'

/** What was chosen for the columns of a file of parts; nothing yet: what their names suggest. */
export interface PartsAsked {
  readonly text: string
  readonly mapping: readonly ({ readonly key: string; readonly unit: 'mm' | 'inch' | null } | null)[] | null
  readonly kind: string | null
}

/**
 * @param known numbers that are in the library already
 * @param names of properties, as people call them
 * @param couplings that the shop knows
 */
function readPartsCsv(
  asked: PartsAsked,
  known: ReadonlySet<string>,
  names: Readonly<Partial<Record<PropertyKey, string>>>,
  couplings: Couplings,
) {
  const table = decodeCsv(asked.text)
  if (!table.ok) return table
  const { columns, rows } = table.value
  const isKey = (key: string) => (MAP_KEYS as readonly string[]).includes(key)
  const mapping = (asked.mapping?.map((m) => (m && isKey(m.key) ? m : null)) ?? suggestMapping(columns, names)) as Mapping
  const kind = (KIND_NAMES as readonly string[]).includes(asked.kind ?? '') ? (asked.kind as Kind) : null
  const parts = readParts(table.value, mapping, kind, { known, couplings })
  return ok({ columns, mapping, rows: rows.length, sample: rows.slice(0, 5), parts })
}

/** What a program says: the tools it wants, and for which kind of machine it is written. */
export interface ProgramRead {
  readonly wanted: Result<ProgramTools, ProgramError>
  readonly writtenFor: 'mill' | 'lathe' | null
}

export const readPrograms = (texts: readonly string[], kind: 'mill' | 'lathe'): ProgramRead[] =>
  texts.map((text) => ({ wanted: toolsWanted(text, kind), writtenFor: writtenFor(text) }))

export const HEAVY_WORK = {
  programs: readPrograms,
  table: decodeCsv,
  toolList: decodeToolList,
  parts: readPartsCsv,
  definitions: decodeDefinitions,
  library: decodeLibrary,
  contour: decodeContour,
  archetype: decodeArchetype,
  codes: readCodes,
  post: renderPost,
  check: renderCheck,
  label: fillLabel,
  step: stepText,
  labelPdf,
  labelPng,
  setupSheet: setupSheetPdf,
  balance: solveBalance,
  schedule: bestSchedule,
  magazines: searchMagazine,
  causes: causesOf,
  fits: proposeFits,
  spin: encodeSpin,
} as const

export type HeavyName = keyof typeof HEAVY_WORK
/** Too much waits already; or it took longer, or more memory, than anything useful does. */
export type HeavyRefusal = { readonly code: 'BUSY' } | { readonly code: 'TOO_HEAVY' }

export type Heavy = {
  readonly [K in HeavyName]: (
    ...given: Parameters<(typeof HEAVY_WORK)[K]>
  ) => Promise<Result<Awaited<ReturnType<(typeof HEAVY_WORK)[K]>>, HeavyRefusal>>
}

type AnyWork = (...given: unknown[]) => unknown

/** The same work, each piece done by what is handed in. */
export const heavyBy = (does: (name: HeavyName, given: unknown[]) => Promise<Result<unknown, HeavyRefusal>>): Heavy =>
  Object.fromEntries(
    (Object.keys(HEAVY_WORK) as HeavyName[]).map((name) => [name, (...given: unknown[]) => does(name, given)]),
  ) as unknown as Heavy

/** In place, without threads. */
export const heavyHere: Heavy = heavyBy(async (name, given) => ok(await (HEAVY_WORK[name] as AnyWork)(...given)))
