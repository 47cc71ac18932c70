import { noteOut } from '@/db/watch/write'
import { DONE } from '@/words/answers'
import { otherChanges, type HeldRow, type Wear } from '@/core/handover'
import type { MachineState } from '@/core/load'
import { controlT, isTyped, nextState, SPINDLE, type Assembly, type ToolEvent } from '@/core/tool'
import { fail, ok, type Result, SI } from '@/core/units'
import { findAssemblies, getAssembly } from '@/db/assembly/read'
import { moveAssembly } from '@/db/assembly/write'
import { voidBalance } from '@/db/balance/write'
import type { Db } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import { voidCurrent } from '@/db/handover/write'
import { getMachine } from '@/db/machine/read'
import { type Control, type ControlError } from '@/devices/control/port'
import type { TagStation } from '@/devices/tag/port'
import { sizesOf } from '../hand-over/contract'
import { writeWear } from '../hand-over/write-tag'
import { refusalText } from '@/words/refusals'
import { deleteUnloadRun, putUnloadRun } from '@/db/unload/write'
import { claimed, claimKeys, controlOf, type Claim } from '../claim'
import { refuse, type Refusal } from '../refusals'
import type { Work } from '../work'
import { must, refuser, write } from '../write'
import { emptyRegister } from './empty-register'
import { readInside, type Inside } from './inside'
import type { Disposition, Unloaded } from './contract'

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

/** What it comes down to: where it is in its life afterwards, and the wear it brings along. */
function outcomeOf({ assembly, wear, worn }: Inside, { disposition, wear: goes }: Unload) {
  const carried = disposition === 'other' || (disposition === 'again' && worn)
  const event: ToolEvent = carried ? 'unload-carried' : disposition === 'again' ? 'unload' : 'unload-changed'
  const keeps = carried && goes !== 'cleared' && wear !== null && worn
  return {
    event,
    state: nextState(assembly.state, event),
    condition: disposition === 'broken' ? ('broken' as const) : disposition === 'scrap' ? ('worn' as const) : undefined,
    brings: keeps ? { lengthMm: wear.lengthMm ?? 0, radiusMm: wear.radiusMm ?? 0 } : null,
    wearGoes: carried && worn ? (keeps ? ('kept' as const) : ('cleared' as const)) : null,
  }
}

/**
 * Takes a tool out: reads its wear, leaves its row as the machine's safe empty state, takes it off the control's list, reads
 * both back, and only then says that the tool is out. That it is on its way out is noted before, so that what breaks off on
 * the way is ended by whoever looks next.
 */
export async function unloadTool(
  work: Work,
  control: Control,
  tag: TagStation | null,
  unload: Unload,
): Promise<Result<Unloaded, Refusal>> {
  const { serial } = unload
  const assembly = getAssembly(work.db, serial)
  if (assembly?.state !== 'loaded' || !assembly.machine) return fail({ code: 'NOT_LOADED', serial })
  const keys = [claimKeys.tool(serial), claimKeys.machine(assembly.machine)]
  const out = await claimed(work, { what: 'unload', keys, waits: true }, (claim) =>
    unloadClaimed(work, controlOf(claim, control), claim, unload),
  )
  if (!out.ok) return out
  const { wear, state } = out.value
  return ok({
    wear,
    state,
    tag: await chipText(work, tag, serial, wear),
    sister: unload.disposition === 'broken' ? sisterOf(work.db, assembly) : null,
  })
}

async function unloadClaimed(
  work: Work,
  control: Control,
  claim: Claim,
  unload: Unload,
): Promise<Result<Pick<Unloaded, 'wear' | 'state'>, Refusal>> {
  const { serial } = unload
  const inside = await readInside(work.db, control, serial)
  if (!inside) return fail({ code: 'CHANGED', what: 'tool', serial })
  const { assembly, machine, row } = inside
  const refused = refuser(work, 'Return', { serial, t: assembly.t, machine: machine.key })
  if (!isTyped(machine) && !row) return refused({ code: 'CONTROL', error: inside.problem ?? { code: 'UNREACHABLE', detail: '' } })
  const against = refuseUnload(work.db, inside, unload)
  if (against) return refused(against)
  if (!outcomeOf(inside, unload).state) return refused({ code: 'NOT_NOW', serial, state: assembly.state })
  // while the control was asked somebody else may have taken it out, and put another tool into its row
  const now = begin(work, claim, inside, unload)
  if (!now.ok) return now
  const out = await clearAndRecord(work, control, claim, { ...inside, assembly: now.value }, unload, false)
  return out.ok || out.error.code === 'CHANGED' ? out : refused(out.error)
}

