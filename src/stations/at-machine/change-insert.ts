import { controlT, isTyped, numberOf, tableOf, valueOf, type Assembly, type Component, type Machine } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { moveAssembly } from '@/db/assembly/write'
import { voidBalance } from '@/db/balance/write'
import type { Db } from '@/db/connection'
import { lastHandover } from '@/db/handover/read'
import { voidCurrent } from '@/db/handover/write'
import { getComponent } from '@/db/library/read'
import { getMachine } from '@/db/machine/read'
import type { Control } from '@/devices/control/port'
import { claimed, claimKeys, controlOf, type Claim } from '../claim'
import { writeRow } from '../hand-over/write-row'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, refuser, write } from '../write'
import type { InsertTool } from './contract'

/** Classes of ISO 1832 whose inserts sit so far apart that no wear of zero is right for the next one (from memory). */
const COARSE = ['J', 'K', 'L', 'M', 'N', 'U']

interface Change {
  readonly serial: string
  /** Which cutting edge of the insert is used now, from 1. */
  readonly edge: number
  /** What the wear registers are from now on: zero, or as a probe has left them. */
  readonly wear: 'zero' | 'as probed'
  readonly version: number
}

const insertOf = (db: Db, { parts }: Assembly): Component | null => {
  const line = parts.find(({ role }) => role === 'insert')
  return line ? getComponent(db, line.component) : null
}

/** An insert turned or changed while its tool stays in the machine. */
export async function changeInsert(work: Work, control: Control, given: Change): Promise<Result<null, Refusal>> {
  const { serial, version } = given
  const assembly = getAssembly(work.db, serial)
  if (!assembly) return fail({ code: 'UNKNOWN_SERIAL', serial })
  const machine = assembly.machine ? getMachine(work.db, assembly.machine) : null
  const refuse = refuser(work, 'Load', { serial, t: assembly.t, machine: assembly.machine })
  if (!machine || assembly.state !== 'loaded') return refuse({ code: 'NOT_IN_MACHINE', serial })
  if (assembly.version !== version) return fail({ code: 'CHANGED', what: 'tool', serial })
  const insert = insertOf(work.db, assembly)
  if (!insert) return refuse({ code: 'NO_INSERT', serial })
  const edges = numberOf(insert, 'insertEdges') ?? 1
  if (given.edge > edges) return refuse({ code: 'NO_SUCH_EDGE', edge: given.edge, edges })
  const insertClass = valueOf(insert, 'insertClass')
  if (given.wear === 'zero' && typeof insertClass === 'string' && COARSE.includes(insertClass))
    return refuse({ code: 'COARSE_INSERT', insertClass })
  const keys = [claimKeys.tool(serial), claimKeys.machine(machine.key)]
  return claimed(work, { what: 'load', keys, waits: true }, (claim) =>
    changed(work, controlOf(claim, control), claim, { assembly, machine, edges, given }),
  )
}

interface InHand {
  readonly assembly: Assembly
  readonly machine: Machine
  readonly edges: number
  readonly given: Change
}

async function changed(
  work: Work,
  control: Control,
  claim: Claim,
  { assembly, machine, edges, given }: InHand,
): Promise<Result<null, Refusal>> {
  const { serial, t, pocket, sister, lifeUsedMin } = assembly
  const { edge, wear } = given
  const typed = isTyped(machine)
  if (!typed || machine.agent) {
    const state = await control.state(machine.key)
    if (!state.ok) return fail({ code: 'CONTROL', error: state.error })
    const { running } = state.value
    const own = controlT({ t: t ?? -1, sister }, machine)
    if (running?.tools.some((one) => one === own || one === t)) return fail({ code: 'EDGE_IN_USE', t, program: running.program })
  }
  if (wear === 'zero' && !typed) {
    const last = lastHandover(work.db, serial)
    if (!last) return fail({ code: 'NO_HANDOVER', serial })
    // this once the wear is set to zero, also where the shop keeps it otherwise
    const zeroed: Machine = { ...machine, table: { ...tableOf(machine), wear: 'zero' } }
    const values = { ...last.values, t: t ?? last.values.t, pocket, sister, wear: undefined }
    const written = await writeRow(work, control, zeroed, values, 'NEW EDGE', (wrong) => ({ code: 'NOT_ZEROED', ...wrong }))
    if (!written.ok) return written
  }
  const entry = { code: 'INSERT_CHANGED', machine: machine.name, edge, edges, wear } as const
  return write(work, { entry, serial, t, machine: machine.key }, (tx) => {
    claim.must(tx)
    // its life begins anew; it stays where it is
    const moved = moveAssembly(tx.db, assembly, { state: 'loaded', pocket, condition: 'fit', cutMin: -lifeUsedMin })
    must(moved, { code: 'CHANGED', what: 'tool', serial })
    // what was measured was the other edge: it is measured when it comes out
    voidBalance(tx.db, assembly.id, tx.now, { code: 'DISTURBED', what: 'insert turned' })
    voidCurrent(tx.db, serial, tx.now, { code: 'DISTURBED', what: 'insert turned' })
    return null
  })
}

/** Those of a machine's tools that have inserts. */
export function insertTools(db: Db, machine: Machine, tools: readonly Assembly[]): InsertTool[] {
  return tools.flatMap((assembly) => {
    const insert = insertOf(db, assembly)
    const { serial, t, name, version } = assembly
    return insert ? [{ serial, t, name, version, edges: numberOf(insert, 'insertEdges') ?? 1, typed: isTyped(machine) }] : []
  })
}
