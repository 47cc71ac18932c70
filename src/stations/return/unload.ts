import { DONE } from '@/words/answers'
import { isEmptyRow, isWorn, registerNumber, wearOf, type HeldRow, type Wear } from '@/core/handover'
import type { MachineState } from '@/core/load'
import { controlT, isTyped, nextState, SPINDLE, type Assembly, type Machine, type ToolEvent } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { findAssemblies, getAssembly } from '@/db/assembly/read'
import { moveAssembly } from '@/db/assembly/write'
import type { Db } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import { voidCurrent } from '@/db/handover/write'
import { getMachine } from '@/db/machine/read'
import { type Control, type ControlError } from '@/devices/control/port'
import type { TagStation } from '@/devices/tag/port'
import { writeWear } from '../hand-over/write-tag'
import { askControl } from '../load/ask-control'
import { refusalText } from '@/words/refusals'
import { refuse, type Refusal } from '../refusals'
import type { Work } from '../work'
import { must, refuser, write } from '../write'
import { emptyRegister } from './empty-register'
import type { Disposition, Unloaded } from './contract'

/** What becomes of a tool that comes out. */
export interface Inside {
  readonly assembly: Assembly
  readonly machine: Machine
  /** The row of the table it has. */
  readonly register: number
  /** What the control holds for it now; null when it does not answer, or only takes typing. */
  readonly row: HeldRow | null
  readonly wear: Wear | null
  readonly worn: boolean
  /** Minutes it cut by the control's own count; null where it keeps none. */
  readonly cutMin: number | null
  readonly state: MachineState | null
  readonly problem: ControlError | null
}

/** A tool as it stands in its machine; null when it stands in none. */
export async function readInside(db: Db, control: Control, serial: string): Promise<Inside | null> {
  const assembly = getAssembly(db, serial)
  const machine = assembly?.state === 'loaded' && assembly.machine ? getMachine(db, assembly.machine) : null
  if (!assembly || !machine || assembly.t === null) return null
  const { t, pocket, sister } = assembly
  const register = registerNumber({ t, pocket, sister }, machine) ?? t
  const { state, table, problem } = await askControl(control, machine)
  const row = table && (table.get(register) ?? {})
  // emptied already, by an unloading that broke off: the wear it had was kept before
  const kept = row && assembly.wear && isEmptyRow(row, machine) ? assembly.wear : null
  return {
    assembly,
    machine,
    register,
    row,
    wear: kept ?? (row && wearOf(row, machine)),
    worn: kept !== null || (row !== null && isWorn(row)),
    cutMin: state?.cutMin.get(register) ?? null,
    state,
    problem: problem,
  }
}

export interface Unload {
  /** The holder that was scanned as it came out. */
  readonly serial: string
  readonly disposition: Disposition
  readonly reason: string
  /** Minutes it cut while it was in. */
  readonly cutMin: number
  /** Where it goes next; for `other`. */
  readonly to?: string
  /** What to do with its wear when it is used again without a measurement. */
  readonly wear?: 'kept' | 'cleared'
}

/**
 * Takes a tool out: reads its wear, leaves its row as the machine's safe empty state, takes it off the control's list, reads
 * both back, and only then says that the tool is out.
 */
export async function unloadTool(
  work: Work,
  control: Control,
  tag: TagStation | null,
  unload: Unload,
): Promise<Result<Unloaded, Refusal>> {
  const { serial, disposition, reason, cutMin } = unload
  const inside = await readInside(work.db, control, serial)
  if (!inside) return fail({ code: 'NOT_LOADED', serial })
  const { assembly, machine, row, wear } = inside
  const subject = { serial, t: assembly.t, machine: machine.key }
  const refused = refuser(work, 'Return', subject)
  if (!isTyped(machine) && !row) return refused({ code: 'CONTROL', error: inside.problem ?? { code: 'UNREACHABLE', detail: '' } })
  const against = refuseUnload(work.db, inside, unload)
  if (against) return refused(against)
  const carried = disposition === 'other' || (disposition === 'again' && inside.worn)
  const event: ToolEvent = carried ? 'unload-carried' : disposition === 'again' ? 'unload' : 'unload-changed'
  const state = nextState(assembly.state, event)
  if (!state) return refused({ code: 'NOT_NOW', serial, state: assembly.state })
  // while the control was asked somebody else may have taken it out, and put another tool into its row
  const now = keepWear(work, inside)
  if (!now.ok) return now
  const emptied = isTyped(machine) ? ok({}) : await clearControl(work, control, inside)
  if (!emptied.ok) return refused(emptied.error)
  const keeps = carried && unload.wear !== 'cleared' && wear !== null && inside.worn
  const condition = disposition === 'broken' ? ('broken' as const) : disposition === 'scrap' ? ('worn' as const) : undefined
  const brings = keeps ? { lengthMm: wear.lengthMm ?? 0, radiusMm: wear.radiusMm ?? 0 } : null
  const next = disposition === 'other' ? unload.to : undefined
  const done = write(
    work,
    (voided: number | null) => ({
      entry: {
        code: 'UNLOADED',
        machine: machine.name,
        pocket: assembly.pocket,
        disposition,
        to: next ? (getMachine(work.db, next)?.name ?? next) : null,
        wear: carried && inside.worn ? (keeps ? 'kept' : 'cleared') : null,
        reason,
        voided,
      },
      ...subject,
      before: { ...row },
      after: { wear, cutMin, register: emptied.value },
    }),
    (tx) => {
      const moved = moveAssembly(tx.db, now.value, { state, pocket: null, condition, cutMin, wear: brings, machine: next })
      must(moved, { code: 'CHANGED', what: 'tool', serial })
      if (event === 'unload') return null
      return voidCurrent(tx.db, serial, tx.now, { code: 'TAKEN_OUT', machine: machine.name })
    },
  )
  if (!done.ok) return done
  return ok({
    wear,
    state,
    tag: await chipText(work, tag, serial, wear),
    sister: disposition === 'broken' ? sisterOf(work.db, assembly) : null,
  })
}

