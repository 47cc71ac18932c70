/** A picture's outline as points in mm, counted from the middle of the picture: angles and offsets part well there. */
import { findEdges, findOutline, readLight, type Blurred, type Frame, type LightError, type Outline } from '../imaging'
import { fail, ok, type Result } from '../units'
import { outlinePoint, pixelMm, pixelToMm, type OutlinePoint, type View } from './view'

export interface Traced {
  readonly points: readonly OutlinePoint[]
  /** Borders that the tool touches. */
  readonly touches: Outline['touches']
  /** What is dark and does not hang together with the tool: centre and size, mm. */
  readonly islands: readonly { readonly x: number; readonly z: number; readonly area: number; readonly high: number }[]
  readonly blurPx: number
  /** Size of a pixel, mm. */
  readonly pixel: number
  /** The picture itself, for what no outline tells. */
  readonly grey: Grey
}

export interface Grey extends Blurred {
  readonly frame: Frame
  /** The view counted from the middle of its picture, as the outline is. */
  readonly view: View
  /** Whether it is one of several turns that the outline was put together from. */
  readonly turned?: boolean
}

const LEAST_POINTS = 12

/** The same view counted from the middle of its picture. */
const about = (view: View): View => ({ ...view, centreX: 0, centreZ: 0 })

/**
 * @param frame the picture, at least 16×16
 * @param anywhere whether the tool may leave it at any border
 * @errors NO_EDGE, TOO_DARK, BURNT_OUT when no outline can be had from this picture
 */
export function readOutline(frame: Frame, view: View, anywhere = false): Result<Traced, LightError> {
  const light = readLight(frame)
  if (!light.ok) return light
  const outline = findOutline(frame, light.value, anywhere)
  if (!outline || outline.pieces.length === 0) return fail({ code: 'NO_EDGE' })
  const edges = findEdges(frame, light.value, outline)
  if (edges.points.length < LEAST_POINTS) return fail({ code: 'NO_EDGE' })
  const pixel = pixelMm(view)
  const middle = about(view)
  return ok({
    points: edges.points.map((p) => outlinePoint(middle, p)),
    touches: outline.touches,
    islands: outline.islands.map(({ centre, area }) => ({
      ...pixelToMm(middle, centre),
      area: area * pixel * pixel,
      high: Math.sqrt(area) * pixel,
    })),
    blurPx: edges.blurPx,
    pixel,
    grey: { frame, view: middle, widthPx: Math.sqrt(edges.blurPx ** 2 + 1 / 12), noise: edges.noise, contrast: edges.contrast },
  })
}
