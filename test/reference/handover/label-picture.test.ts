/** The label's picture at 203 dpi, decoded by a separate library (ZXing in WebAssembly). ECC 200: ISO/IEC 16022. */
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'
import { labelPng, labelSvg, type LabelFonts, type LabelPicture } from '@/codecs/label-picture'

const TEXT = 'BT1;S=BX00142;I=7;T=12;M=HERON;L=152.3140;X=9.9987;E=1.4981;U=MM;A=2611251042;C=C36C'
const woff = (weight: number): ArrayBuffer => {
  const bytes = readFileSync(
    join(process.cwd(), `node_modules/@fontsource/sofia-sans-condensed/files/sofia-sans-condensed-latin-${weight}-normal.woff`),
  )
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength)
}
const fonts: LabelFonts = { bold: [woff(700)], plain: [woff(500)] }
const label = (change: Partial<LabelPicture> = {}): LabelPicture => ({
  widthMm: 62,
  heightMm: 29,
  title: 'T12  BX00142',
  lines: ['End mill Ø20 R1.5', 'L 152.314 mm', 'radius 9.999 mm', 'Heron · no. 7', 'Ines Varga 2026-11-25 10:42'],
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
