/** What Return shows. */
import type { HandoverValues } from '@/core/handover'
import type { Assembly, ToolProfile } from '@/core/tool'
import { findAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import { listMachines } from '@/db/machine/read'
import type { Control } from '@/devices/control/port'
import { machineNames } from '../names'
import { profileOfAssembly } from '../rack/rack'
import { readInside, type Inside } from './inside'

/** Every tool in a machine. */
export function readInMachines(db: Db): readonly (Assembly & { readonly machineName: string })[] {
  const names = machineNames(db)
  return findAssemblies(db, { state: 'loaded' }).map((a) => ({ ...a, machineName: names.get(a.machine ?? '') ?? '–' }))
}

export interface ReturnPage extends Inside {
  readonly profile: ToolProfile
  /** What it was released with; null when that is out of date. */
  readonly values: HandoverValues | null
  /** Machines that it could go to next. */
  readonly others: readonly { readonly key: string; readonly name: string }[]
}

/** @returns null when the tool is in no machine */
export async function readReturn(db: Db, control: Control, serial: string): Promise<ReturnPage | null> {
  const inside = await readInside(db, control, serial)
  if (!inside) return null
  const { assembly, machine } = inside
  return {
    ...inside,
    profile: profileOfAssembly(db, assembly),
    values: currentHandover(db, serial)?.values ?? null,
    others: listMachines(db)
      .filter((m) => m.key !== machine.key && m.coupling === machine.coupling)
      .map(({ key, name }) => ({ key, name })),
  }
}
