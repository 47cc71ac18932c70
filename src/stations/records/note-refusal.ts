import type { Refused, Work } from '../work'
import { note } from './note'

/** What was refused stands in the record too: which mistakes nearly happened is worth knowing. */
export function noteRefusal(
  work: Work,
  where: string,
  subject: { serial?: string | null; t?: number | null; machine?: string | null },
  refused: Refused,
): void {
  note(work, 'refused', `${where}: ${refused.text}`, {
    serial: subject.serial ?? null,
    t: subject.t ?? null,
    machine: subject.machine ?? null,
    after: { code: refused.code },
  })
}
