import { registersOf, type RegisterName } from '@/core/handover'
import { stepNow, type LoadFinding, type LoadRun, type LoadStep } from '@/core/load'
import { isLead, isTyped, SPINDLE, type LoadRule } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { getHandover } from '@/db/handover/read'
import { getLoadRun, listLoadRuns } from '@/db/load/read'
import { insertLoadRun, updateLoadRun } from '@/db/load/write'
import { getMachine } from '@/db/machine/read'
import { getPerson } from '@/db/person/read'
import { type Control } from '@/devices/control/port'
import { sizesOf } from '../hand-over/contract'
import type { Refusal } from '../refusals'
import { refuseUnlearned } from '../teaching/conditions'
import type { Work } from '../work'
import { must, note, refuser, write } from '../write'
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
): Promise<Result<{ readonly pocket: number }, Refusal>> {
  const { db } = work
  const sheet = await readLoad(db, control, begin, work.now)
  const { machine, assembly, handover, pocket } = sheet
  const refuse = refuser(work, 'Load', { serial: assembly?.serial, t: assembly?.t, machine: machine?.key })
  const unlearned = refuseUnlearned(db, work.person, 'load', machine?.key)
  if (unlearned) return refuse(unlearned)
  if (sheet.run) return ok({ pocket: sheet.run.pocket })
  const missing = sheet.scans.find((line) => line.state !== 'holds')
  if (missing || !machine || !assembly || !handover) return refuse({ code: 'SCANS', said: missing?.said ?? null })
  const overruled: (LoadRun['overruled'][number] & { readonly said: LoadFinding['said'] })[] = []
  for (const finding of sheet.findings) {
    const { rule, state, may } = finding
    if (state === 'holds' || state === 'noted') continue
    const reason = begin.reasons.find((r) => r.rule === rule)?.reason.trim() ?? ''
    if (state === 'refused' || may === 'nobody') return refuse({ code: 'RULE', finding, machine, ask: null })
    if (reason.length < 3) return refuse({ code: 'RULE', finding, machine, ask: 'reason' })
    if (may === 'lead' && !isLead(work.person)) return refuse({ code: 'RULE', finding, machine, ask: 'lead' })
    overruled.push({ rule, reason, who: work.person.name, said: finding.said })
  }
  if (pocket === null) return refuse({ code: 'NO_POCKET', machine: machine.name })
  const { serial } = assembly
  const { t, issue, sister = 0 } = handover.values
  const about = { serial, t, machine: machine.key }
  const begun = write(
    work,
    { entry: { code: 'LOAD_BEGUN', machine: machine.name, pocket, issue }, ...about },
    (tx) => {
      insertLoadRun(tx.db, {
        ...about,
        pocket,
        sister,
        handover: handover.id,
        overruled: overruled.map(({ rule, reason, who }) => ({ rule, reason, who })),
        ticks: {},
        typed: {},
        sent: false,
        personId: tx.person.id,
        startedAt: tx.now,
      })
      for (const { rule, reason, said } of overruled)
        note(tx, { entry: { code: 'LOAD_OVERRULED', said, machine, reason }, ...about, after: { rule } })
      return { pocket }
    },
    { code: 'FIRST', who: null, serial: null, machine: machine.name, pocket },
  )
  if (begun.ok || begun.error.code !== 'FIRST') return begun
  const first = listLoadRuns(db).find(
    (r) => r.serial === serial || (r.machine === machine.key && (r.pocket === pocket || r.t === t)),
  )
  const who = (first && getPerson(db, first.personId)?.name) ?? null
  return fail({ ...begun.error, who, serial: first?.serial ?? null, pocket: first?.pocket ?? pocket })
}

const NOT_BEGUN = (serial: string): Refusal => ({ code: 'LOAD_NOT_BEGUN', serial })
const CHANGED = (serial: string): Refusal => ({ code: 'CHANGED', what: 'load', serial })

/** Turns the magazine until the pocket stands at the loading place. It moves: the door must be shut. */
export async function turnMagazine(work: Work, control: Control, serial: string): Promise<Result<null, Refusal>> {
  const run = getLoadRun(work.db, serial)
  if (!run) return fail(NOT_BEGUN(serial))
  if (run.pocket === SPINDLE) return fail({ code: 'NOT_BY_HAND' })
  const turned = await control.turnTo(run.machine, run.pocket)
  return turned.ok ? ok(null) : fail({ code: 'CONTROL', error: turned.error })
}

/** Whoever loads says that a step is done that no switch watches; only the one that is due. */
export async function tickStep(work: Work, control: Control, serial: string, step: LoadStep): Promise<Result<null, Refusal>> {
  const sheet = await readLoad(work.db, control, { serial }, work.now)
  const { run, steps } = sheet
  if (!run) return fail(NOT_BEGUN(serial))
  const line = steps.find((s) => s.step === step)
  if (!line || line.state !== 'now' || stepNow(steps) !== step || step === 'written' || step === 'recorded')
    return fail({ code: 'NOT_THIS_STEP' })
  if (line.watched) return fail({ code: 'WATCHED', step: line })
  return write(work, null, (tx) => {
    must(updateLoadRun(tx.db, run, { ...run, ticks: { ...run.ticks, [step]: true } }), CHANGED(serial))
    return null
  })
}

/** One figure as the operator reads it off a control that only takes typing; another than wanted is refused. */
export function typeFigure(work: Work, serial: string, register: RegisterName, value: number): Result<null, Refusal> {
  const run = getLoadRun(work.db, serial)
  const machine = run && getMachine(work.db, run.machine)
  const handover = run && getHandover(work.db, run.handover)
  if (!run || !machine || !handover) return fail(NOT_BEGUN(serial))
  if (!isTyped(machine)) return fail({ code: 'READS_BACK_ITSELF', machine: machine.name })
  const wanted = registersOf({ ...handover.values, pocket: run.pocket }, machine).find((r) => r.register === register)
  if (!wanted) return fail({ code: 'NO_SUCH_REGISTER', machine: machine.name, register })
  if (value !== wanted.rounded) {
    const refuse = refuser(work, 'Load', { serial, t: run.t, machine: run.machine })
    return refuse({ code: 'TYPED_WRONG', register, shown: value, wanted: wanted.rounded, machine: sizesOf(machine) })
  }
  return write(work, null, (tx) => {
    must(updateLoadRun(tx.db, run, { ...run, typed: { ...run.typed, [register]: value } }), CHANGED(serial))
    return null
  })
}
