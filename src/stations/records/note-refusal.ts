import { addEntry } from '@/db/record/write'
import type { Refused, Work } from '../work'

/** What was refused stands in the record too: which mistakes nearly happened is worth knowing. */
export function noteRefusal(
  work: Work,
  where: string,
  subject: { serial?: string | null; t?: number | null; machine?: string | null },
  refused: Refused,
): void {
  addEntry(work.db, {
    at: work.now,
    personId: work.person.id,
    what: 'refused',
    serial: subject.serial ?? null,
    t: subject.t ?? null,
    machine: subject.machine ?? null,
    text: `${where}: ${refused.text}`,
    before: null,
    after: { code: refused.code },
  })
}
