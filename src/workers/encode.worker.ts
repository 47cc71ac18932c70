/** Packs pictures as PNG beside the bench, while it goes on taking them. */
import { expose, transfer } from 'comlink'
import { framePng } from '@/codecs/png'
import type { Frame } from '@/core/imaging'

const api = {
  png(frame: Frame): Uint8Array {
    const packed = framePng(frame)
    return transfer(packed, [packed.buffer as ArrayBuffer])
  },
}

export type EncodeApi = typeof api

expose(api)
