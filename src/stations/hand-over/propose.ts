import { encodeLabel } from '@/codecs/label-text'
import { heavyHere, type Heavy } from '@/codecs/heavy'
import { postFileName, SHIPPED_POSTS, type PostTool } from '@/codecs/post'
import {
  checkScratch,
  leadMayOverrule,
  refuseHandover,
  registersOf,
  type HandoverRefusal,
  type HandoverValues,
  type PostCheck,
  type ToolFacts,
} from '@/core/handover'
import type { SavedMeasurement } from '@/core/judge'
import { isTip, isTyped, type Assembly, type Machine, machineTip, stationOff, turretOf } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { currentBalance, type BalanceResult } from '@/db/balance/read'
import type { Db } from '@/db/connection'
import { nextIssue } from '@/db/handover/read'
import { getDefinition, getHolder } from '@/db/library/read'
import { getMachine, getPostTemplate } from '@/db/machine/read'
import { lastMeasurement } from '@/db/measurement/read'
import { type Control } from '@/devices/control/port'
import { sizesOf, type TableRefusal } from './contract'
import type { Refusal } from '../refusals'
import { callsOf } from './calls-of'
import { sisterOf } from './sister-of'
import { toolFacts } from './tool-facts'

export interface PostTrial {
  readonly file: string
  readonly text: string
  readonly check: PostCheck
}

/**
 * Fills a template in and lets the control run it on a scratch table; the live one is not touched.
 * @param fill in place for a post that was tried before it was saved; by a thread what somebody just typed
 */
export async function tryTemplateOn(
  control: Control,
  machine: Machine,
  template: string,
  tools: readonly PostTool[],
  now: string,
  postName = machine.post,
  fill: Heavy['post'] = heavyHere.post,
): Promise<Result<PostTrial, Refusal>> {
  const filled = await fill(template, { machine, madeAt: now, tools })
  if (!filled.ok) return filled
  const rendered = filled.value
  if (!rendered.ok) return fail({ code: 'BAD_TEMPLATE', of: 'post', detail: rendered.error.detail })
  const held = await control.tryFile(machine.key, rendered.value)
  if (!held.ok) return fail({ code: 'CONTROL', error: held.error })
  const check = checkScratch(
    tools.flatMap((tool) => registersOf(tool, machine)),
    held.value,
    machine.unit,
  )
  return ok({ file: postFileName(machine, tools, postName), text: rendered.value, check })
}

/** Why a file may not go to the control after its trial; null when it writes what was wanted and nothing else. */
export function refuseTrial({ check }: PostTrial, machine: Machine): Refusal | null {
  const row = check.rows.find((r) => !r.same)
  const refusal: TableRefusal | null = row
    ? { code: 'POST_DIFFERS', row }
    : check.others?.length
      ? { code: 'POST_WRITES_OTHERS', others: check.others }
      : null
  return refusal && { code: 'TABLE', refusal, machine: sizesOf(machine) }
}

/** A machine's post, tried. */
export async function tryPost(
  db: Db,
  control: Control,
  machine: Machine,
  tools: readonly PostTool[],
  now: string,
  postName = machine.post,
): Promise<Result<PostTrial, Refusal>> {
  const template = getPostTemplate(db, postName) ?? SHIPPED_POSTS[postName] ?? null
  if (template === null) return fail({ code: 'UNKNOWN_POST', post: postName })
  return tryTemplateOn(control, machine, template, tools, now, postName)
}

/** An old control takes no files: its figures are typed and read back by eye. */
const NO_FILE: PostTrial = { file: '', text: '', check: { same: true, rows: [], others: [] } }

