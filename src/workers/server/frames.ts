/** Work of the server's threads: a set is opened by one of them, its edges are measured by several. */
import type { FrameSetError } from '@/codecs/faults'
import { openFrameSet, type OpenedFrameSet } from '@/codecs/frame-set'
import type { Result } from '@/core/units'
import { measurePacked, type EdgeDone, type PackedTask } from './measure-frames'

export const open = (zip: Uint8Array): Result<OpenedFrameSet, FrameSetError> => openFrameSet(zip)

export const edge = (task: PackedTask): EdgeDone => measurePacked(task)
