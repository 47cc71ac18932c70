/** Pictures that the bench did not take: frame sets from files, and a camera of the browser. */
import { expose, transfer } from 'comlink'
import type { FrameSetError } from '@/codecs/faults'
import { decodeFrameSet, encodeFrameSet } from '@/codecs/frame-set'
import type { Frame } from '@/core/imaging'
import { calibrateOnPin, type Calibration, type PinError } from '@/core/outline'
import { measureFrame } from '@/core/shapes'
import { measureSet, type Picture, type SetError, type SetMeasurement } from '@/core/sets'
import type { Feature } from '@/core/features'
import { fail, ok, type Result } from '@/core/units'
import { averaged, cameraBench, type TakeFrame } from '@/devices/bench/camera'
import { filesBench } from '@/devices/bench/files'
import type { Bench } from '@/devices/bench/port'
import { viewOf } from './find-tool'
import { shownOf, type Shown } from './shown'

let files: { readonly bench: Bench; readonly pictures: readonly Picture[]; readonly measure: readonly Feature[] } | null = null

async function look(bench: Bench, measure: readonly Feature[], edge: number | null): Promise<Shown> {
  const picture = await bench.grab()
  const view = viewOf(bench, picture)
  const found = measureFrame(picture.frame, view, measure)
  return shownOf(picture, view, found.ok ? found.value : null, edge)
}

export interface OpenedSet {
  readonly names: readonly string[]
  readonly edges: readonly number[]
  readonly set: SetMeasurement
}

/** Why pictures could not be used. */
export type PicturesFault =
  | { readonly code: 'FILE'; readonly error: FrameSetError }
  | { readonly code: 'NO_PICTURE' }
  | { readonly code: 'SET'; readonly error: SetError }
  | { readonly code: 'PIN'; readonly error: PinError }

/** Pictures of a camera that stands still, one an edge; hands turned the tool between them. */
let edges: readonly Picture[] = []

const packed = (zip: Uint8Array<ArrayBuffer>) => transfer(zip, [zip.buffer])

const api = {
  /** Reads a frame set and measures it. */
  openSet(zip: Uint8Array): Result<OpenedSet, PicturesFault> {
    const decoded = decodeFrameSet(zip)
    if (!decoded.ok) return fail({ code: 'FILE', error: decoded.error })
    const { pictures, mmPerPixel, measure } = decoded.value
    const bench = filesBench(pictures, mmPerPixel)
    if (!bench.ok) return fail({ code: 'NO_PICTURE' })
    const set = measureSet(pictures, mmPerPixel, measure)
    if (!set.ok) return fail({ code: 'SET', error: set.error })
    files = { bench: bench.value, pictures, measure }
    return ok({ names: pictures.map((p) => p.name), edges: pictures.map((p) => p.edge), set: set.value })
  },

  /** One picture of the set, with what is found in it. */
  async showPicture(index: number): Promise<Shown | null> {
    const picture = files?.pictures[index]
    if (!files || !picture) return null
    await files.bench.moveTo(picture.centreX, picture.centreZ)
    await files.bench.turnTo(picture.spindleDeg)
    return look(files.bench, files.measure, picture.edge)
  },

  /** What the camera shows, with what is found in it; in pixels of 1 mm while it is not calibrated. */
  async showCamera(take: TakeFrame, size: { width: number; height: number }, place: Calibration | null): Promise<Shown> {
    const bench = cameraBench(take, size, place ?? { mmPerPixel: { x: 1, z: 1 }, centreX: 0, centreZ: 0 })
    return look(bench, ['LF', 'DC', 'RE'], null)
  },

  /** Measures what the camera shows, averaged. */
  async measureCamera(
    take: TakeFrame,
    measure: readonly Feature[],
    place: Calibration,
  ): Promise<Result<SetMeasurement, PicturesFault>> {
    const frame = await averaged(take)
    const { mmPerPixel, centreX, centreZ } = place
    const set = measureSet([{ name: 'The picture', frame, edge: 1, spindleDeg: 0, centreX, centreZ }], mmPerPixel, measure)
    return set.ok ? set : fail({ code: 'SET', error: set.error })
  },

  async calibrate(take: TakeFrame, pin: { diameterMm: number; lengthMm: number }): Promise<Result<Calibration, PicturesFault>> {
    const frame: Frame = await averaged(take)
    const found = calibrateOnPin(frame, pin)
    return found.ok ? found : fail({ code: 'PIN', error: found.error })
  },

  /** One picture as a frame set without a scale, for the server to calibrate the camera on. */
  async packPin(take: TakeFrame): Promise<Uint8Array<ArrayBuffer>> {
    const picture = { name: 'pin.png', frame: await averaged(take), edge: 0, spindleDeg: 0, centreX: 0, centreZ: 0 }
    return packed(encodeFrameSet({ mmPerPixel: { x: 1, z: 1 }, measure: ['LF', 'DC'], pictures: [picture] }))
  },

  /** Takes an edge, the first anew; then says what those that were taken give. */
  async takeEdge(
    take: TakeFrame,
    edge: number,
    spindleDeg: number,
    { measure, place, turning }: { readonly measure: readonly Feature[]; readonly place: Calibration; readonly turning: boolean },
  ): Promise<Result<SetMeasurement, PicturesFault>> {
    const { mmPerPixel, centreX, centreZ } = place
    const frame = await averaged(take)
    const taken = { name: `edge-${edge}.png`, frame, edge, spindleDeg, centreX, centreZ }
    const all = [...(edge === 1 ? [] : edges.filter((p) => p.edge < edge)), taken]
    const set = measureSet(all, mmPerPixel, measure, turning)
    if (!set.ok) return fail({ code: 'SET', error: set.error })
    edges = all
    return set
  },

  packEdges: ({ mmPerPixel }: Calibration, measure: readonly Feature[]): Uint8Array<ArrayBuffer> =>
    packed(encodeFrameSet({ mmPerPixel, measure, pictures: edges })),
}

export type PicturesApi = typeof api

expose(api)
