import type { Held } from '@/core/handover'
import { lookBack, type Adapter, type LookedBack, type ZeroCheck, type Zero } from '@/core/judge'
import { getAssemblyById } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { currentHandover, listHeld } from '@/db/handover/read'
import { holdHandover } from '@/db/handover/write'
import { listMeasuredSince } from '@/db/measurement/read'
import { practiceOf } from '../practice'
import type { Work } from '../work'
import { note, type Writing } from '../write'

/** A tool that was measured before a drift was found and would have come out otherwise. */
export interface MeasureAgain extends LookedBack {
  readonly serial: string
  readonly t: number | null
  readonly name: string
  /** The machine it is in already; null while it is outside. */
  readonly loadedIn: string | null
  readonly handover: number | null
}

/** Tools of this adapter's taper, whichever adapter they were measured on, whose last measurement lies between the check before and now, and that the drift would change. */
export function findAgain({ db }: Work, adapter: Adapter, before: ZeroCheck | null, drift: Zero): MeasureAgain[] {
  if (!before) return []
  const limitMm = practiceOf(db).lookBackMm
  return listMeasuredSince(db, before.at).flatMap((m) => {
    const tool = getAssemblyById(db, m.assemblyId)
    if (!tool || tool.coupling !== adapter.coupling) return []
    const found = lookBack(m.result, drift, limitMm)
    if (!found) return []
    const loadedIn = tool.state === 'loaded' ? tool.machine : null
    return [
      {
        ...found,
        serial: tool.serial,
        t: tool.t,
        name: tool.name,
        loadedIn,
        handover: currentHandover(db, tool.serial)?.id ?? null,
      },
    ]
  })
}

/** Their hand-overs are held until they were measured again; one that is loaded already is told in the record. */
export function holdAgain(tx: Writing, again: readonly MeasureAgain[]): void {
  for (const { serial, t, loadedIn, handover, movedMm } of again) {
    if (handover !== null) holdHandover(tx.db, handover, { code: 'DRIFTED', movedMm, foundAt: tx.now })
    note(tx, { entry: { code: 'MEASURE_AGAIN', movedMm, foundAt: tx.now, loadedIn }, serial, t, machine: loadedIn })
  }
}

export interface HeldTool {
  readonly serial: string
  readonly t: number
  readonly name: string
  readonly machine: string
  readonly loaded: boolean
  readonly why: Held | null
}

/** Everything that is held until it was measured again. */
export const readHeld = (db: Db): HeldTool[] =>
  listHeld(db).map(({ values, assemblyId, held }) => {
    const tool = getAssemblyById(db, assemblyId)
    return {
      serial: values.serial,
      t: values.t,
      name: tool?.name ?? '',
      machine: values.machine,
      loaded: tool?.state === 'loaded',
      why: held,
    }
  })
