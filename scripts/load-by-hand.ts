/** A whole load as people at a machine do it: claimed, turned to its pocket, door, tool, door, figures. */
import type { Result } from '@/core/units'
import { SPINDLE } from '@/core/tool'
import type { Control, HandAct } from '@/devices/control/port'
import { beginLoad, turnMagazine, type Begin } from '@/stations/load/begin-load'
import type { Loaded } from '@/stations/load/contract'
import { loadTool } from '@/stations/load/load-tool'
import type { Refusal } from '@/stations/refusals'
import type { Work } from '@/stations/work'

export async function loadByHand(
  work: Work,
  control: Control,
  hand: (machine: string, act: HandAct) => unknown,
  begin: Omit<Begin, 'reasons'> & { readonly machine: string; readonly serial: string; readonly reasons?: Begin['reasons'] },
): Promise<Result<Loaded, Refusal>> {
  const begun = await beginLoad(work, control, { reasons: [], ...begin })
  if (!begun.ok) return begun
  const byHand = begun.value.pocket === SPINDLE
  if (!byHand) {
    const turned = await turnMagazine(work, control, begin.serial)
    if (!turned.ok) return turned
  } else await hand(begin.machine, 'manual')
  for (const act of ['open', byHand ? 'spindle put' : 'put', 'shut'] as const) await hand(begin.machine, act)
  return loadTool(work, control, begin.serial)
}
