import { labelLines } from '@/codecs/label-lines'
import { cutLines, labelSvg, smallestMm, type LabelFonts, type LabelPicture } from '@/codecs/label-picture'
import type { Handover } from '@/core/handover'
import { labelLayoutOf, type LabelLayout } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { inTransaction, type Db } from '@/db/connection'
import { getHandover } from '@/db/handover/read'
import { getMachine } from '@/db/machine/read'
import { updateMachine } from '@/db/machine/write'
import { noteRefusal } from '../records/note-refusal'
import { note } from '../records/note'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { labelPictureOf, wordsOf } from './label-of'

export interface LabelTry {
  readonly layout: LabelLayout
  readonly code: LabelPicture['code']
  /** A hand-over to try it on. */
  readonly handover: number
}

export interface LabelTried {
  readonly svg: string
  /** Lines that do not fit and are cut, from 0 for the large one. */
  readonly cut: readonly number[]
}

/** A label as it would be printed. @errors BAD_TEMPLATE, TOO_SMALL when the code would not be readable */
export function tryLabel(db: Db, fonts: LabelFonts, given: LabelTry): Result<LabelTried, Refusal> {
  const handover = getHandover(db, given.handover)
  if (!handover) return fail({ code: 'UNKNOWN_HANDOVER', what: 'to try it on' })
  return tryOn(db, fonts, given, handover)
}

function tryOn(db: Db, fonts: LabelFonts, { layout, code }: LabelTry, handover: Handover): Result<LabelTried, Refusal> {
  const lines = labelLines(layout, wordsOf(db, handover))
  if (!lines.ok) return fail({ code: 'BAD_TEMPLATE', of: 'line', detail: lines.error.detail })
  const picture = labelPictureOf(db, handover, { ...layout, code })
  const least = smallestMm(picture)
  if (layout.heightMm < least.heightMm || layout.widthMm < least.widthMm) return fail({ code: 'LABEL_TOO_SMALL', leastMm: least })
  return ok({ svg: labelSvg(picture, fonts), cut: cutLines(picture, fonts) })
}

/** How a machine's labels look from now on; a lead's to keep. */
export function keepLabel(work: Work, fonts: LabelFonts, key: string, given: LabelTry): Result<null, Refusal> {
  const machine = getMachine(work.db, key)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: key })
  if (work.person.role !== 'lead') {
    const refused: Refusal = { code: 'LEAD_ONLY', what: 'labels' }
    noteRefusal(work, 'Labels', { machine: key }, refused)
    return fail(refused)
  }
  const tried = tryLabel(work.db, fonts, given)
  if (!tried.ok) return tried
  if (tried.value.cut.length) return fail({ code: 'LINE_CUT', line: tried.value.cut[0] + 1 })
  inTransaction(work.db, () => {
    updateMachine(work.db, { ...machine, label: given.layout, labelCode: given.code })
    note(work, 'label kept', `Labels for ${machine.name}`, {
      machine: key,
      before: { ...labelLayoutOf(machine), code: machine.labelCode },
      after: { ...given.layout, code: given.code },
    })
  })
  return ok(null)
}
