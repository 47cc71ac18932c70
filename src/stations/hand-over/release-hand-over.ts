import type { Concession, HandoverValues } from '@/core/handover'
import type { SavedMeasurement } from '@/core/judge'
import { isLead, nextState } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { moveAssembly } from '@/db/assembly/write'
import { insertHandover, voidCurrent } from '@/db/handover/write'
import { getJob } from '@/db/job/read'
import type { Control } from '@/devices/control/port'
import { claimed, claimKeys, controlOf, type Claim } from '../claim'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, refuser, write } from '../write'
import { proposeHandover, refuseTrial } from './propose'

export interface Release {
  readonly serial: string
  /** What was scanned to release it: the holder's own mark. */
  readonly scanned: string
  readonly machine?: string
  readonly t?: number
  /** Where it is to stand, given at the bench. */
  readonly pocket?: number
  /** Where the tip of a turning tool points, 1–9. */
  readonly tip?: number
  /** A lead's reason for going on against what only a lead may allow. */
  readonly reason?: string
  /** What a tool out of tolerance may be used for: an open job of the machine, or until a day (ISO 8601 date). */
  readonly concession?: { readonly job: string | null; readonly until: string | null }
}

/** What of a measurement is out of tolerance. */
const outOf = ({ result }: SavedMeasurement): Concession['values'] =>
  result.features.flatMap(({ key, value, limits, verdict }) =>
    verdict === 'off' && limits ? [{ key, value, min: limits.min, max: limits.max }] : [],
  )

/** A concession is for one open job of the machine, or until a day that is still to come. */
function refuseConcession({ db, now }: Work, concession: Release['concession'], machine: string): Refusal | null {
  if (!concession || (concession.job === null && concession.until === null)) return { code: 'CONCESSION_OPEN' }
  const job = concession.job === null ? null : getJob(db, concession.job)
  if (concession.job !== null && (job?.state !== 'open' || job.machine !== machine))
    return { code: 'CONCESSION_JOB', job: concession.job }
  if (concession.until !== null && concession.until < now.slice(0, 10)) return { code: 'CONCESSION_PAST' }
  return null
}

/** Freezes the values under a number, once the control has run the very file that will be sent. Of two at once one is told. */
export const releaseHandover = (
  work: Work,
  control: Control,
  release: Release,
): Promise<Result<{ id: number; issue: number }, Refusal>> =>
  claimed(work, { what: 'release', keys: [claimKeys.tool(release.serial)], waits: false }, (claim) =>
    releaseClaimed(work, controlOf(claim, control), claim, release),
  )

async function releaseClaimed(
  work: Work,
  control: Control,
  claim: Claim,
  release: Release,
): Promise<Result<{ id: number; issue: number }, Refusal>> {
  const proposal = await proposeHandover(work.db, control, release.serial, work.now, release)
  if (!proposal) return fail({ code: 'UNKNOWN_SERIAL', serial: release.serial })
  const { assembly, machine, label, trial, measurement } = proposal
  const refuse = refuser(work, 'Hand over', { serial: assembly.serial, t: assembly.t, machine: machine?.key })
  if (release.scanned !== release.serial)
    return refuse({ code: 'OTHER_HOLDER', scanned: release.scanned, serial: release.serial, nothing: 'released' })
  const overruled = isLead(work.person) && (release.reason ?? '').trim().length >= 5
  const standing = proposal.refusals.filter((r) => !(r.leadMay && overruled))
  if (standing.length) return refuse({ code: 'HANDOVER', refusal: standing[0].refusal })
  const allowed = new Set(proposal.refusals.map((r) => r.refusal.code))
  if (allowed.has('OFF')) {
    const wrong = refuseConcession(work, release.concession, machine?.key ?? '')
    if (wrong) return refuse(wrong)
  }
  const state = nextState(assembly.state, 'release')
  if (!state) return refuse({ code: 'NOT_NOW', serial: assembly.serial, state: assembly.state })
  if (!machine || !proposal.values || !label || !trial || !measurement) return refuse({ code: 'NOT_COMPLETE' })
  if (!trial.ok) return refuse(trial.error)
  const different = refuseTrial(trial.value, machine)
  if (different) return refuse(different)
  const reason = proposal.refusals.length ? release.reason!.trim() : null
  const lead = { reason: reason ?? '', who: work.person.name }
  const concession: Concession | null = allowed.has('OFF')
    ? { ...lead, job: release.concession?.job ?? null, until: release.concession?.until ?? null, values: outOf(measurement) }
    : null
  const values: HandoverValues = {
    ...proposal.values,
    ...(concession ? { concession } : {}),
    ...(allowed.has('OFFSET_DIFFERS') ? { secondOffset: lead } : {}),
  }
  const { issue, t, sister = 0 } = values
  const { serial } = assembly
  const against = proposal.refusals.map((r) => r.refusal)
  const released = write(
    work,
    ({ id, before }: { readonly id: number; readonly before: number | null }) => ({
      entry: { code: 'RELEASED', issue, machine: machine.name, concession, against, reason },
      serial,
      t,
      machine: machine.key,
      before: before === null ? null : { issue: before },
      after: { id, ...values },
    }),
    (tx) => {
      claim.must(tx)
      const moved = moveAssembly(tx.db, assembly, { state, machine: machine.key, t, sister })
      must(moved, { code: 'CHANGED', what: 'tool', serial })
      const before = voidCurrent(tx.db, serial, tx.now, { code: 'REPLACED', issue })
      const id = insertHandover(tx.db, {
        assemblyId: assembly.id,
        measurementId: measurement.id,
        values,
        label,
        postName: machine.post,
        postFile: trial.value.file,
        postText: trial.value.text,
        check: trial.value.check,
        releasedAt: tx.now,
        personId: tx.person.id,
      })
      return { id, before }
    },
  )
  return released.ok ? ok({ id: released.value.id, issue }) : released
}
