import type { FileFault } from '@/codecs/faults'
import type { Heavy } from '@/codecs/heavy'
import type { Component, Definition } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { readCouplings } from '@/db/coupling/read'
import { getDefinition, listComponentIds } from '@/db/library/read'
import { insertComponent, insertDefinition } from '@/db/library/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import { definitionFaults } from './put-definition'

/** What was read of a file, or what is wrong with it. */
export const inFile = <T>(read: Result<T, FileFault>): Result<T, Refusal> =>
  read.ok ? read : fail({ code: 'BAD_FILE', line: null, column: null, fault: read.error })

/** The JSON of a library, or the CSV of its tools. */
export async function importFile(
  work: Work,
  heavy: Heavy,
  text: string,
  name: string,
): Promise<ReturnType<typeof importLibrary>> {
  if (/\.json$/i.test(name)) {
    const read = await heavy.library(text, readCouplings(work.db))
    if (!read.ok) return read
    const library = inFile(read.value)
    return library.ok ? importLibrary(work, library.value, name) : library
  }
  const read = await heavy.definitions(text)
  if (!read.ok) return read
  if (read.value.ok) return importLibrary(work, { parts: [], definitions: read.value.value }, name)
  const [{ line, column, said }] = read.value.error
  return fail({ code: 'BAD_FILE', line, column: column || null, fault: said })
}

/** Parts and tools from a file, all or none; what is there already is never changed by an import. */
export function importLibrary(
  work: Work,
  given: { readonly parts: readonly Component[]; readonly definitions: readonly Definition[] },
  source: string,
): Result<{ parts: number; definitions: number }, Refusal> {
  const { parts, definitions } = given
  if (parts.length + definitions.length === 0) return fail({ code: 'IMPORT_EMPTY', source })
  const known = listComponentIds(work.db)
  const twice = parts.find((p) => known.has(p.id))
  if (twice) return fail({ code: 'PART_EXISTS', part: twice.id, name: twice.name, in: 'import' })
  const there = definitions.find((d) => getDefinition(work.db, d.id))
  if (there) return fail({ code: 'TOOL_EXISTS', definition: there.id })
  const counts = { parts: parts.length, definitions: definitions.length }
  return write(
    work,
    { entry: { code: 'IMPORTED', ...counts, source }, after: counts },
    (tx) => {
      for (const part of parts) insertComponent(tx.db, part)
      for (const definition of definitions) {
        const [fault] = definitionFaults(tx.db, definition)
        must(!fault, { code: 'DOES_NOT_FIT', definition: definition.id, fault, in: 'import' })
        insertDefinition(tx.db, { ...definition, version: 1 })
      }
      return counts
    },
    { code: 'IMPORT_TWICE' },
  )
}
