/** What the server's threads do: a frame set is opened by one of them, its edges are measured by several; files of the outside are read. */
import type { FrameSetError } from '@/codecs/faults'
import { openFrameSet, type OpenedFrameSet } from '@/codecs/frame-set'
import { HEAVY_WORK, type HeavyName } from '@/codecs/heavy'
import type { Pin } from '@/core/outline'
import type { Result } from '@/core/units'
import { trySnapshot } from '@/db/snapshot'
import { calibrateHere, measurePacked, type EdgeDone, type PackedTask } from './measure-frames'

export const open = (zip: Uint8Array): Result<OpenedFrameSet, FrameSetError> => openFrameSet(zip)

export const edge = (task: PackedTask): EdgeDone => measurePacked(task)

export const calibrate = ({ zip, pin }: { readonly zip: Uint8Array; readonly pin: Pin }): ReturnType<typeof calibrateHere> =>
  calibrateHere(zip, pin)

export const heavy = ({ name, given }: { readonly name: HeavyName; readonly given: unknown[] }): unknown =>
  (HEAVY_WORK[name] as (...given: unknown[]) => unknown)(...given)

export const snapshot = ({ from, to }: { readonly from: string; readonly to: string }): ReturnType<typeof trySnapshot> =>
  trySnapshot(from, to)
