import type { Db } from '@/db/connection'
import { listAdapters } from '@/db/bench/read'
import { readCouplings } from '@/db/coupling/read'
import { listMachines } from '@/db/machine/read'

/** All names, those of the shop's machines and adapters first. */
export function couplingNames(db: Db): { readonly used: readonly string[]; readonly others: readonly string[] } {
  const names = [...readCouplings(db).keys()]
  const here = new Set([...listMachines(db), ...listAdapters(db)].map(({ coupling }) => coupling))
  return { used: names.filter((name) => here.has(name)), others: names.filter((name) => !here.has(name)) }
}
