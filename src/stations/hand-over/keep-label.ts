import type { Heavy } from '@/codecs/heavy'
import { fieldsOf } from '@/codecs/label-lines'
import { cutLines, labelSvg, smallestMm, type LabelFonts, type LabelPicture } from '@/codecs/label-picture'
import type { Handover } from '@/core/handover'
import { isLead, labelLayoutOf, type LabelLayout, type Person } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { getHandover } from '@/db/handover/read'
import { getMachine } from '@/db/machine/read'
import { updateMachine } from '@/db/machine/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import { wordsOf } from './label-of'

export interface LabelTry {
  readonly layout: LabelLayout
  readonly code: LabelPicture['code']
  /** A hand-over to try it on. */
  readonly handover: number
}

export interface LabelKeep extends LabelTry {
  /** The version of the machine that was changed. */
  readonly version: number
}

export interface LabelTried {
  readonly svg: string
  /** Lines that do not fit and are cut, from 0 for the large one. */
  readonly cut: readonly number[]
}

/** Whether these are the lines that the machine's labels have now. */
function isKept(db: Db, handover: Handover, { layout }: LabelTry): boolean {
  const machine = getMachine(db, handover.values.machine)
  const kept = machine && labelLayoutOf(machine)
  return !!kept && [kept.title, ...kept.lines].join('\n') === [layout.title, ...layout.lines].join('\n')
}

/** A label as it would be printed; lines that are not kept yet are a lead's to try. @errors LEAD_ONLY, BAD_TEMPLATE, TOO_SMALL when the code would not be readable */
export async function tryLabel(
  db: Db,
  fonts: LabelFonts,
  given: LabelTry,
  who: Person | null,
  heavy: Heavy,
): Promise<Result<LabelTried, Refusal>> {
  const handover = getHandover(db, given.handover)
  if (!handover) return fail({ code: 'UNKNOWN_HANDOVER', what: 'to-try' })
  if (!isLead(who) && !isKept(db, handover, given)) return fail({ code: 'LEAD_ONLY', what: 'templates' })
  const filled = await heavy.label(given.layout, fieldsOf(wordsOf(db, handover)))
  if (!filled.ok) return filled
  const lines = filled.value
  if (!lines.ok) return fail({ code: 'BAD_TEMPLATE', of: 'line', detail: lines.error.detail })
  return drawn(fonts, { ...given.layout, ...lines.value, code: given.code, codeText: handover.label })
}

function drawn(fonts: LabelFonts, picture: LabelPicture): Result<LabelTried, Refusal> {
  const least = smallestMm(picture)
  if (picture.heightMm < least.heightMm || picture.widthMm < least.widthMm)
    return fail({ code: 'LABEL_TOO_SMALL', leastMm: least })
  return ok({ svg: labelSvg(picture, fonts), cut: cutLines(picture, fonts) })
}

/** How a machine's labels look from now on; a lead's to keep. */
export async function keepLabel(
  work: Work,
  fonts: LabelFonts,
  key: string,
  given: LabelKeep,
  heavy: Heavy,
): Promise<Result<null, Refusal>> {
  const machine = getMachine(work.db, key)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: key })
  if (given.version !== machine.version) return fail({ code: 'CHANGED', what: 'machine', machine: machine.name })
  const tried = await tryLabel(work.db, fonts, given, work.person, heavy)
  if (!tried.ok) return tried
  if (tried.value.cut.length) return fail({ code: 'LINE_CUT', line: tried.value.cut[0] + 1 })
  const noted = {
    entry: { code: 'LABEL_KEPT', machine: machine.name },
    machine: key,
    before: { ...labelLayoutOf(machine), code: machine.labelCode },
    after: { ...given.layout, code: given.code },
  } as const
  return write(work, noted, (tx) => {
    const kept = updateMachine(tx.db, machine, { label: given.layout, labelCode: given.code })
    must(kept, { code: 'CHANGED', what: 'machine', machine: machine.name })
    return null
  })
}
