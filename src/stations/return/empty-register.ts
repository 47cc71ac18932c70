import { compareTable, emptyRow, otherChanges, registerNumber, registersOf, type HeldRow } from '@/core/handover'
import type { Assembly, Machine } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { lastHandover } from '@/db/handover/read'
import { type Control, type ControlTable } from '@/devices/control/port'
import { refuseTrial, tryPost } from '../hand-over/propose'
import { sizesOf } from '../hand-over/contract'
import type { Refusal } from '../refusals'
import type { Work } from '../work'

/** Writes the safe empty state into a tool's row and reads it back. */
export async function emptyRegister(
  work: Work,
  control: Control,
  machine: Machine,
  { serial, t, pocket, sister }: Pick<Assembly, 'serial' | 't' | 'pocket' | 'sister'>,
): Promise<Result<{ readonly row: HeldRow; readonly table: ControlTable }, Refusal>> {
  const last = lastHandover(work.db, serial)
  if (!last || t === null) return fail({ code: 'NO_HANDOVER', serial })
  const empty = { ...last.values, ...emptyRow(machine), t, pocket, sister, cornerRadiusMm: null, wear: undefined }
  const post = await tryPost(work.db, control, machine, [{ ...empty, name: 'EMPTY' }], work.now)
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
  if (unsteady.length) return fail({ code: 'TABLE', refusal: { code: 'UNSTEADY', changes: unsteady }, machine: sizesOf(machine) })
  const register = registerNumber({ t, pocket, sister }, machine) ?? t
  const intended = registersOf(empty, machine)
  const wrong = compareTable(intended, held.value, machine.unit).rows.find((r) => !r.same)
  if (wrong) return fail({ code: 'NOT_EMPTY', held: wrong.held, register: wrong.register, number: register })
  const others = otherChanges(before.value, held.value, intended)
  if (others.length) return fail({ code: 'TABLE', refusal: { code: 'OTHERS_CHANGED', others }, machine: sizesOf(machine) })
  return ok({ row: held.value.get(register) ?? {}, table: held.value })
}
