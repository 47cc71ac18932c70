import { compareTable, emptyRow, isWorn, registerNumber, registersOf, wearOf, type HeldRow, type Wear } from '@/core/handover'
import { nextState, type Assembly, type Machine } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { moveAssembly } from '@/db/assembly/write'
import { inTransaction, type Db } from '@/db/connection'
import { currentHandover, lastHandover } from '@/db/handover/read'
import { voidCurrent } from '@/db/handover/write'
import { getMachine } from '@/db/machine/read'
import { controlErrorText, type Control } from '@/devices/control/port'
import { tryPost } from '../hand-over/propose'
import { noteRefusal } from '../records/note-refusal'
import { note } from '../records/note'
import type { Refused, Work } from '../work'

/** What becomes of a tool that comes out. */
export const FATES = ['again', 'measure', 'apart', 'broken'] as const
export type Fate = (typeof FATES)[number]

export interface Inside {
  readonly assembly: Assembly
  readonly machine: Machine
  /** The row of the table it has. */
  readonly register: number
  /** What the control holds for it now; null when it does not answer. */
  readonly row: HeldRow | null
  readonly wear: Wear | null
  readonly worn: boolean
  readonly problem: string | null
}

/** A tool as it stands in its machine; null when it stands in none. */
export async function readInside(db: Db, control: Control, serial: string): Promise<Inside | null> {
  const assembly = getAssembly(db, serial)
  const machine = assembly?.state === 'loaded' && assembly.machine ? getMachine(db, assembly.machine) : null
  if (!assembly || !machine || assembly.t === null) return null
  const register = registerNumber({ t: assembly.t, pocket: assembly.pocket }, machine) ?? assembly.t
  const table = await control.table(machine.key)
  const row = table.ok ? (table.value.get(register) ?? {}) : null
  return {
    assembly,
    machine,
    register,
    row,
    wear: row && wearOf(row, machine),
    worn: row !== null && isWorn(row),
    problem: table.ok ? null : controlErrorText(table.error),
  }
}

export interface Unload {
  /** The holder that was scanned as it came out. */
  readonly serial: string
  readonly fate: Fate
  readonly reason: string
  /** Minutes it cut while it was in. */
  readonly cutMin: number
}

/**
 * Takes a tool out: reads its wear, leaves its row as the machine's safe empty state, reads that back, and only then says
 * that the tool is out.
 */
export async function unloadTool(
  work: Work,
  control: Control,
  { serial, fate, reason, cutMin }: Unload,
): Promise<Result<{ readonly wear: Wear; readonly state: Assembly['state'] }, Refused>> {
  const inside = await readInside(work.db, control, serial)
  if (!inside) return fail({ code: 'NOT_LOADED', text: `${serial} stands in no machine. Nothing to take out.` })
  const { assembly, machine, register, row, wear, worn } = inside
  const subject = { serial, t: assembly.t, machine: machine.key }
  const refuse = (refused: Refused) => {
    noteRefusal(work, 'Return', subject, refused)
    return fail(refused)
  }
  if (!row || !wear) return refuse({ code: 'UNREACHABLE', text: inside.problem ?? 'The control does not answer.' })
  const handover = currentHandover(work.db, serial)
  if (fate === 'again' && (worn || !handover))
    return refuse({
      code: 'WORN',
      text: worn
        ? 'It was corrected for wear while it was in: its released figures do not fit any more. Measure it again.'
        : 'Its hand-over is out of date. Measure it again.',
    })
  const event = fate === 'again' ? 'unload' : 'unload-changed'
  const state = nextState(assembly.state, event)
  if (!state) return refuse({ code: 'NOT_NOW', text: `${serial} is ${assembly.state}.` })
  // while the control was asked somebody else may have taken it out, and put another tool into its row
  if (getAssembly(work.db, serial)?.version !== assembly.version)
    return fail({ code: 'CHANGED', text: `${serial} was changed by somebody else meanwhile. Open it again.` })
  const emptied = await emptyRegister(work, control, machine, assembly, register)
  if (!emptied.ok) return refuse(emptied.error)
  const done = inTransaction(work.db, () => {
    const condition = fate === 'broken' ? ('broken' as const) : undefined
    if (!moveAssembly(work.db, assembly, { state, pocket: null, condition, cutMin })) return false
    const voided = fate === 'again' ? null : voidCurrent(work.db, serial, work.now, `taken out of ${machine.name}`)
    note(
      work,
      fate === 'broken' ? 'broken' : 'unloaded',
      `Out of ${machine.name}, pocket ${assembly.pocket ?? '–'}: ${WORDS[fate]}; ${reason}${voided ? `; hand-over ${voided} is out of date` : ''}`,
      { ...subject, before: { ...row }, after: { wear, cutMin, register: { ...emptied.value } } },
    )
    return true
  })
  return done
    ? ok({ wear, state })
    : fail({ code: 'CHANGED', text: `${serial} was changed by somebody else meanwhile. Open it again.` })
}

const WORDS: Readonly<Record<Fate, string>> = {
  again: 'used again as it is',
  measure: 'to be measured again',
  apart: 'to be taken apart',
  broken: 'broken',
}

/** Writes the safe empty state into a row and reads it back. */
async function emptyRegister(
  work: Work,
  control: Control,
  machine: Machine,
  assembly: Assembly,
  register: number,
): Promise<Result<HeldRow, Refused>> {
  const last = lastHandover(work.db, assembly.serial)
  if (!last || assembly.t === null) return fail({ code: 'NO_HANDOVER', text: `${assembly.serial} was never handed over.` })
  const empty = { ...last.values, ...emptyRow(machine), t: assembly.t, pocket: assembly.pocket, cornerRadiusMm: null }
  const post = await tryPost(work.db, control, machine, [{ ...empty, name: 'EMPTY' }], work.now)
  if (!post.ok) return post
  const sent = await control.run(machine.key, post.value.text)
  if (!sent.ok) return fail({ code: sent.error.code, text: controlErrorText(sent.error) })
  const held = await control.table(machine.key)
  if (!held.ok) return fail({ code: held.error.code, text: controlErrorText(held.error) })
  const wrong = compareTable(registersOf(empty, machine), held.value, machine.unit).rows.find((r) => !r.same)
  if (wrong)
    return fail({
      code: 'READ_BACK',
      text: `The control holds ${wrong.held ?? 'nothing'} as ${wrong.register} of the empty row ${register}. Look at its table before anything is called.`,
    })
  return ok(held.value.get(register) ?? {})
}
