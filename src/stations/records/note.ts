import type { NewEntry } from '@/core/tool'
import { addEntry } from '@/db/record/write'
import type { Work } from '../work'

/** One line of the record, by whoever does this work, now. Inside the write transaction of what it tells of. */
export function note(
  work: Work,
  what: string,
  text: string,
  about: Partial<Pick<NewEntry, 'serial' | 't' | 'machine' | 'before' | 'after'>> = {},
): void {
  addEntry(work.db, {
    at: work.now,
    personId: work.person.id,
    what,
    text,
    serial: about.serial ?? null,
    t: about.t ?? null,
    machine: about.machine ?? null,
    before: about.before ?? null,
    after: about.after ?? null,
  })
}
