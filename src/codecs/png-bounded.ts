/**
 * PNGs from outside, on the server: what a file says of its size is looked at first, and it is unpacked no further than
 * that. Only the picture itself is unpacked (ISO/IEC 15948: IHDR, IDAT), not profiles or texts beside it.
 */
import { decode } from 'fast-png'
import { crc32, deflateSync, inflateSync } from 'node:zlib'
import { concatBytes } from './bytes'
import type { GreyPixels } from './png'

interface Chunk {
  readonly type: string
  readonly data: Uint8Array
  /** With length, type and checksum. */
  readonly whole: Uint8Array
}

const SIGNATURE_BYTES = 8

/** @errors a chunk that is cut off or whose checksum differs */
function chunksOf(png: Uint8Array): Chunk[] | null {
  const view = new DataView(png.buffer, png.byteOffset, png.byteLength)
  const chunks: Chunk[] = []
  for (let at = SIGNATURE_BYTES; at < png.length;) {
    if (at + 12 > png.length) return null
    const length = view.getUint32(at)
    const end = at + 12 + length
    if (end > png.length) return null
    const type = String.fromCharCode(...png.subarray(at + 4, at + 8))
    if (crc32(png.subarray(at + 4, end - 4)) !== view.getUint32(end - 4)) return null
    chunks.push({ type, data: png.subarray(at + 8, end - 4), whole: png.subarray(at, end) })
    if (type === 'IEND') break
    at = end
  }
  return chunks
}

/** The same picture with its pixels unpacked already, so that the library need not do it once more. */
function unpacked(png: Uint8Array, chunks: readonly Chunk[], pixels: Uint8Array): Uint8Array {
  const data = deflateSync(pixels, { level: 0 })
  const body = concatBytes([new TextEncoder().encode('IDAT'), data])
  const length = new Uint8Array(4)
  new DataView(length.buffer).setUint32(0, data.length)
  const sum = new Uint8Array(4)
  new DataView(sum.buffer).setUint32(0, crc32(body))
  const [head] = chunks.filter((c) => c.type === 'IHDR')
  const tail = chunks.filter((c) => c.type === 'IEND')
  return concatBytes([png.subarray(0, SIGNATURE_BYTES), head.whole, length, body, sum, ...tail.map((c) => c.whole)])
}

/** @returns an 8-bit grey picture, or why it is none */
export function greyOfPng(png: Uint8Array): GreyPixels {
  const chunks = chunksOf(png)
  const [head] = chunks ?? []
  if (!chunks || head?.type !== 'IHDR' || head.data.length !== 13) return { fault: 'DAMAGED' }
  const view = new DataView(head.data.buffer, head.data.byteOffset, head.data.byteLength)
  const [width, height, depth, colour, interlace] = [
    view.getUint32(0),
    view.getUint32(4),
    head.data[8],
    head.data[9],
    head.data[12],
  ]
  if (depth !== 8 || colour !== 0 || interlace !== 0) return { fault: 'NOT_GREY' }
  const bytes = height * (width + 1)
  try {
    const pixels = inflateSync(concatBytes(chunks.filter((c) => c.type === 'IDAT').map((c) => c.data)), {
      maxOutputLength: bytes,
    })
    if (pixels.length !== bytes) return { fault: 'CUT_OFF' }
    const { data } = decode(unpacked(png, chunks, pixels))
    return { width, height, data: data as Uint8Array }
  } catch {
    return { fault: 'DAMAGED' }
  }
}