/**
 * Keeps what the wear registers said with the tool before its row is emptied, so that nothing of it is lost on the way.
 * @returns the tool as it is now
 */
function keepWear(work: Work, { assembly, wear, worn }: Inside): Result<Assembly, Refusal> {
  const { serial } = assembly
  const changed: Refusal = { code: 'CHANGED', what: 'tool', serial }
  const seen = getAssembly(work.db, serial)
  if (seen?.id !== assembly.id || seen.version !== assembly.version) return fail(changed)
  if (!worn || !wear) return ok(seen)
  const brings = { lengthMm: wear.lengthMm ?? 0, radiusMm: wear.radiusMm ?? 0 }
  return write(work, null, (tx) => {
    must(moveAssembly(tx.db, seen, { state: seen.state, pocket: seen.pocket, wear: brings }), changed)
    return getAssembly(tx.db, serial)!
  })
}

/** What speaks against this way out. */
function refuseUnload(db: Db, { assembly, machine, state, worn }: Inside, { disposition, to, wear }: Unload): Refusal | null {
  const { serial, pocket } = assembly
  const own = controlT({ t: assembly.t ?? -1, sister: assembly.sister }, machine)
  if (state?.toolAtDoor && pocket !== null && pocket !== SPINDLE && state.atDoor === pocket) return { code: 'STILL_IN', pocket }
  if (state && state.atDoor !== null && pocket !== SPINDLE && pocket !== null && state.atDoor !== pocket)
    return { code: 'OTHER_POCKET', serial, pocket, atDoor: state.atDoor }
  if (state?.inSpindle && pocket === SPINDLE) return { code: 'STILL_IN', pocket: SPINDLE }
  if (state?.running?.tools.some((t) => t === own || t === assembly.t))
    return { code: 'IN_USE', t: assembly.t, program: state.running.program }
  if (state && state.spindle === own && pocket !== SPINDLE) return { code: 'IN_USE', t: assembly.t, program: null }
  if (disposition === 'again' && !worn && !currentHandover(db, serial)) return { code: 'HANDOVER_OLD' }
  if (disposition === 'again' && worn && wear === undefined) return { code: 'WEAR_UNSAID' }
  if (disposition === 'other') {
    const next = to ? getMachine(db, to) : null
    if (!next || next.key === machine.key) return { code: 'NO_NEXT_MACHINE' }
    if (next.coupling !== machine.coupling)
      return { code: 'NEXT_TAPER', has: assembly.coupling, machine: next.name, needs: next.coupling }
    if (worn && wear === undefined) return { code: 'WEAR_UNSAID' }
  }
  return null
}

/** The row emptied and the list told, both read back. */
async function clearControl(
  work: Work,
  control: Control,
  { assembly, machine, state }: Inside,
): Promise<Result<HeldRow, Refusal>> {
  const said = (error: ControlError) => refuse({ code: 'CONTROL', error })
  const emptied = await emptyRegister(work, control, machine, assembly)
  if (!emptied.ok) return emptied
  const pocket = assembly.pocket ?? -1
  const own = controlT({ t: assembly.t ?? -1, sister: assembly.sister }, machine)
  const lists = (s: MachineState | null) => (pocket === SPINDLE ? s?.spindle : s?.magazine.get(pocket)) === own
  if (!lists(state)) return emptied
  const assigned = await control.assign(machine.key, pocket, null)
  if (!assigned.ok) return said(assigned.error)
  const after = await control.state(machine.key)
  if (!after.ok) return said(after.error)
  if (lists(after.value)) return fail({ code: 'STILL_LISTED', t: assembly.t, pocket })
  return emptied
}

async function chipText(work: Work, tag: TagStation | null, serial: string, wear: Wear | null): Promise<Unloaded['tag']> {
  if (!tag) return null
  const lifeUsedMin = getAssembly(work.db, serial)?.lifeUsedMin ?? 0
  const written = await writeWear(work, tag, serial, {
    lengthMm: wear?.lengthMm ?? null,
    radiusMm: wear?.radiusMm ?? null,
    lifeUsedMin,
  })
  if (!written.ok) return { written: false, text: DONE.chipNotWritten(refusalText(written.error, 'mm')) }
  return written.value === 'written' ? { written: true, text: DONE.chipWritten } : null
}

/** Another tool of the same kind that is measured or released. */
function sisterOf(db: Db, { id, t, definition }: Assembly): string | null {
  if (t === null || !definition) return null
  const ready = findAssemblies(db, { t }).filter(
    (a) =>
      a.id !== id &&
      a.condition === 'fit' &&
      a.definition?.id === definition.id &&
      (a.state === 'released' || a.state === 'measured'),
  )
  return (ready.find((a) => a.state === 'released') ?? ready[0])?.serial ?? null
}
