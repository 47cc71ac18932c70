/** A frame set measured edge by edge, so that several threads can share it. */
import type { FrameSetError } from '@/codecs/faults'
import { greyOfPng } from '@/codecs/png-bounded'
import { decodePictures, openFrameSet, type OpenedFrameSet, type PackedPicture } from '@/codecs/frame-set'
import { edgeTasks, joinProgram, type EdgeTask, type FramesMeasured, type ProgramStep } from '@/core/judge'
import { calibrateOnPin, type Calibration, type Pin, type PinError } from '@/core/outline'
import { measureEdge, type EdgeRead, type SetError } from '@/core/sets'
import { fail, ok, type Result } from '@/core/units'

/** Why a set gives nothing: its file, or what it shows. */
export type FramesError =
  { readonly code: 'FRAME_SET'; readonly error: FrameSetError } | { readonly code: 'SET'; readonly error: SetError }

/** What a camera finds of itself, and the picture it is of. */
export interface Calibrated extends Calibration {
  readonly widthPx: number
  readonly heightPx: number
}

/** A camera that stands still, calibrated on the first picture of a set: its places and scale count for nothing. */
export function calibrateHere(
  zip: Uint8Array,
  pin: Pin,
): Result<Calibrated, FramesError | { readonly code: 'PIN'; readonly error: PinError }> {
  const opened = openFrameSet(zip)
  const decoded = opened.ok ? decodePictures(opened.value.pictures.slice(0, 1), greyOfPng) : opened
  if (!decoded.ok) return fail({ code: 'FRAME_SET', error: decoded.error })
  const { frame } = decoded.value[0]
  const found = calibrateOnPin(frame, pin)
  if (!found.ok) return fail({ code: 'PIN', error: found.error })
  return ok({ ...found.value, widthPx: frame.width, heightPx: frame.height })
}

export type PackedTask = EdgeTask<PackedPicture> & Pick<OpenedFrameSet, 'mmPerPixel' | 'turning'>
export type EdgeDone = Result<EdgeRead, { readonly set: SetError } | { readonly file: FrameSetError }>

/** One edge, from its packed pictures: the work of one worker. */
export function measurePacked({ pictures, mmPerPixel, measure, turning, corner }: PackedTask): EdgeDone {
  const decoded = decodePictures(pictures, greyOfPng)
  if (!decoded.ok) return fail({ file: decoded.error })
  const read = measureEdge(decoded.value, mmPerPixel, measure, turning, corner)
  return read.ok ? read : fail({ set: read.error })
}

const ofSet = (measure: OpenedFrameSet['measure']): ProgramStep[] => [{ name: '', at: null, features: measure, limits: {} }]

/** What is to be done with an opened set. @param turning left out: as the set itself says */
export function tasksOf(opened: OpenedFrameSet, asked: readonly ProgramStep[] | null, turning = opened.turning) {
  const steps = asked ?? ofSet(opened.measure)
  const tasks = edgeTasks(opened.pictures, steps).map((task): PackedTask => ({
    ...task,
    mmPerPixel: opened.mmPerPixel,
    turning,
  }))
  return { steps, tasks }
}

/** The edges put together again, in the order of their tasks. */
export function framesMeasured(
  opened: Pick<OpenedFrameSet, 'mmPerPixel' | 'pictures'>,
  steps: readonly ProgramStep[],
  tasks: readonly EdgeTask<{ readonly name: string; readonly edge: number; readonly stage?: number }>[],
  done: readonly EdgeDone[],
): Result<FramesMeasured, FramesError> {
  for (const one of done) if (!one.ok && 'file' in one.error) return fail({ code: 'FRAME_SET', error: one.error.file })
  const measured = joinProgram(
    tasks.map((task, i) => {
      const one = done[i]
      return { task, read: one.ok ? one : fail((one.error as { set: SetError }).set) }
    }),
    steps,
  )
  return measured.ok
    ? ok({
        measured: measured.value,
        mmPerPixel: opened.mmPerPixel,
        places: opened.pictures.map(({ centreX, centreZ }) => ({ centreX, centreZ })),
      })
    : fail({ code: 'SET', error: measured.error })
}

/** The same without workers: for tests, scripts and benches. */
export function measureFramesHere(
  zip: Uint8Array,
  asked: readonly ProgramStep[] | null,
  turning?: boolean,
): Result<FramesMeasured, FramesError> {
  const opened = openFrameSet(zip)
  if (!opened.ok) return fail({ code: 'FRAME_SET', error: opened.error })
  const { steps, tasks } = tasksOf(opened.value, asked, turning)
  return framesMeasured(opened.value, steps, tasks, tasks.map(measurePacked))
}
