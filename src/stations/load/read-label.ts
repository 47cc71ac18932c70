import { decodeLabel, labelAgrees, type LabelContent } from '@/codecs/label-text'
import type { Handover } from '@/core/handover'
import { fail, ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { findHandover } from '@/db/handover/read'
import { getHolder } from '@/db/library/read'

export type LabelRefusalCode = 'NOT_A_LABEL' | 'BAD_CRC' | 'UNKNOWN_SERIAL' | 'UNKNOWN_HANDOVER' | 'VALUES_DIFFER' | 'SUPERSEDED'

export interface LabelRefusal {
  readonly code: LabelRefusalCode
  readonly text: string
}

/** Checks a label's text against the record, in this order; only a current one passes. */
export function readLabel(db: Db, text: string): Result<{ label: LabelContent; handover: Handover }, LabelRefusal> {
  const label = decodeLabel(text)
  if (!label.ok)
    return label.error.code === 'BAD_CRC'
      ? fail({
          code: 'BAD_CRC',
          text: 'The label is damaged or was misread: its check digits do not fit. Clean it and scan again, or print it anew.',
        })
      : fail({ code: 'NOT_A_LABEL', text: 'This is not a tool label.' })
  const { serial, issue } = label.value
  if (!getHolder(db, serial))
    return fail({ code: 'UNKNOWN_SERIAL', text: `The label names holder ${serial}, which is not known here.` })
  const handover = findHandover(db, serial, issue)
  if (!handover) return fail({ code: 'UNKNOWN_HANDOVER', text: `Holder ${serial} never had a hand-over ${issue}.` })
  if (!labelAgrees(label.value, handover.values))
    return fail({
      code: 'VALUES_DIFFER',
      text: `The label shows other figures than hand-over ${issue} of ${serial}. Destroy it and print it anew.`,
    })
  if (handover.voidedAt)
    return fail({
      code: 'SUPERSEDED',
      text: `This label is out of date: hand-over ${issue} of ${serial} was ${handover.voidReason ?? 'replaced'}. Destroy it and take the new one.`,
    })
  return ok({ label: label.value, handover })
}
