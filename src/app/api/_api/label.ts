import 'server-only'
import { labelSvg } from '@/codecs/label-picture'
import type { Handover } from '@/core/handover'
import { getHandover } from '@/stations/reads'
import { labelFonts, type Shop } from '@/runtime'
import { labelPictureOf } from '@/stations/hand-over/label-of'
import { problem } from './problem'
import { say } from '@/words/screens/outside'

type Db = Shop['db']

/** The hand-over a route names, or the answer that it is not known. */
export function handoverOf(db: Db, id: string): Handover | Response {
  const known = /^\d{1,9}$/.test(id) ? getHandover(db, Number(id)) : null
  return known ?? problem(404, 'UNKNOWN_HANDOVER', say.thereIsNoHandOver(id.slice(0, 20)))
}

export const labelOf = (db: Db, handover: Handover): string => labelSvg(labelPictureOf(db, handover), labelFonts())
