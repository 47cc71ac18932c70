import { lifeUnderWay, wearOf, WEARS, type Wear, type WearReading } from '@/core/judge'
import { getAssembly } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { DISTURBANCES } from '@/core/tool'
import { listRecord } from '@/db/record/read'
import { KINDS } from '../entries'
import { getDefinition } from '@/db/library/read'
import { listMeasuredAgain } from '@/db/measurement/read'
import { machineNames } from '../names'
import type { WornTool } from './contract'

/** What changes a tool's figures without wearing it: whatever was read before it belongs to another life. */
const RENEWED_BY = [...DISTURBANCES, KINDS.INSERT_CHANGED, KINDS.DIAL_SET]

/** When that happened last; empty where it never did. */
const renewedAt = (db: Db, serial: string) =>
  RENEWED_BY.flatMap((what) => listRecord(db, { serial, what, limit: 1 })).reduce((last, { at }) => (at > last ? at : last), '')

const share = (wear: Wear | undefined, allowedMm: number) => Math.abs(wear?.changeMm ?? 0) / allowedMm

/** Tools whose definition says what may change, and that were measured more than once in the life under way; the most worn first. */
export function readWear(db: Db): readonly WornTool[] {
  const names = machineNames(db)
  const readings = new Map<string, WearReading[]>()
  for (const { serial, at, result, cutMin } of listMeasuredAgain(db))
    // without the minutes it had cut nobody can say what wore it
    if (cutMin !== undefined) readings.set(serial, [...(readings.get(serial) ?? []), { at, cutMin, result }])
  return [...readings]
    .flatMap(([serial, all]): WornTool[] => {
      const assembly = getAssembly(db, serial)
      const definition = assembly?.definition && getDefinition(db, assembly.definition.id, assembly.definition.version)
      const allowedMm = definition?.wearMm
      if (!assembly || allowedMm === undefined) return []
      const renewed = renewedAt(db, serial)
      const life = lifeUnderWay(all.filter((r) => r.at > renewed))
      const wears = WEARS.flatMap((key) => wearOf(life, key, allowedMm) ?? [])
      if (wears.length === 0) return []
      return [
        {
          ...{ serial, t: assembly.t, name: assembly.name, cutMin: assembly.lifeUsedMin, allowedMm },
          machine: assembly.machine && (names.get(assembly.machine) ?? assembly.machine),
          wears: wears.sort((a, b) => share(b, allowedMm) - share(a, allowedMm)),
        },
      ]
    })
    .sort((a, b) => share(b.wears[0], b.allowedMm) - share(a.wears[0], a.allowedMm))
}
