import type { Assembly, Place, StoreUnit } from '@/core/tool'
import type { LengthUnit } from '@/core/units'
import type { Db } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import { getLoadRun } from '@/db/load/read'
import { getMachine } from '@/db/machine/read'
import { lastMeasurement } from '@/db/measurement/read'
import { readCarts } from '../kit/carts'
import { waitsOf } from '../rack/waits'

/** What the small display at a slot shows: what is known so far, and what is still to do. */
export interface SlotDisplay {
  readonly place: Place
  readonly tool: Pick<Assembly, 'serial' | 't' | 'name' | 'dueAt' | 'condition'> | null
  readonly machine: string | null
  /** Unit and decimals of the machine it goes to. */
  readonly unit: LengthUnit
  readonly decimals: number
  /** mm; null while nobody has measured it. */
  readonly lengthMm: number | null
  readonly diameterMm: number | null
  readonly issue: number | null
  readonly toDo: 'measure' | 'balance' | 'hand over' | 'load' | 'loading' | 'measure again' | 'change cutter' | 'broken' | null
}

export interface SlotDisplays {
  readonly unit: StoreUnit
  readonly slots: readonly SlotDisplay[]
}

const TO_DO = {
  build: null,
  measure: 'measure',
  balance: 'balance',
  'hand-over': 'hand over',
  load: 'load',
  correct: 'measure again',
  'change cutter': 'change cutter',
} as const

export function readSlotDisplays(db: Db): SlotDisplays[] {
  const waits = waitsOf(db)
  return readCarts(db).map(({ unit, slots }) => ({
    unit,
    slots: slots.map(({ place, tool }) => display(db, waits, place, tool)),
  }))
}

function display(db: Db, waitsFor: ReturnType<typeof waitsOf>, place: Place, tool: Assembly | null): SlotDisplay {
  if (!tool)
    return {
      place,
      tool: null,
      machine: null,
      unit: 'mm',
      decimals: 3,
      lengthMm: null,
      diameterMm: null,
      issue: null,
      toDo: null,
    }
  const machine = tool.machine ? getMachine(db, tool.machine) : null
  // a measurement before the last heat or knock says nothing of the tool as it is
  const measured = tool.state === 'built' ? null : lastMeasurement(db, tool.id)
  const waits = waitsFor(tool, measured?.verdict ?? null)
  return {
    place,
    tool,
    machine: machine?.name ?? null,
    unit: machine?.unit ?? 'mm',
    decimals: machine?.decimals ?? 3,
    lengthMm: measured?.summary.LF ?? null,
    diameterMm: measured?.summary.DC ?? null,
    issue: currentHandover(db, tool.serial)?.values.issue ?? null,
    toDo: tool.condition === 'broken' ? 'broken' : getLoadRun(db, tool.serial) ? 'loading' : waits ? TO_DO[waits] : null,
  }
}
