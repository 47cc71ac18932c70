import { CHECK_RS274, renderCheck } from '@/codecs/check-block'
import { checkContext, type CheckWanted } from '@/core/handover'
import { mmToUnit, fail, ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { getMachine } from '@/db/machine/read'
import type { ControlError } from '@/devices/control/port'
import type { Refusal } from '../refusals'

/** Runs a block with the setter at a place and the tool longer by so much, in the machine's unit. */
export type TryCheck = (
  text: string,
  setter: { readonly at: number; readonly off: number },
) => Promise<Result<{ readonly stopped: boolean; readonly messages: readonly string[] }, ControlError>>

/** Beyond what is allowed by so much the block must have stopped, as a share of it. */
const SURELY = 1.5

/**
 * The block that is pasted before a cut: filled in, and tried three times: as the tool is it must go on, with one that is too short or too
 * long by half as much again as is allowed it must stop.
 */
export async function checkBlock(
  db: Db,
  tryCheck: TryCheck,
  { machine: key, ...wanted }: CheckWanted & { readonly machine: string },
): Promise<Result<{ readonly text: string }, Refusal>> {
  const machine = getMachine(db, key)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: key })
  const check = checkContext(wanted, machine)
  if ('code' in check) return fail(check)
  const text = renderCheck(CHECK_RS274, machine, check)
  if (!text.ok) return fail({ code: 'BAD_TEMPLATE', of: 'check block', detail: text.error.detail })
  const at = mmToUnit(wanted.setterMm, machine.unit)
  const off = mmToUnit(SURELY * wanted.allowedMm, machine.unit)
  for (const [by, stops] of [
    [0, false],
    [-off, true],
    [off, true],
  ] as const) {
    const ran = await tryCheck(text.value, { at, off: by })
    if (!ran.ok) return fail({ code: 'CONTROL', error: ran.error })
    if (ran.value.stopped !== stops) return fail({ code: 'CHECK_WRONG', stopped: ran.value.stopped })
  }
  return ok({ text: text.value })
}
