import type { Assembly } from '@/core/tool'
import type { Work } from '../work'
import { note } from '../records/note'

/** Notes that an edge (null: all of them) was wiped between two measurements. */
export function wiped(work: Work, assembly: Assembly, edge: number | null): void {
  note(work, 'wiped', edge === null ? 'All edges wiped' : `Edge ${edge} wiped`, {
    serial: assembly.serial,
    t: assembly.t,
    machine: assembly.machine,
  })
}
