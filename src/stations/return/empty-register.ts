import { emptyRow, type HeldRow } from '@/core/handover'
import type { Assembly, Machine } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { lastHandover } from '@/db/handover/read'
import type { Control, ControlTable } from '@/devices/control/port'
import { writeRow } from '../hand-over/write-row'
import type { Refusal } from '../refusals'
import type { Work } from '../work'

/** Writes the safe empty state into a tool's row and reads it back. */
export async function emptyRegister(
  work: Work,
  control: Control,
  machine: Machine,
  { serial, t, pocket, sister }: Pick<Assembly, 'serial' | 't' | 'pocket' | 'sister'>,
): Promise<Result<{ readonly row: HeldRow; readonly table: ControlTable }, Refusal>> {
  const last = lastHandover(work.db, serial)
  if (!last || t === null) return fail({ code: 'NO_HANDOVER', serial })
  const empty = { ...last.values, ...emptyRow(machine), t, pocket, sister, cornerRadiusMm: null, wear: undefined }
  return writeRow(work, control, machine, empty, 'EMPTY', (wrong) => ({ code: 'NOT_EMPTY', ...wrong }))
}
