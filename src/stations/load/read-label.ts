import { decodeLabel, labelAgrees, type LabelContent } from '@/codecs/label-text'
import type { Handover } from '@/core/handover'
import { fail, ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { findHandover } from '@/db/handover/read'
import { getHolder } from '@/db/library/read'
import type { LabelFault } from './contract'

/** Checks a label's text against the record, in this order; only a current one passes. */
export function readLabel(db: Db, text: string): Result<{ label: LabelContent; handover: Handover }, LabelFault> {
  const label = decodeLabel(text)
  if (!label.ok) return label.error.code === 'BAD_CRC' ? fail({ code: 'BAD_CRC' }) : fail({ code: 'NOT_A_LABEL' })
  const { serial, issue } = label.value
  if (!getHolder(db, serial)) return fail({ code: 'UNKNOWN_SERIAL', serial, holder: true })
  const handover = findHandover(db, serial, issue)
  if (!handover) return fail({ code: 'UNKNOWN_HANDOVER', what: 'number', serial, issue })
  if (!labelAgrees(label.value, handover.values)) return fail({ code: 'VALUES_DIFFER', what: 'label', serial, issue })
  if (handover.voidedAt) return fail({ code: 'SUPERSEDED', what: 'label', serial, issue, why: handover.voidReason })
  return ok({ label: label.value, handover })
}
