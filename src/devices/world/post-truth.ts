/** Where the holder on a simulated lathe's tool post really is, and what an indicator reads that is swept round its bore. Stand-ins only. */
import { seededRandom } from '@/core/numeric'
import { degToRad } from '@/core/units'

export interface PostTruth {
  /** Of the bore's centre, seen along the spindle, mm. */
  readonly rightMm: number
  readonly upMm: number
  readonly boreMm: number
  /** How far the indicator's arm hangs down, mm. */
  readonly sagMm: number
  /** Sweeps that were made. */
  readonly sweeps: number
}

/** A hand reads the dial to about this, mm. */
const READ_SIGMA_MM = 0.0007
/** What a screw is turned too little or too much by, as a share of what was meant. */
const HAND_SHARE = 0.04

export function makePost(seed: number): PostTruth {
  const { normal } = seededRandom(seed)
  return { rightMm: 0.12 * normal(), upMm: 0.08 * normal(), boreMm: 26, sagMm: 0, sweeps: 0 }
}

const SIDES = { top: 90, right: 0, bottom: 270, left: 180 } as const
export type Readings = Readonly<Record<keyof typeof SIDES, number>>

/** @returns what it reads, and the post with one more sweep */
export function sweptPost(post: PostTruth, seed: number): { readonly readings: Readings; readonly post: PostTruth } {
  const { normal } = seededRandom(seed + 31 * post.sweeps)
  const radius = post.boreMm / 2
  const read = (deg: number) => {
    const [c, s] = [Math.cos(degToRad(deg)), Math.sin(degToRad(deg))]
    // the wall along the ray from the spindle's axis
    const along = post.rightMm * c + post.upMm * s
    const wall = along + Math.sqrt(radius ** 2 - (post.rightMm ** 2 + post.upMm ** 2 - along ** 2))
    return 0.5 - (wall - radius) - post.sagMm * s + READ_SIGMA_MM * normal()
  }
  const readings = { top: read(SIDES.top), right: read(SIDES.right), bottom: read(SIDES.bottom), left: read(SIDES.left) }
  return { readings, post: { ...post, sweeps: post.sweeps + 1 } }
}

/** A hand turns the slide's or the height's screw. */
export function movedPost(post: PostTruth, axis: 'across' | 'height', byMm: number, seed: number): PostTruth {
  const { normal } = seededRandom(seed + 57 * post.sweeps + 1)
  const really = byMm * (1 + HAND_SHARE * normal())
  return axis === 'across' ? { ...post, rightMm: post.rightMm + really } : { ...post, upMm: post.upMm + really }
}
