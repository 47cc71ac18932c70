import 'server-only'
import { labelSvg, type LabelPicture } from '@/codecs/label-picture'
import type { Handover } from '@/core/handover'
import { getHandover } from '@/stations/reads'
import { labelFonts, theShop } from '@/runtime'
import { labelPictureOf as pictureOf } from '@/stations/hand-over/label-of'
import { problem } from './problem'
import { say } from '@/words/screens/outside'

/** The hand-over a route names, or the answer that it is not known. */
export function handoverOf(id: string): Handover | Response {
  const known = /^\d{1,9}$/.test(id) ? getHandover(theShop().db, Number(id)) : null
  return known ?? problem(404, 'UNKNOWN_HANDOVER', say.thereIsNoHandOver(id.slice(0, 20)))
}

export const labelPictureOf = (handover: Handover): LabelPicture => pictureOf(theShop().db, handover)
export const labelOf = (handover: Handover): string => labelSvg(labelPictureOf(handover), labelFonts())
