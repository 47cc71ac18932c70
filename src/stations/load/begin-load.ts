import { registersOf, type RegisterName } from '@/core/handover'
import { stepNow, type LoadRun, type LoadStep } from '@/core/load'
import { isTyped, pocketText, SPINDLE, type LoadRule } from '@/core/tool'
import { fail, fixed, ok, type Result } from '@/core/units'
import { isTaken, inTransaction } from '@/db/connection'
import { getHandover } from '@/db/handover/read'
import { getLoadRun, listLoadRuns } from '@/db/load/read'
import { insertLoadRun, updateLoadRun } from '@/db/load/write'
import { getMachine } from '@/db/machine/read'
import { getPerson } from '@/db/person/read'
import { controlErrorText, type Control } from '@/devices/control/port'
import { note } from '../records/note'
import { noteRefusal } from '../records/note-refusal'
import type { Refused, Work } from '../work'
import { readLoad, type LoadScans } from './load-sheet'

/** Why somebody goes on against a rule. */
export interface Reason {
  readonly rule: LoadRule
  readonly reason: string
}

export interface Begin extends LoadScans {
  readonly reasons: readonly Reason[]
}

/** Claims the pocket and the tool, when every rule holds or was overruled by who may. */
export async function beginLoad(
  work: Work,
  control: Control,
  begin: Begin,
): Promise<Result<{ readonly pocket: number }, Refused>> {
  const { db } = work
  const sheet = await readLoad(db, control, begin, work.now)
  const { machine, assembly, handover, pocket } = sheet
  const refuse = (refused: Refused) => {
    noteRefusal(work, 'Load', { serial: assembly?.serial, t: assembly?.t, machine: machine?.key }, refused)
    return fail(refused)
  }
  if (sheet.run) return ok({ pocket: sheet.run.pocket })
  const missing = sheet.scans.find((line) => line.state !== 'holds')
  if (missing || !machine || !assembly || !handover)
    return refuse({
      code: missing?.rule.toUpperCase() ?? 'NOT_READY',
      text: missing?.text ?? 'Machine, holder and label must be scanned first.',
    })
  const overruled: LoadRun['overruled'][number][] = []
  for (const { rule, state, text, may } of sheet.findings) {
    if (state === 'holds' || state === 'told') continue
    const reason = begin.reasons.find((r) => r.rule === rule)?.reason.trim() ?? ''
    if (state === 'refused' || may === 'nobody') return refuse({ code: rule.toUpperCase(), text })
    if (reason.length < 3) return refuse({ code: rule.toUpperCase(), text: `${text} To go on, say why.` })
    if (may === 'lead' && work.person.role !== 'lead')
      return refuse({ code: rule.toUpperCase(), text: `${text} Only a lead may go on against it.` })
    overruled.push({ rule, reason, who: work.person.name })
  }
  if (pocket === null) return refuse({ code: 'POCKET', text: `${machine.name} has no pocket for it.` })
  try {
    inTransaction(db, () => {
      insertLoadRun(db, {
        serial: assembly.serial,
        machine: machine.key,
        pocket,
        t: handover.values.t,
        sister: handover.values.sister ?? 0,
        handover: handover.id,
        overruled,
        ticks: {},
        typed: {},
        sent: false,
        personId: work.person.id,
        startedAt: work.now,
      })
      const about = { serial: assembly.serial, t: handover.values.t, machine: machine.key }
      for (const { rule, reason } of overruled)
        note(work, 'overruled', `Load: ${sheet.findings.find((f) => f.rule === rule)?.text} ${reason}`, {
          ...about,
          after: { rule },
        })
      note(work, 'load begun', `For ${machine.name}, ${pocketText(pocket)}, by hand-over ${handover.values.issue}`, about)
    })
  } catch (error) {
    if (!isTaken(error)) throw error
    const first = listLoadRuns(db).find(
      (r) => r.serial === assembly.serial || (r.machine === machine.key && (r.pocket === pocket || r.t === handover.values.t)),
    )
    return fail({
      code: 'TAKEN',
      text: `${(first && getPerson(db, first.personId)?.name) ?? 'Somebody'} was first: ${first?.serial ?? 'another tool'} is on its way into ${machine.name}, ${pocketText(first?.pocket ?? pocket)}. Scan again.`,
    })
  }
  return ok({ pocket })
}

const NOT_BEGUN = (serial: string): Refused => ({ code: 'NOT_BEGUN', text: `No load of ${serial} is under way. Scan it again.` })
const CHANGED = (serial: string): Refused => ({
  code: 'CHANGED',
  text: `The load of ${serial} was changed by somebody else meanwhile. Look again.`,
})

/** Turns the magazine until the pocket stands at the loading place. It moves: the door must be shut. */
export async function turnMagazine(work: Work, control: Control, serial: string): Promise<Result<null, Refused>> {
  const run = getLoadRun(work.db, serial)
  if (!run) return fail(NOT_BEGUN(serial))
  if (run.pocket === SPINDLE) return fail({ code: 'NOT_NOW', text: 'By hand into the spindle the magazine stays where it is.' })
  const turned = await control.turnTo(run.machine, run.pocket)
  return turned.ok ? ok(null) : fail({ code: turned.error.code, text: controlErrorText(turned.error) })
}

/** Whoever loads says that a step is done that no switch watches; only the one that is due. */
export async function tickStep(work: Work, control: Control, serial: string, step: LoadStep): Promise<Result<null, Refused>> {
  const sheet = await readLoad(work.db, control, { serial }, work.now)
  const { run, steps } = sheet
  if (!run) return fail(NOT_BEGUN(serial))
  const line = steps.find((s) => s.step === step)
  if (!line || line.state !== 'now' || stepNow(steps) !== step || step === 'written' || step === 'recorded')
    return fail({ code: 'NOT_NOW', text: 'That is not the step to do now. Look at the sheet again.' })
  if (line.watched) return fail({ code: 'WATCHED', text: `A switch watches this: ${line.text.toLowerCase()} is not seen yet.` })
  return updateLoadRun(work.db, run, { ...run, ticks: { ...run.ticks, [step]: true } }) ? ok(null) : fail(CHANGED(serial))
}

/** One figure as the operator reads it off a control that only takes typing; another than wanted is refused. */
export function typeFigure(work: Work, serial: string, register: RegisterName, value: number): Result<null, Refused> {
  const run = getLoadRun(work.db, serial)
  const machine = run && getMachine(work.db, run.machine)
  const handover = run && getHandover(work.db, run.handover)
  if (!run || !machine || !handover) return fail(NOT_BEGUN(serial))
  if (!isTyped(machine)) return fail({ code: 'NOT_NOW', text: `${machine.name} reads its figures back by itself.` })
  const wanted = registersOf({ ...handover.values, pocket: run.pocket }, machine).find((r) => r.register === register)
  if (!wanted) return fail({ code: 'NO_REGISTER', text: `${machine.name} has no ${register}.` })
  if (value !== wanted.rounded) {
    const refused = {
      code: 'READ_BACK',
      text: `The control shows ${fixed(value, machine.decimals)} as ${register}; it should be ${fixed(wanted.rounded, machine.decimals)}. Type it again at the control, then read it back.`,
    }
    noteRefusal(work, 'Load', { serial, t: run.t, machine: run.machine }, refused)
    return fail(refused)
  }
  return updateLoadRun(work.db, run, { ...run, typed: { ...run.typed, [register]: value } }) ? ok(null) : fail(CHANGED(serial))
}
