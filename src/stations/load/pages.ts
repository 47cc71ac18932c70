/** What the pages of Load show. */
import type { Difference, LoadRun } from '@/core/load'
import type { Machine, ToolProfile } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listLoadRuns } from '@/db/load/read'
import { getMachine, listMachines } from '@/db/machine/read'
import type { Control } from '@/devices/control/port'
import { profileOfAssembly } from '../rack/rack'
import { readDifferences } from './differences'
import { widestOf } from './magazine'
import { readLoad, type LoadScans, type LoadSheet } from './load-sheet'
import { readReadiness, type Readiness } from './readiness'

export interface LoadPage extends LoadSheet {
  readonly machines: readonly Machine[]
  readonly profile: ToolProfile | null
  /** Its widest radius by its parts, mm; null without a tool. */
  readonly widestMm: number | null
  /** What of the machine's jobs can be loaded; null while a tool is in hand. */
  readonly ready: Readiness | null
  /** Tools on their way into the machine. */
  readonly underWay: readonly LoadRun[]
  /** Where the record and the control tell otherwise. */
  readonly differences: readonly Difference[]
}

export async function readLoadPage(db: Db, control: Control, scans: LoadScans, now: string): Promise<LoadPage> {
  const sheet = await readLoad(db, control, scans, now)
  const { machine, assembly } = sheet
  return {
    ...sheet,
    machines: listMachines(db),
    profile: assembly && profileOfAssembly(db, assembly),
    widestMm: assembly && widestOf(db, assembly),
    ready: machine && !scans.serial ? readReadiness(db, machine.key, now) : null,
    underWay: machine ? listLoadRuns(db, machine.key) : [],
    differences: machine ? readDifferences(db, machine, sheet.answer) : [],
  }
}

/** The machine that was asked for, or the first; null without any. */
export function readRules(
  db: Db,
  asked: string | null,
): { readonly machine: Machine; readonly machines: readonly Machine[] } | null {
  const machines = listMachines(db)
  const machine = (asked !== null && getMachine(db, asked)) || machines[0]
  return machine ? { machine, machines } : null
}
