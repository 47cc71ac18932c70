'use server'
import { z } from 'zod'
import { decodeDefinitions } from '@/codecs/definitions-csv'
import { decodeContour } from '@/codecs/dxf'
import type { ArchetypeFault, DxfFault } from '@/codecs/faults'
import { decodeLibrary, DefinitionSchema } from '@/codecs/library-json'
import { decodeArchetype, type Archetype } from '@/codecs/tool-archetype'
import type { ContourPiece } from '@/core/tool'
import { type Result } from '@/core/units'
import * as library from '@/stations/library/contract'
import { addHolder, inspectHolder, replaceStud } from '@/stations/library/holder-care'
import { importLibrary } from '@/stations/library/import-library'
import { previewParts, readPartsFile } from '@/stations/library/import-parts'
import { putDefinition } from '@/stations/library/put-definition'
import { putPart } from '@/stations/library/put-part'
import { regrind } from '@/stations/library/regrind'
import { refuse } from '@/stations/refusals'
import { book, countStock, moves, putRight } from '@/stations/store/book'
import * as store from '@/stations/store/contract'
import { placeUnit } from '@/stations/store/plan'
import { defineAction, defineQuestion, only } from '../_server/action'
import { say } from '@/words/screens/library'

export const putPartAction = defineAction(library.putPart, (work, { part, version }) =>
  only(putPart(work, part, version), ({ id }) => ({ id })),
)
export const putDefinitionAction = defineAction({ ...library.putDefinition, input: DefinitionSchema }, (work, definition) =>
  only(putDefinition(work, definition), ({ id, version }) => ({ id, version })),
)
export const regrindAction = defineAction(library.regrind, (work, given) => regrind(work, { ...given, place: null }))

export const bookAction = defineAction(store.book, (work, { what, component, count, from, to }) => {
  switch (what) {
    case 'receive':
      return book(work, moves.receive(component, count, to))
    case 'scrap':
      return book(work, moves.scrap(component, count, 'hand', { fromPlace: from }))
    case 'shift':
      return to === null ? refuse({ code: 'NO_PLACE' }) : book(work, moves.shift(component, count, from, to))
  }
})
export const countStockAction = defineAction(store.countStock, countStock)
export const putRightAction = defineAction(store.putRight, (work, { id }) => putRight(work, id))
export const placeUnitAction = defineAction(store.placeUnit, (work, { unit, drawers, taper }) =>
  placeUnit(work, unit, drawers, taper),
)

export const addHolderAction = defineAction(library.addHolder, addHolder)
export const inspectHolderAction = defineAction(library.inspectHolder, inspectHolder)
export const replaceStudAction = defineAction(library.replaceStud, (work, { serial, stud }) => replaceStud(work, serial, stud))

export const previewCsvAction = defineQuestion(library.previewCsv, (given, { db }) => previewParts(db, given))
export const importCsvAction = defineAction(library.importCsv, (work, given) => {
  const parts = readPartsFile(work.db, given)
  return parts.ok ? importLibrary(work, { parts: parts.value, definitions: [] }, say.aCsvFile) : parts
})
export const importFileAction = defineAction(library.importFile, (work, { text, name }) => {
  if (/\.json$/i.test(name)) {
    const read = decodeLibrary(text)
    return read.ok
      ? importLibrary(work, read.value, name)
      : refuse({ code: 'BAD_FILE', line: null, column: null, fault: read.error })
  }
  const tools = decodeDefinitions(text)
  if (tools.ok) return importLibrary(work, { parts: [], definitions: tools.value }, name)
  const [{ line, column, said }] = tools.error
  return refuse({ code: 'BAD_FILE', line, column: column || null, fault: said })
})

const File = z
  .string()
  .max(4 * 2 ** 20)
  .catch('')
/** Reads an archetype into the form of a new tool; nothing is stored. */
export async function readArchetypeAction(text: string): Promise<Result<Archetype, ArchetypeFault>> {
  return decodeArchetype(File.parse(text))
}
/** Reads a contour out of a drawing; nothing is stored. */
export async function readContourAction(text: string): Promise<Result<ContourPiece[], DxfFault>> {
  return decodeContour(File.parse(text))
}
