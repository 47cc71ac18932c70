import 'server-only'
import { labelSvg, type LabelPicture } from '@/codecs/label-picture'
import type { Handover } from '@/core/handover'
import { formatLength, unitMark } from '@/core/units'
import { getHandover } from '@/db/handover/read'
import { getAssemblyName } from '@/db/assembly/read'
import { getMachine } from '@/db/machine/read'
import { getPerson } from '@/db/person/read'
import { labelFonts, runtime } from '@/runtime'
import { problem } from './problem'

/** The hand-over a route names, or the answer that it is not known. */
export function handoverOf(id: string): Handover | Response {
  const known = /^\d{1,9}$/.test(id) ? getHandover(runtime().db, Number(id)) : null
  return known ?? problem(404, 'UNKNOWN_HANDOVER', `There is no hand-over ${id.slice(0, 20)}.`)
}

/** Human lines first, then the code. */
export function labelPictureOf(handover: Handover): LabelPicture {
  const { db } = runtime()
  const { values } = handover
  const machine = getMachine(db, values.machine)
  const decimals = machine?.decimals ?? 3
  const mark = unitMark(values.unit)
  const size = (mm: number) => `${formatLength(mm, values.unit, decimals)} ${mark}`
  const diameter = machine?.sizeRegister === 'diameter'
  const across = diameter ? `Ø ${size(2 * values.radiusMm)}` : `radius ${size(values.radiusMm)}`
  return {
    widthMm: 62,
    heightMm: 29,
    title: `T${values.t}  ${values.serial}`,
    lines: [
      getAssemblyName(db, handover.assemblyId) ?? '',
      values.tip === undefined ? `L ${size(values.lengthMm)}` : `Z ${size(values.lengthMm)} · tip ${values.tip}`,
      values.tip === undefined ? across : `X ${across}`,
      `${machine?.name ?? values.machine} · no. ${values.issue}`,
      `${getPerson(db, handover.personId)?.name ?? handover.personId} ${handover.releasedAt.slice(0, 16).replace('T', ' ')}`,
    ],
    code: machine?.labelCode ?? 'datamatrix',
    codeText: handover.label,
  }
}

export const labelOf = (handover: Handover): string => labelSvg(labelPictureOf(handover), labelFonts())
