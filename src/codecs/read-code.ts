/** Codes in a picture: Data Matrix, QR and the linear codes on boxes, read by a library. */
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { imageSize } from 'image-size'
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'
import { fail, ok, type Result } from '@/core/units'

const held: { ready?: Promise<unknown> } = {}

/** The library's own machine code, from its package: nothing is fetched. */
function ready(): Promise<unknown> {
  return (held.ready ??= (async () => {
    const file = createRequire(join(process.cwd(), 'package.json')).resolve('zxing-wasm/reader/zxing_reader.wasm')
    const wasm = readFileSync(file)
    const wasmBinary = wasm.buffer.slice(wasm.byteOffset, wasm.byteOffset + wasm.length) as ArrayBuffer
    await prepareZXingModule({ overrides: { wasmBinary }, fireImmediately: true })
  })())
}

/** Width and height that a picture may have, px. */
export const CODE_PICTURE_SIDE_PX = 8192

/** What a picture says of its size is looked at before anything is unpacked. */
function sizeFault(picture: Uint8Array): 'NOT_A_PICTURE' | 'TOO_LARGE' | null {
  try {
    const { width, height } = imageSize(picture)
    return width > CODE_PICTURE_SIDE_PX || height > CODE_PICTURE_SIDE_PX ? 'TOO_LARGE' : null
  } catch {
    return 'NOT_A_PICTURE'
  }
}

/** PNG and JPEG by their first bytes. */
const isPicture = (bytes: Uint8Array) =>
  (bytes[0] === 0x89 && bytes[1] === 0x50 && bytes[2] === 0x4e && bytes[3] === 0x47) || (bytes[0] === 0xff && bytes[1] === 0xd8)

/**
 * @returns the texts of all codes found, the largest first
 * @errors NOT_A_PICTURE, TOO_LARGE, NO_CODE when the picture holds none that can be read
 */
export async function readCodes(
  picture: Uint8Array,
): Promise<Result<readonly string[], { readonly code: 'NOT_A_PICTURE' | 'TOO_LARGE' | 'NO_CODE' }>> {
  if (!isPicture(picture)) return fail({ code: 'NOT_A_PICTURE' })
  const fault = sizeFault(picture)
  if (fault) return fail({ code: fault })
  await ready()
  try {
    const found = await readBarcodes(new Blob([new Uint8Array(picture)]), { tryHarder: true, maxNumberOfSymbols: 8 })
    const width = (code: (typeof found)[number]) =>
      Math.hypot(code.position.topRight.x - code.position.topLeft.x, code.position.topRight.y - code.position.topLeft.y)
    const texts = [...found]
      .filter((code) => code.isValid && code.text)
      .sort((a, b) => width(b) - width(a))
      .map((code) => code.text)
    return texts.length ? ok(texts) : fail({ code: 'NO_CODE' })
  } catch {
    return fail({ code: 'NOT_A_PICTURE' })
  }
}
