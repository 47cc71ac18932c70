import { refusalText } from '@/words/refusals'
import { outerCode, type Refusal } from '../refusals'
import type { Work } from '../work'
import { note } from './note'

/** What was refused stands in the record too: which mistakes nearly happened is worth knowing. */
export function noteRefusal(
  work: Work,
  where: string,
  subject: { serial?: string | null; t?: number | null; machine?: string | null },
  refused: Refusal,
): void {
  note(work, 'refused', `${where}: ${refusalText(refused, 'mm')}`, {
    serial: subject.serial ?? null,
    t: subject.t ?? null,
    machine: subject.machine ?? null,
    after: { code: outerCode(refused) },
  })
}
