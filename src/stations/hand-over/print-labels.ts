import type { Heavy } from '@/codecs/heavy'
import { labelSvg, type LabelFonts } from '@/codecs/label-picture'
import { fail, ok, type Result } from '@/core/units'
import { getHandover } from '@/db/handover/read'
import { type Printer } from '@/devices/printer/port'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { refuser, withFile, write } from '../write'
import { labelPictureOf } from './label-of'

/** Prints the labels of one tool or of a whole kit; one that is out of date prints none of them. */
export async function printLabels(
  work: Work,
  printer: Printer,
  heavy: Pick<Heavy, 'labelPng' | 'labelPdf'>,
  fonts: LabelFonts,
  ids: readonly number[],
): Promise<Result<{ readonly printed: number; readonly where: string }, Refusal>> {
  const handovers = ids.flatMap((id) => getHandover(work.db, id) ?? [])
  if (!handovers.length || handovers.length !== new Set(ids).size) return fail({ code: 'UNKNOWN_HANDOVER', what: 'these' })
  const old = handovers.find((h) => h.voidedAt)
  if (old) {
    const { serial, t, machine, issue } = old.values
    const refuse = refuser(work, 'Hand over', { serial, t, machine })
    return refuse({ code: 'SUPERSEDED', what: 'hand-over', serial, issue, why: old.voidReason, nothing: 'printed' })
  }
  let where = ''
  for (const [i, handover] of handovers.entries()) {
    const { serial, t, machine, issue } = handover.values
    const picture = labelPictureOf(work.db, handover)
    const made = printer.takes === 'pdf' ? await heavy.labelPdf([picture], fonts) : await heavy.labelPng(labelSvg(picture, fonts))
    if (!made.ok) return made
    const done = await printer.print({
      name: `${serial}-${issue}`,
      bytes: made.value,
      widthMm: picture.widthMm,
      heightMm: picture.heightMm,
    })
    if (!done.ok) return fail({ code: 'PRINTER', error: done.error, printed: i, of: handovers.length })
    where = done.value.where
    const noted = { entry: { code: 'LABEL_PRINTED', issue }, serial, t, machine, after: { issue, where } } as const
    const told = withFile(
      () => printer.withdraw(done.value.where),
      () => write(work, noted, () => null),
    )
    if (!told.ok) return told
  }
  return ok({ printed: handovers.length, where })
}
