import type { Component, Definition } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { getDefinition, listComponentIds } from '@/db/library/read'
import { insertComponent, insertDefinition } from '@/db/library/write'
import { allOrNothing, Rollback, type Refused, type Work } from '../work'
import { definitionFaults } from './put-definition'
import { note } from '../records/note'

/** Parts and tools from a file, all or none; what is there already is never changed by an import. */
export function importLibrary(
  work: Work,
  given: { readonly parts: readonly Component[]; readonly definitions: readonly Definition[] },
  source: string,
): Result<{ parts: number; definitions: number }, Refused> {
  const { parts, definitions } = given
  if (parts.length + definitions.length === 0)
    return fail({ code: 'NOTHING', text: `${source} holds nothing that could be taken in.` })
  const known = listComponentIds(work.db)
  const twice = parts.find((p) => known.has(p.id))
  if (twice)
    return fail({ code: 'PART_EXISTS', text: `${twice.id} ${twice.name} is in the library already. Nothing was taken in.` })
  const there = definitions.find((d) => getDefinition(work.db, d.id))
  if (there) return fail({ code: 'TOOL_EXISTS', text: `Tool ${there.id} is in the library already. Nothing was taken in.` })
  return allOrNothing(work.db, 'A number stands there twice. Nothing was taken in.', () => {
    for (const part of parts) insertComponent(work.db, part)
    for (const definition of definitions) {
      const [fault] = definitionFaults(work.db, definition)
      if (fault) throw new Rollback({ code: 'DOES_NOT_FIT', text: `Tool ${definition.id}: ${fault} Nothing was taken in.` })
      insertDefinition(work.db, { ...definition, version: 1 })
    }
    note(work, 'imported', `${parts.length} parts and ${definitions.length} tools from ${source}`, {
      after: { parts: parts.length, definitions: definitions.length },
    })
    return { parts: parts.length, definitions: definitions.length }
  })
}
