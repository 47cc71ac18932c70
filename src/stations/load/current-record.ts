import { registersOf, type Handover, type RegisterValue } from '@/core/handover'
import type { Machine } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import { getHolder } from '@/db/library/read'
import { getMachine } from '@/db/machine/read'
import type { Refusal } from '../refusals'
import { readLabel } from './read-label'

/** Why a machine gets no record. */
export type RecordRefusal = Refusal<
  'NOT_A_LABEL' | 'BAD_CRC' | 'UNKNOWN_SERIAL' | 'UNKNOWN_HANDOVER' | 'VALUES_DIFFER' | 'SUPERSEDED' | 'UNKNOWN_MACHINE'
>

export interface CurrentRecord {
  readonly handover: Handover
  readonly machine: Machine
  /** What belongs into the control's table. */
  readonly registers: readonly RegisterValue[]
}

/** What a machine gets when it asks for the tool in front of it, by the holder's mark or by the text of its label. */
export function currentRecord(db: Db, key: string, code: string): Result<CurrentRecord, RecordRefusal> {
  const machine = getMachine(db, key)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: key })
  const found = code.includes(';') ? readLabel(db, code) : bySerial(db, code)
  if (!found.ok) return found
  const { handover } = found.value
  const { values } = handover
  if (values.machine !== machine.key)
    return fail({
      code: 'VALUES_DIFFER',
      what: 'machine',
      serial: values.serial,
      issue: values.issue,
      for: values.machine,
      not: machine.key,
    })
  return ok({ handover, machine, registers: registersOf(values, machine) })
}

function bySerial(db: Db, code: string): Result<{ handover: Handover }, RecordRefusal> {
  const serial = code.trim().toUpperCase()
  if (!getHolder(db, serial)) return fail({ code: 'UNKNOWN_SERIAL', serial, holder: true })
  const handover = currentHandover(db, serial)
  if (!handover) return fail({ code: 'UNKNOWN_HANDOVER', what: 'current', serial })
  return ok({ handover })
}
