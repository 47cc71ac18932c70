import {
  compareTable,
  otherChanges,
  registerNumber,
  registersOf,
  type HandoverValues,
  type HeldRow,
  type RegisterName,
} from '@/core/handover'
import type { Machine } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import type { Control, ControlTable } from '@/devices/control/port'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { sizesOf } from './contract'
import { refuseTrial, tryPost } from './propose'

interface RowWritten {
  readonly row: HeldRow
  readonly table: ControlTable
}

/**
 * Writes values into a tool's row of the live table and reads it back: its file tried before, everything else as it was after.
 * @param name what the file calls it
 * @param wrongIs what is said of a register that does not hold what was written
 */
export async function writeRow(
  work: Work,
  control: Control,
  machine: Machine,
  values: HandoverValues,
  name: string,
  wrongIs: (wrong: { readonly held: number | null; readonly register: RegisterName; readonly number: number }) => Refusal,
): Promise<Result<RowWritten, Refusal>> {
  const said = (refusal: Extract<Refusal, { code: 'TABLE' }>['refusal']): Refusal => ({
    code: 'TABLE',
    refusal,
    machine: sizesOf(machine),
  })
  const post = await tryPost(work.db, control, machine, [{ ...values, name }], work.now)
  if (!post.ok) return post
  const wrongPost = refuseTrial(post.value, machine)
  if (wrongPost) return fail(wrongPost)
  const before = await control.table(machine.key)
  if (!before.ok) return fail({ code: 'CONTROL', error: before.error })
  const sent = await control.run(machine.key, post.value.text)
  if (!sent.ok) return fail({ code: 'CONTROL', error: sent.error })
  const held = await control.table(machine.key)
  if (!held.ok) return fail({ code: 'CONTROL', error: held.error })
  const unsteady = otherChanges(sent.value, held.value, [])
  if (unsteady.length) return fail(said({ code: 'UNSTEADY', changes: unsteady }))
  const number = registerNumber(values, machine) ?? values.t
  const intended = registersOf(values, machine)
  const wrong = compareTable(intended, held.value, machine.unit).rows.find((r) => !r.same)
  if (wrong) return fail(wrongIs({ held: wrong.held, register: wrong.register, number }))
  const others = otherChanges(before.value, held.value, intended)
  if (others.length) return fail(said({ code: 'OTHERS_CHANGED', others }))
  return ok({ row: held.value.get(number) ?? {}, table: held.value })
}
