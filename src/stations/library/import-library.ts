import type { Component, Definition } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { getDefinition, listComponentIds } from '@/db/library/read'
import { insertComponent, insertDefinition } from '@/db/library/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import { definitionFaults } from './put-definition'

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
