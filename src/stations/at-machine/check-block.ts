import { CHECK_RS274 } from '@/codecs/check-block'
import type { Heavy } from '@/codecs/heavy'
import { checkContext, type CheckWanted } from '@/core/handover'
import { isLead, type Person } from '@/core/tool'
import { mmToUnit, fail, ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { getMachine } from '@/db/machine/read'
import type { ControlError } from '@/devices/control/port'
import { updateMachine } from '@/db/machine/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, refuser, write } from '../write'

/** Runs a block with the setter at a place and the tool longer by so much, in the machine's unit. */
export type TryCheck = (
  text: string,
  setter: { readonly at: number; readonly off: number },
) => Promise<Result<{ readonly stopped: boolean; readonly messages: readonly string[] }, ControlError>>

/** What fills a template in, and what runs it. */
export interface Checking {
  readonly heavy: Pick<Heavy, 'check'>
  readonly tryCheck: TryCheck
}
type CheckAsked = CheckWanted & { readonly machine: string; readonly template?: string | null }

/** Beyond what is allowed by so much the block must have stopped, as a share of it. */
const SURELY = 1.5

/**
 * The block that is pasted before a cut: filled in, and tried three times: as the tool is it must go on, with one that is too short or too
 * long by half as much again as is allowed it must stop.
 */
export async function checkBlock(
  { db, heavy, tryCheck, person }: Checking & { readonly db: Db; readonly person: Person | null },
  { machine: key, template = null, ...wanted }: CheckAsked,
): Promise<Result<{ readonly text: string }, Refusal>> {
  const machine = getMachine(db, key)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: key })
  if (template !== null && !isLead(person)) return fail({ code: 'LEAD_ONLY', what: 'templates' })
  const check = checkContext(wanted, machine)
  if ('code' in check) return fail(check)
  const filled = await heavy.check(template ?? machine.checkBlock ?? CHECK_RS274, machine, check)
  if (!filled.ok) return filled
  const text = filled.value
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

/** Keeps a machine's own template; one that was tried and did otherwise is not kept. */
export async function keepCheckBlock(
  work: Work,
  checking: Checking,
  { version, ...asked }: CheckAsked & { readonly template: string | null; readonly version: number },
): Promise<Result<null, Refusal>> {
  const machine = getMachine(work.db, asked.machine)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: asked.machine })
  const changed: Refusal = { code: 'CHANGED', what: 'machine', machine: machine.name }
  if (machine.version !== version) return fail(changed)
  const before = machine.checkBlock
  const template = asked.template ?? CHECK_RS274
  const tried = await checkBlock({ ...checking, db: work.db, person: work.person }, { ...asked, template })
  if (!tried.ok) return refuser(work, 'Load', { machine: machine.key })(tried.error)
  const own = template === CHECK_RS274 ? undefined : template
  const entry = { code: 'CHECK_KEPT', machine: machine.name, own: own !== undefined } as const
  return write(work, { entry, machine: machine.key, before: { template: before ?? null }, after: { template } }, (tx) => {
    must(updateMachine(tx.db, machine, { ...machine, checkBlock: own }), changed)
    return null
  })
}
