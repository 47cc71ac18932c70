import type { Handover } from '@/core/handover'
import type { SavedMeasurement } from '@/core/judge'
import type { Assembly, Definition, RecordEntry, ToolProfile } from '@/core/tool'
import { getAssembly } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { listHandovers } from '@/db/handover/read'
import { getDefinition, getHolder, type HolderRead } from '@/db/library/read'
import { listMeasurements } from '@/db/measurement/read'
import { listRecord } from '@/db/record/read'
import { profileOfAssembly } from '../rack/rack'

export interface Passport {
  readonly holder: HolderRead
  readonly assembly: Assembly | null
  readonly definition: Definition | null
  readonly profile: ToolProfile | null
  readonly measurements: readonly SavedMeasurement[]
  readonly handovers: readonly Handover[]
  readonly record: readonly RecordEntry[]
}

/** Everything known of a holder and of the tool on it; null when the holder is not known. */
export function readPassport(db: Db, serial: string): Passport | null {
  const holder = getHolder(db, serial)
  if (!holder) return null
  const assembly = getAssembly(db, serial)
  return {
    holder,
    assembly,
    definition: assembly?.definition ? getDefinition(db, assembly.definition.id, assembly.definition.version) : null,
    profile: assembly ? profileOfAssembly(db, assembly) : null,
    measurements: assembly ? listMeasurements(db, assembly.id) : [],
    handovers: listHandovers(db, serial),
    record: listRecord(db, { serial }),
  }
}
