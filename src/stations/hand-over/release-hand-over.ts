import { nextState } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { moveAssembly } from '@/db/assembly/write'
import { inTransaction } from '@/db/connection'
import { insertHandover, voidCurrent } from '@/db/handover/write'
import type { Control } from '@/devices/control/port'
import { noteRefusal } from '../records/note-refusal'
import type { Refused, Work } from '../work'
import { proposeHandover, refuseTrial } from './propose'
import { note } from '../records/note'

export interface Release {
  readonly serial: string
  /** What was scanned to release it: the holder's own mark. */
  readonly scanned: string
  readonly machine?: string
  readonly t?: number
  /** Where it is to stand, given at the bench. */
  readonly pocket?: number
  /** A lead's reason for letting an unsure measurement go. */
  readonly reason?: string
}

/** Freezes the values under a number, once the control has run the very file that will be sent. */
export async function releaseHandover(
  work: Work,
  control: Control,
  release: Release,
): Promise<Result<{ id: number; issue: number }, Refused>> {
  const proposal = await proposeHandover(work.db, control, release.serial, work.now, release)
  if (!proposal) return fail({ code: 'UNKNOWN_SERIAL', text: `No tool stands on holder ${release.serial}.` })
  const { assembly, machine, values, label, trial, measurement } = proposal
  const refuse = (refused: Refused) => {
    noteRefusal(work, 'Hand over', { serial: assembly.serial, t: assembly.t, machine: machine?.key }, refused)
    return fail(refused)
  }
  if (release.scanned !== release.serial)
    return refuse({
      code: 'OTHER_HOLDER',
      text: `${release.scanned} was scanned, this sheet is for ${release.serial}. Nothing was released.`,
    })
  const overruled = work.person.role === 'lead' && (release.reason ?? '').trim().length >= 5
  const standing = proposal.refusals.filter((r) => !(r.leadMay && overruled))
  if (standing.length) return refuse(standing[0])
  const state = nextState(assembly.state, 'release')
  if (!state) return refuse({ code: 'NOT_NOW', text: `${assembly.serial} is ${assembly.state}: it cannot be handed over now.` })
  if (!machine || !values || !label || !trial || !measurement)
    return refuse({ code: 'NOT_COMPLETE', text: 'Length, diameter, T and machine must be known.' })
  if (!trial.ok) return refuse(trial.error)
  const different = refuseTrial(trial.value, machine)
  if (different) return refuse(different)
  const reason = proposal.refusals.length ? release.reason!.trim() : null
  const released = inTransaction(work.db, () => {
    if (!moveAssembly(work.db, assembly, { state, machine: machine.key, t: values.t })) return null
    const before = voidCurrent(work.db, assembly.serial, work.now, `replaced by issue ${values.issue}`)
    const id = insertHandover(work.db, {
      assemblyId: assembly.id,
      measurementId: measurement.id,
      values,
      label,
      postName: machine.post,
      postFile: trial.value.file,
      postText: trial.value.text,
      check: trial.value.check,
      releasedAt: work.now,
      personId: work.person.id,
    })
    note(
      work,
      'released',
      `Hand-over ${values.issue} for ${machine.name}${reason ? `, unsure measurement released: ${reason}` : ''}`,
      {
        serial: assembly.serial,
        t: values.t,
        machine: machine.key,
        before: before === null ? null : { issue: before },
        after: { id, ...values },
      },
    )
    return { id, issue: values.issue }
  })
  return released
    ? ok(released)
    : fail({ code: 'CHANGED', text: `${assembly.serial} was changed by somebody else meanwhile. Open it again.` })
}
