import { compareTable, registerNumber, registersOf, type CheckRow } from '@/core/handover'
import { nextState } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { moveAssembly } from '@/db/assembly/write'
import { inTransaction, isTaken } from '@/db/connection'
import { controlErrorText, type Control } from '@/devices/control/port'
import { noteRefusal } from '../records/note-refusal'
import type { Refused, Work } from '../work'
import { readLoad, type LoadScans } from './load-sheet'
import { note } from '../records/note'

export interface Loaded {
  readonly pocket: number
  readonly rows: readonly CheckRow[]
  /** What the registers held before. */
  readonly before: Readonly<Record<string, number>>
}

/** Sends the released file to the control, reads its table back, and only then says that the tool is in. */
export async function loadTool(work: Work, control: Control, scans: LoadScans): Promise<Result<Loaded, Refused>> {
  const sheet = readLoad(work.db, scans)
  const { machine, assembly, handover, pocket } = sheet
  const subject = { serial: assembly?.serial, t: assembly?.t, machine: machine?.key }
  const refuse = (refused: Refused) => {
    noteRefusal(work, 'Load', subject, refused)
    return fail(refused)
  }
  const against = sheet.checks.find((c) => c.state !== 'holds')
  if (!sheet.ready || !machine || !assembly || !handover || pocket === null)
    return refuse({
      code: against?.rule.toUpperCase() ?? 'NOT_READY',
      text: against?.text ?? 'Machine, holder and label must be scanned first.',
    })
  const state = nextState(assembly.state, 'load')
  if (!state) return refuse({ code: 'NOT_NOW', text: `${assembly.serial} is ${assembly.state}.` })
  const old = await control.table(machine.key)
  if (!old.ok) return refuse({ code: old.error.code, text: controlErrorText(old.error) })
  const sent = await control.run(machine.key, handover.postText)
  if (!sent.ok) return refuse({ code: sent.error.code, text: controlErrorText(sent.error) })
  const held = await control.table(machine.key)
  if (!held.ok) return refuse({ code: held.error.code, text: controlErrorText(held.error) })
  const check = compareTable(registersOf(handover.values, machine), held.value, machine.unit)
  const wrong = check.rows.find((row) => !row.same)
  if (wrong)
    return refuse({
      code: 'READ_BACK',
      text: `The control holds ${wrong.held ?? 'nothing'} as ${wrong.register} of T${wrong.t}, not ${wrong.measured}. Do not run this tool; correct the register.`,
    })
  const register = registerNumber({ ...handover.values, pocket: handover.values.pocket ?? pocket }, machine) ?? handover.values.t
  const before = { ...(old.value.get(register) ?? {}) } as Record<string, number>
  try {
    const done = inTransaction(work.db, () => {
      if (!moveAssembly(work.db, assembly, { state, pocket, machine: machine.key })) return false
      note(
        work,
        'loaded',
        `Into ${machine.name}, pocket ${pocket}, by hand-over ${handover.values.issue}; offsets written and read back`,
        {
          serial: assembly.serial,
          t: handover.values.t,
          machine: machine.key,
          before,
          after: held.value.get(register) ?? null,
        },
      )
      return true
    })
    if (!done)
      return fail({
        code: 'CHANGED',
        text: `${assembly.serial} was changed by somebody else meanwhile. Look at the control’s table before going on.`,
      })
  } catch (error) {
    if (isTaken(error))
      return fail({
        code: 'POCKET_TAKEN',
        text: `Pocket ${pocket} was taken by somebody else meanwhile. Scan again for another.`,
      })
    throw error
  }
  return ok({ pocket, rows: check.rows, before })
}
