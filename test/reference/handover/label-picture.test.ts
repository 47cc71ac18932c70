/** The label's picture at 203 dpi, decoded by a separate library (ZXing in WebAssembly). ECC 200: ISO/IEC 16022. */
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { beforeAll, describe, expect, it } from 'vitest'
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'
import { decode as decodePng, encode as encodePng } from 'fast-png'
import { PDFDocument } from 'pdf-lib'
import { labelPdf, labelPng, labelSvg, type LabelPicture } from '@/codecs/label-picture'
import { labelFonts } from '../../support/label-fonts'

const TEXT = 'BT1;S=BX00142;I=7;T=12;M=HERON;L=152.3140;X=9.9987;E=1.4981;U=MM;A=2611251042;C=C36C'
const fonts = labelFonts()
const label = (change: Partial<LabelPicture> = {}): LabelPicture => ({
  widthMm: 62,
  heightMm: 29,
  title: 'T12  BX00142',
  lines: ['End mill Ø18 R1.2', 'L 152.314 mm', 'radius 9.999 mm', 'Heron · no. 7', 'Ines Varga 2026-11-25 10:42'],
  code: 'datamatrix',
  codeText: TEXT,
  ...change,
})

beforeAll(async () => {
  const wasm = readFileSync(createRequire(import.meta.url).resolve('zxing-wasm/reader/zxing_reader.wasm'))
  await prepareZXingModule({
    overrides: { wasmBinary: wasm.buffer.slice(wasm.byteOffset, wasm.byteOffset + wasm.length) as ArrayBuffer },
    fireImmediately: true,
  })
})

async function decode(picture: LabelPicture) {
  const png = labelPng(labelSvg(picture, fonts))
  return (await readBarcodes(new Blob([png as Uint8Array<ArrayBuffer>]), { formats: ['DataMatrix', 'QRCode'] })).map((r) => [
    r.format,
    r.text,
  ])
}

describe('label picture', () => {
  it('carries its text as Data Matrix', async () => expect(await decode(label())).toEqual([['DataMatrix', TEXT]]))
  it('carries its text as QR', async () => expect(await decode(label({ code: 'qr' }))).toEqual([['QRCode', TEXT]]))
  it('is 62 × 29 mm at 203 dpi, and true to size as SVG', () => {
    const svg = labelSvg(label(), fonts)
    expect(svg).toContain('width="62mm" height="29mm"')
    const png = labelPng(svg)
    const size = new DataView(png.buffer, png.byteOffset)
    expect([size.getUint32(16), size.getUint32(20)]).toEqual([Math.round((62 / 25.4) * 203), Math.round((29 / 25.4) * 203)])
  })
  it('keeps text out of the code however long the names are', async () => {
    const long = 'An uncommonly long description of a tool that nobody would ever print in full on so small a label'
    expect(await decode(label({ title: long, lines: [long, long, long, long, long] }))).toEqual([['DataMatrix', TEXT]])
  })
})

/** A printed label as a camera might see it: grey levels of the picture, changed. */
interface Grey {
  readonly width: number
  readonly height: number
  readonly at: (x: number, y: number) => number
}

function printed(picture: LabelPicture): Grey {
  const { width, height, data, channels } = decodePng(labelPng(labelSvg(picture, fonts)))
  return {
    width,
    height,
    at: (x, y) => (x < 0 || y < 0 || x >= width || y >= height ? 255 : data[(Math.floor(y) * width + Math.floor(x)) * channels]),
  }
}

/** Turned about its middle on a larger sheet, every dot sampled four times. */
function turned({ width, height, at }: Grey, deg: number): Grey {
  const side = Math.ceil(Math.hypot(width, height)) + 40
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
  const one = (x: number, y: number) => {
    const [dx, dy] = [x - side / 2, y - side / 2]
    return at(c * dx + s * dy + width / 2, -s * dx + c * dy + height / 2)
  }
  return {
    width: side,
    height: side,
    at: (x, y) => (one(x + 0.25, y + 0.25) + one(x + 0.75, y + 0.25) + one(x + 0.25, y + 0.75) + one(x + 0.75, y + 0.75)) / 4,
  }
}
const faded = (g: Grey, dark: number, light: number): Grey => ({ ...g, at: (x, y) => dark + ((light - dark) * g.at(x, y)) / 255 })

/** Where the code lies: the dark modules of the right third, which holds nothing else. */
function codeBox({ width, height, at }: Grey) {
  let [left, right, top, bottom] = [width, 0, height, 0]
  for (let y = 0; y < height; y++)
    for (let x = Math.floor(width * 0.6); x < width; x++)
      if (at(x, y) < 128)
        [left, right, top, bottom] = [Math.min(left, x), Math.max(right, x), Math.min(top, y), Math.max(bottom, y)]
  return { left, top, width: right - left + 1, height: bottom - top + 1 }
}
/** A round blot of 4 % of the code's area, away from what finders look for: the L at the left and below, or three corners. */
function blotted(g: Grey): Grey {
  const box = codeBox(g)
  const radius = Math.sqrt((0.04 * box.width * box.height) / Math.PI)
  const [cx, cy] = [box.left + 0.6 * box.width, box.top + 0.55 * box.height]
  return { ...g, at: (x, y) => (Math.hypot(x - cx, y - cy) < radius ? 0 : g.at(x, y)) }
}

async function seen({ width, height, at }: Grey) {
  const data = Uint8Array.from({ length: width * height }, (_, i) => Math.round(at(i % width, Math.floor(i / width))))
  const png = encodePng({ width, height, channels: 1, depth: 8, data })
  const found = await readBarcodes(new Blob([new Uint8Array(png)]), { formats: ['DataMatrix', 'QRCode'], tryHarder: true })
  return found.map((r) => r.text)
}

describe.each(['datamatrix', 'qr'] as const)('a printed %s at 203 dpi', (code) => {
  const picture = label({ code })
  it.each([7, 30, 90, 135, 180, 262])('is read when it is turned by %d°', async (deg) =>
    expect(await seen(turned(printed(picture), deg))).toEqual([TEXT]),
  )
  it('is read when it has faded', async () => expect(await seen(faded(printed(picture), 110, 165))).toEqual([TEXT]))
  it('is read with a blot of 4 % of its area', async () => expect(await seen(blotted(printed(picture)))).toEqual([TEXT]))
})

describe('labels as PDF', () => {
  const POINTS = 72 / 25.4
  it('are true to size, a page each', async () => {
    const pdf = await PDFDocument.load(await labelPdf([label(), label({ code: 'qr' })], fonts))
    expect(pdf.getPageCount()).toBe(2)
    const { width, height } = pdf.getPage(0).getSize()
    expect(width).toBeCloseTo(62 * POINTS, 3)
    expect(height).toBeCloseTo(29 * POINTS, 3)
  })
  it('stand side by side on sheets of A4', async () => {
    const pages = async (count: number) =>
      (await PDFDocument.load(await labelPdf(Array(count).fill(label()), fonts, 'sheet'))).getPageCount()
    // 3 across and 9 down: (210 − 16 + 2)/(62 + 2) and (297 − 16 + 2)/(29 + 2)
    expect([await pages(1), await pages(27), await pages(28)]).toEqual([1, 1, 2])
  })
})
