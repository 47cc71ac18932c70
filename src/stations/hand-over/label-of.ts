import { LABEL_SAYINGS } from '@/words/label'
import { labelLines, type LabelWords } from '@/codecs/label-lines'
import type { LabelPicture } from '@/codecs/label-picture'
import type { Handover } from '@/core/handover'
import { labelLayoutOf, USUAL_LABEL } from '@/core/tool'
import { getAssemblyById } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { getAnyMachine } from '@/db/machine/read'
import { getPerson } from '@/db/person/read'
import { concessionLine } from '@/words/hand-over'
import { timeWithZone } from '@/words/time'

/** What the lines of a hand-over's label may name. */
export function wordsOf(db: Db, handover: Handover): LabelWords {
  const assembly = getAssemblyById(db, handover.assemblyId)
  return {
    say: LABEL_SAYINGS,
    values: handover.values,
    machine: getAnyMachine(db, handover.values.machine),
    name: assembly?.name ?? '',
    who: getPerson(db, handover.personId)?.name ?? handover.personId,
    when: timeWithZone(handover.releasedAt),
    concession: handover.values.concession ? concessionLine(handover.values.concession) : null,
    job: assembly?.job ?? '',
  }
}

/** A label as its machine wants it: human lines first, then the code. */
export function labelPictureOf(db: Db, handover: Handover): LabelPicture {
  const words = wordsOf(db, handover)
  const { machine } = words
  const used = machine ? { ...labelLayoutOf(machine), code: machine.labelCode } : { ...USUAL_LABEL, code: 'datamatrix' as const }
  const filled = labelLines(used, words)
  // what is kept was tried; were it spoilt all the same, the usual lines are better than no label
  const lines = filled.ok ? filled : labelLines(USUAL_LABEL, words)
  return {
    widthMm: used.widthMm,
    heightMm: used.heightMm,
    title: lines.ok ? lines.value.title : '',
    lines: lines.ok ? lines.value.lines : [],
    code: used.code,
    codeText: handover.label,
  }
}
