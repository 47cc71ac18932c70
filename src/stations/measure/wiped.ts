import type { Assembly } from '@/core/tool'
import type { Work } from '../work'
import { write } from '../write'

/** Notes that an edge (null: all of them) was wiped between two measurements. */
export function wiped(work: Work, { serial, t, machine }: Assembly, edge: number | null): void {
  write(work, { entry: { code: 'WIPED', edge }, serial, t, machine }, () => null)
}
