import type { Assembly } from '@/core/tool'
import { addEntry } from '@/db/record/write'
import type { Work } from '../work'

/** Notes that an edge (null: all of them) was wiped between two measurements. */
export function wiped(work: Work, assembly: Assembly, edge: number | null): void {
  addEntry(work.db, {
    at: work.now,
    personId: work.person.id,
    what: 'wiped',
    serial: assembly.serial,
    t: assembly.t,
    machine: assembly.machine,
    text: edge === null ? 'All edges wiped' : `Edge ${edge} wiped`,
    before: null,
    after: null,
  })
}
