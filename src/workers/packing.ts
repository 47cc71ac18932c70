/** Pictures packed in a worker of their own as soon as they are taken, so that saving need not wait for it. */
import { wrap, type Remote } from 'comlink'
import { zipFrameSet, type PackedPicture } from '@/codecs/frame-set'
import { framePng } from '@/codecs/png'
import type { Feature } from '@/core/features'
import type { Picture } from '@/core/sets'
import type { EncodeApi } from './encode.worker'

export interface Packing {
  /** Begins to pack these pictures. */
  take(pictures: readonly Picture[]): void
  /** The set as a zip, once all of them are packed. */
  zip(
    pictures: readonly Picture[],
    mmPerPixel: { readonly x: number; readonly z: number },
    measure: readonly Feature[],
  ): Promise<Uint8Array<ArrayBuffer>>
}

export function startPacking(): Packing {
  const begun = new WeakMap<Picture, Promise<Uint8Array>>()
  let helper: Remote<EncodeApi> | null = null
  const pack = (picture: Picture): Promise<Uint8Array> => {
    helper ??= wrap<EncodeApi>(new Worker(new URL('./encode.worker.ts', import.meta.url), { type: 'module' }))
    return helper.png(picture.frame)
  }
  const packed = (picture: Picture): Promise<Uint8Array> => {
    const known = begun.get(picture)
    if (known) return known
    // without a helper it is done here, later and slower
    const png = pack(picture).catch(() => framePng(picture.frame))
    begun.set(picture, png)
    return png
  }
  return {
    take: (pictures) => pictures.forEach((picture) => void packed(picture)),
    async zip(pictures, mmPerPixel, measure) {
      const all = await Promise.all(
        pictures.map(async ({ frame: _, ...picture }, i): Promise<PackedPicture> => ({
          ...picture,
          png: await packed(pictures[i]),
        })),
      )
      return zipFrameSet({ mmPerPixel, measure, pictures: all })
    },
  }
}
