/** What other programs read of tools that are handed over. */
import { encodeCsv } from '@/codecs/csv'
import { assetId } from '@/codecs/mtconnect-answer'
import type { PostTool } from '@/codecs/post'
import type { Machine } from '@/core/tool'
import { getAssemblyById } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { listCurrent } from '@/db/handover/read'
import { getMachine } from '@/db/machine/read'

export interface HandedOver {
  readonly id: string
  /** ISO 8601 */
  readonly at: string
  readonly machine: Machine
  readonly tool: PostTool
}

/** Every hand-over that is current and not held, the newest first. */
export const listHandedOver = (db: Db): HandedOver[] =>
  listCurrent(db).flatMap(({ values, assemblyId, held, releasedAt }): HandedOver[] => {
    const machine = held ? null : getMachine(db, values.machine)
    if (!machine) return []
    return [
      { id: assetId(values), at: releasedAt, machine, tool: { ...values, name: getAssemblyById(db, assemblyId)?.name ?? '' } },
    ]
  })

const COLUMNS = [
  'serial',
  'issue',
  'T',
  'machine',
  'name',
  'LF [mm]',
  'DC [mm]',
  'RE [mm]',
  'pocket',
  'measured at',
  'released at',
]

/** Tools that are handed over, as one table for a spreadsheet; lengths in mm. */
export const measuredCsv = (db: Db): string =>
  encodeCsv(
    COLUMNS,
    listHandedOver(db).map(({ tool, machine, at }) => [
      ...[tool.serial, tool.issue, tool.t, machine.name, tool.name],
      ...[tool.lengthMm, 2 * tool.radiusMm, tool.cornerRadiusMm ?? '', tool.pocket ?? '', tool.measuredAt, at],
    ]),
  )
