'use server'
import { DefinitionSchema } from '@/codecs/library-json'
import * as library from '@/stations/library/contract'
import { addHolder, inspectHolder, replaceStud } from '@/stations/library/holder-care'
import { importFile, importLibrary, inFile } from '@/stations/library/import-library'
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
export const putDefinitionAction = defineAction(
  library.putDefinition,
  (work, definition) => only(putDefinition(work, definition), ({ id, version }) => ({ id, version })),
  DefinitionSchema,
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
export const placeUnitAction = defineAction(store.placeUnit, (work, { unit, drawers, taper, from }) =>
  placeUnit(work, unit, drawers, taper, from),
)

export const addHolderAction = defineAction(library.addHolder, addHolder)
export const inspectHolderAction = defineAction(library.inspectHolder, inspectHolder)
export const replaceStudAction = defineAction(library.replaceStud, (work, { serial, stud, from }) =>
  replaceStud(work, serial, stud, from),
)

export const previewCsvAction = defineQuestion(library.previewCsv, (given, { db, heavy }) => previewParts(db, heavy, given))
export const importCsvAction = defineAction(library.importCsv, async (work, given, { heavy }) => {
  const parts = await readPartsFile(work.db, heavy, given)
  return parts.ok ? importLibrary(work, { parts: parts.value, definitions: [] }, say.aCsvFile) : parts
})
export const importFileAction = defineAction(library.importFile, (work, { text, name }, { heavy }) =>
  importFile(work, heavy, text, name),
)

/** Reads an archetype into the form of a new tool; nothing is stored. */
export const readArchetypeAction = defineQuestion(library.readArchetype, async ({ text }, { heavy }) => {
  const read = await heavy.archetype(text)
  return read.ok ? inFile(read.value) : read
})
/** Reads a contour out of a drawing; nothing is stored. */
export const readContourAction = defineQuestion(library.readContour, async ({ text }, { heavy }) => {
  const read = await heavy.contour(text)
  return read.ok ? inFile(read.value) : read
})