/**
 * Empties the row, takes the tool off the control's list, and says that it is out.
 * @param late whether it broke off before and is ended now
 */
export async function clearAndRecord(
  work: Work,
  control: Control,
  claim: Claim,
  inside: Inside,
  unload: Unload,
  late: boolean,
): Promise<Result<Pick<Unloaded, 'wear' | 'state'>, Refusal>> {
  const { serial, disposition, reason, cutMin } = unload
  const { assembly, machine, row, wear } = inside
  const { event, state, condition, brings, wearGoes } = outcomeOf(inside, unload)
  if (!state) return fail({ code: 'NOT_NOW', serial, state: assembly.state })
  const emptied = isTyped(machine) ? ok({}) : await clearControl(work, control, inside)
  if (!emptied.ok) return emptied
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
        wear: wearGoes,
        reason,
        voided,
        late,
      },
      serial,
      t: assembly.t,
      machine: machine.key,
      before: { ...row },
      after: { wear, cutMin, register: emptied.value },
    }),
    (tx) => {
      claim.must(tx)
      deleteUnloadRun(tx.db, serial)
      noteOut(tx.db, serial, tx.now)
      const moved = moveAssembly(tx.db, assembly, { state, pocket: null, condition, cutMin, wear: brings, machine: next })
      must(moved, { code: 'CHANGED', what: 'tool', serial })
      if (state === 'built') voidBalance(tx.db, assembly.id, tx.now, { code: 'TAKEN_OUT', machine: machine.name })
      if (event === 'unload') return null
      return voidCurrent(tx.db, serial, tx.now, { code: 'TAKEN_OUT', machine: machine.name })
    },
  )
  return done.ok ? ok({ wear, state }) : done
}

/**
 * Notes that the tool is on its way out, and keeps with it what the wear registers said before its row is emptied, so that
 * nothing is lost on the way.
 * @returns the tool as it is now
 */
function begin(work: Work, claim: Claim, inside: Inside, unload: Unload): Result<Assembly, Refusal> {
  const { assembly, machine, wear, worn } = inside
  const { serial } = assembly
  const changed: Refusal = { code: 'CHANGED', what: 'tool', serial }
  const seen = getAssembly(work.db, serial)
  if (seen?.id !== assembly.id || seen.version !== assembly.version) return fail(changed)
  return write(work, null, (tx) => {
    claim.must(tx)
    if (!isTyped(machine))
      putUnloadRun(tx.db, {
        serial,
        assemblyId: assembly.id,
        machine: machine.key,
        asked: unload,
        personId: tx.person.id,
        startedAt: tx.now,
      })
    if (!worn || !wear) return seen
    const brings = { lengthMm: wear.lengthMm ?? 0, radiusMm: wear.radiusMm ?? 0 }
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
  // a list that only others write is theirs to put right
  const lists = (s: MachineState | null) =>
    s?.listed === true && (pocket === SPINDLE ? s?.spindle : s?.magazine.get(pocket)) === own
  if (lists(state)) {
    const assigned = await control.assign(machine.key, pocket, null)
    if (!assigned.ok) return said(assigned.error)
  }
  const after = await control.state(machine.key)
  if (!after.ok) return said(after.error)
  const still = !after.value.listed
    ? undefined
    : lists(after.value)
      ? pocket
      : [...after.value.magazine].find(([, t]) => t === own)?.[0]
  if (still !== undefined) return fail({ code: 'STILL_LISTED', t: assembly.t, pocket: still })
  const last = await control.table(machine.key)
  if (!last.ok) return said(last.error)
  const moved = otherChanges(emptied.value.table, last.value, [])
  if (moved.length) return fail({ code: 'TABLE', refusal: { code: 'UNSTEADY', changes: moved }, machine: sizesOf(machine) })
  return ok(emptied.value.row)
}

async function chipText(work: Work, tag: TagStation | null, serial: string, wear: Wear | null): Promise<Unloaded['tag']> {
  if (!tag) return null
  const lifeUsedMin = getAssembly(work.db, serial)?.lifeUsedMin ?? 0
  const written = await writeWear(work, tag, serial, {
    lengthMm: wear?.lengthMm ?? null,
    radiusMm: wear?.radiusMm ?? null,
    lifeUsedMin,
  })
  if (!written.ok) return { written: false, text: DONE.chipNotWritten(refusalText(written.error, SI)) }
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
