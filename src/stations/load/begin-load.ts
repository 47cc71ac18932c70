import { registersOf, type RegisterName } from '@/core/handover'
import { stepNow, type LoadRun, type LoadStep } from '@/core/load'
import { isTyped, pocketText, SPINDLE, type LoadRule, type Machine } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { isTaken, inTransaction } from '@/db/connection'
import { getHandover } from '@/db/handover/read'
import { getLoadRun, listLoadRuns } from '@/db/load/read'
import { insertLoadRun, updateLoadRun } from '@/db/load/write'
import { getMachine } from '@/db/machine/read'
import { getPerson } from '@/db/person/read'
import { type Control } from '@/devices/control/port'
import { note } from '../records/note'
import { noteRefusal } from '../records/note-refusal'
import { sizesOf } from '../hand-over/contract'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { readLoad, type LoadScans, type LoadSheet } from './load-sheet'
import { loadSaidText } from '@/words/load'

/** Why somebody goes on against a rule. */
export interface Reason {
  readonly rule: LoadRule
  readonly reason: string
}

export interface Begin extends LoadScans {
  readonly reasons: readonly Reason[]
}

const saidOf = ({ findings }: LoadSheet, machine: Machine, rule: LoadRule): string => {
  const finding = findings.find((f) => f.rule === rule)
  return finding ? loadSaidText(finding.said, machine) : ''
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
  const refuse = (refused: Refusal) => {
    noteRefusal(work, 'Load', { serial: assembly?.serial, t: assembly?.t, machine: machine?.key }, refused)
    return fail(refused)
  }
  if (sheet.run) return ok({ pocket: sheet.run.pocket })
  const missing = sheet.scans.find((line) => line.state !== 'holds')
  if (missing || !machine || !assembly || !handover) return refuse({ code: 'SCANS', said: missing?.said ?? null })
  const overruled: LoadRun['overruled'][number][] = []
  for (const finding of sheet.findings) {
    const { rule, state, may } = finding
    if (state === 'holds' || state === 'told') continue
    const reason = begin.reasons.find((r) => r.rule === rule)?.reason.trim() ?? ''
    if (state === 'refused' || may === 'nobody') return refuse({ code: 'RULE', finding, machine, ask: null })
    if (reason.length < 3) return refuse({ code: 'RULE', finding, machine, ask: 'reason' })
    if (may === 'lead' && work.person.role !== 'lead') return refuse({ code: 'RULE', finding, machine, ask: 'lead' })
    overruled.push({ rule, reason, who: work.person.name })
  }
  if (pocket === null) return refuse({ code: 'NO_POCKET', machine: machine.name })
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
        note(work, 'overruled', `Load: ${saidOf(sheet, machine, rule)} ${reason}`, {
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
      code: 'FIRST',
      who: (first && getPerson(db, first.personId)?.name) ?? null,
      serial: first?.serial ?? null,
      machine: machine.name,
      pocket: first?.pocket ?? pocket,
    })
  }
  return ok({ pocket })
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
  return updateLoadRun(work.db, run, { ...run, ticks: { ...run.ticks, [step]: true } }) ? ok(null) : fail(CHANGED(serial))
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
    const refused = { code: 'TYPED_WRONG', register, shown: value, wanted: wanted.rounded, machine: sizesOf(machine) } as const
    noteRefusal(work, 'Load', { serial, t: run.t, machine: run.machine }, refused)
    return fail(refused)
  }
  return updateLoadRun(work.db, run, { ...run, typed: { ...run.typed, [register]: value } }) ? ok(null) : fail(CHANGED(serial))
}