/** What a tool's hand-over would freeze, from its last measurement. */
export function valuesOf(
  assembly: Assembly,
  measurement: SavedMeasurement,
  machine: Machine,
  t: number,
  issue: number,
  given: {
    readonly turning: boolean
    readonly pocket?: number | null
    readonly tip?: number | null
    readonly sister?: number
    readonly balance?: BalanceResult | null
    readonly facts?: ToolFacts
  },
): HandoverValues | null {
  const { turning, pocket = null, tip, sister = 0, balance, facts } = given
  const { LF, DC, RE } = measurement.summary
  if (LF === null || DC === null) return null
  // where the turret's station is off, as a master showed it, the tool stands off by as much
  const off = stationOff(machine, pocket) ?? { xMm: 0, zMm: 0 }
  return {
    serial: assembly.serial,
    issue,
    t,
    machine: machine.key,
    unit: machine.unit,
    lengthMm: LF + off.zMm,
    // a drill in a turret stands on the spindle's centre
    radiusMm: machine.kind === 'lathe' && !turning ? 0 : DC / 2 + off.xMm,
    cornerRadiusMm: RE,
    pocket,
    ...(machine.kind === 'lathe' && turning && isTip(tip) ? { tip } : {}),
    ...(sister > 0 ? { sister } : {}),
    ...(assembly.wear ? { wear: assembly.wear } : {}),
    ...(balance ? { balance: { grade: balance.grade, rpm: balance.rpm, goodToRpm: balance.goodToRpm } } : {}),
    ...(facts ? { facts } : {}),
    measuredAt: measurement.at,
  }
}

/** What speaks against a hand-over, and whether a lead may release it all the same. */
export interface ProposalRefusal {
  readonly refusal: HandoverRefusal
  readonly leadMay: boolean
}

export interface HandoverProposal {
  readonly assembly: Assembly
  readonly machine: Machine | null
  readonly t: number | null
  readonly measurement: SavedMeasurement | null
  /** Whether it turns, and where its tip points. */
  readonly turning: boolean
  readonly tip: number | null
  readonly refusals: readonly ProposalRefusal[]
  readonly values: HandoverValues | null
  readonly label: string | null
  readonly trial: Result<PostTrial, Refusal> | null
}

/**
 * @param given machine and T where the tool itself does not name them yet; a pocket where one is given at the bench
 * @returns null when no tool stands on this holder
 */
export async function proposeHandover(
  db: Db,
  control: Control,
  serial: string,
  now: string,
  given: { readonly machine?: string; readonly t?: number; readonly pocket?: number; readonly tip?: number } = {},
): Promise<HandoverProposal | null> {
  const assembly = getAssembly(db, serial)
  if (!assembly) return null
  const machine = getMachine(db, given.machine ?? assembly.machine ?? '')
  const t = given.t ?? assembly.t
  const definition = assembly.definition ? getDefinition(db, assembly.definition.id, assembly.definition.version) : null
  const measurement = assembly.state === 'built' ? null : lastMeasurement(db, assembly.id)
  const turning = definition?.toolClass === 'turn'
  const nose = measurement?.edges[0]?.nose
  const seenTip = nose && machine ? machineTip(nose.q, turretOf(machine)) : null
  const tip = given.tip ?? definition?.tip ?? seenTip
  const sister = machine && t !== null ? sisterOf(db, machine, t, assembly) : 0
  const values =
    measurement && machine && t !== null
      ? valuesOf(assembly, measurement, machine, t, nextIssue(db, serial), {
          turning,
          pocket: given.pocket,
          tip,
          sister,
          balance: currentBalance(db, assembly.id),
          facts: toolFacts(db, assembly, definition, machine),
        })
      : null
  const measured =
    values && measurement ? { lengthMm: values.lengthMm, radiusMm: values.radiusMm, verdict: measurement.verdict } : null
  const found = refuseHandover({
    machine,
    t,
    pocket: given.pocket ?? null,
    sister,
    coupling: assembly.coupling,
    condition: assembly.condition,
    fallen: (getHolder(db, assembly.serial)?.fallenAt ?? null) !== null,
    turning,
    tip,
    seenTip,
    calls: machine && t !== null ? callsOf(db, machine.key, t) : [],
    allowed: definition?.machines ?? null,
    measured: measurement ? (measured ?? { lengthMm: NaN, radiusMm: NaN, verdict: measurement.verdict }) : null,
  })
  const refusals = found.map((refusal) => ({ refusal, leadMay: leadMayOverrule(refusal) }))
  const trial =
    values && machine
      ? isTyped(machine)
        ? ok(NO_FILE)
        : await tryPost(db, control, machine, [{ ...values, name: assembly.name }], now)
      : null
  return { assembly, machine, t, measurement, turning, tip, refusals, values, label: values && encodeLabel(values), trial }
}
