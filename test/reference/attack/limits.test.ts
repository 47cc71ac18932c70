/** Files at their limits and past them. PNG as ISO/IEC 15948 has it, CSV as RFC 4180, programs as ISO 6983; the sizes are our own. */
import { deflateSync, crc32 } from 'node:zlib'
import { describe, expect, it } from 'vitest'
import { CSV_LIMITS, decodeCsv } from '@/codecs/csv'
import { decodeContour, DXF_LIMITS } from '@/codecs/dxf'
import { FRAME_SET_LIMITS, openFrameSet, PICTURE_SIDE_PX, zipFrameSet } from '@/codecs/frame-set'
import { framePng, greyOfOwnPng } from '@/codecs/png'
import { greyOfPng } from '@/codecs/png-bounded'
import { CODE_PICTURE_SIDE_PX, readCodes } from '@/codecs/read-code'
import { decodeToolList } from '@/codecs/tool-list'
import { PROGRAM_LIMITS, toolsWanted, writtenFor } from '@/core/program'
import type { Result } from '@/core/units'

const codeOf = (read: Result<unknown, { readonly code: string }>) => (read.ok ? 'OK' : read.error.code)
const repeat = (text: string, length: number) => text.repeat(Math.floor(length / text.length))

describe('a table', () => {
  const rows = (n: number) => decodeCsv(`T,name\n${'1,a\n'.repeat(n)}`)
  const columns = (n: number) => decodeCsv(`${Array.from({ length: n }, (_, i) => `c${i}`).join()}\n${','.repeat(n - 1)}x`)
  it('is read up to its most rows and columns, and no further', () => {
    expect(codeOf(rows(CSV_LIMITS.rows))).toBe('OK')
    expect(codeOf(rows(CSV_LIMITS.rows + 1))).toBe('TOO_MANY_ROWS')
    expect(codeOf(columns(CSV_LIMITS.columns))).toBe('OK')
    expect(codeOf(columns(CSV_LIMITS.columns + 1))).toBe('TOO_MANY_COLUMNS')
  })
  it.each([
    ['100,000 columns', 'a,'.repeat(100_000) + '\n1', 'TOO_MANY_COLUMNS'],
    ['five million rows', `a,b\n${'1,2\n'.repeat(5_000_000)}`, 'TOO_MANY_ROWS'],
    ['twenty million blank lines', `a,b\n${'\n'.repeat(20_000_000)}`, 'TOO_MANY_ROWS'],
    ['one quotation mark', `a,b\n"${'x\n'.repeat(3_000_000)}`, 'OPEN_QUOTE'],
  ])('of %s is refused', (_, text, code) => expect(codeOf(decodeCsv(text))).toBe(code))
  it('tells the line of the file, past blank lines and cells of several lines', () => {
    const read = decodeCsv('a,b\r\n\r\n"two\r\nlines",1\r\n,\r\n3,4\r\n')
    expect(read.ok && read.value.lines).toEqual([3, 6])
    expect(decodeCsv('a,b\n\n"x\ny",1\n\n1,2,3')).toMatchObject({ error: { code: 'UNEVEN_ROW', row: 6, cells: 3 } })
  })
  it('of tools is read up to its most rows', () => {
    const list = decodeToolList(`T\n${Array.from({ length: CSV_LIMITS.rows }, (_, i) => i + 1).join('\n')}`)
    expect(list.ok && list.value).toHaveLength(CSV_LIMITS.rows)
  })
})

describe('a program of 8 MB', () => {
  const MOST = PROGRAM_LIMITS.characters
  const read = (text: string) => {
    const done = toolsWanted(text, 'mill')
    return done.ok ? done.value : null
  }
  it.each([
    ['changes without a T', repeat('M6\n', MOST), 'CHANGE_WITHOUT_T'],
    ['offsets of other tools', `T1 M6\n${Array.from({ length: 900_000 }, (_, i) => `H${i + 2}\n`).join('')}`, 'H_NOT_T'],
    ['tools that are only called', Array.from({ length: 900_000 }, (_, i) => `T${i + 2}\n`).join(''), 'PRESELECT_NEVER_CHANGED'],
  ])('of %s: a thousand are told, the rest is counted', (_, text, code) => {
    const { warnings } = read(text)!
    expect(warnings.filter((w) => w.code === code)).toHaveLength(PROGRAM_LIMITS.warnings)
    const more = warnings.find((w) => w.code === 'MORE')
    expect(more).toMatchObject({ of: code })
    expect(more?.code === 'MORE' && more.count).toBeGreaterThan(500_000)
  })
  it('that changes one tool again and again: a thousand changes are listed', () => {
    const { tools, warnings } = read(repeat('T1M6\n', MOST))!
    expect(tools[0].changes).toHaveLength(PROGRAM_LIMITS.changes)
    const all = Math.floor(MOST / 5)
    expect(warnings.find((w) => w.code === 'MORE_CHANGES')).toMatchObject({ t: 1, count: all - PROGRAM_LIMITS.changes })
  })
  it('has a thousand tools at most', () => {
    const tools = (n: number) => Array.from({ length: n }, (_, i) => `T${i + 1} M6\n`).join('')
    expect(read(tools(PROGRAM_LIMITS.tools))?.tools).toHaveLength(PROGRAM_LIMITS.tools)
    expect(codeOf(toolsWanted(tools(PROGRAM_LIMITS.tools + 1), 'mill'))).toBe('TOO_MANY_TOOLS')
  })
  it.each([
    ['of blank lines', repeat('\n', MOST)],
    ['of open brackets', repeat('(', MOST)],
    ['of brackets in brackets', repeat('(a', MOST)],
    ['in one block', repeat('S1', MOST)],
    ['in one word', repeat('1', MOST)],
  ])('%s ends in an answer', (_, text) => {
    expect(['OK', 'NOT_A_PROGRAM']).toContain(codeOf(toolsWanted(text, 'mill')))
    expect(writtenFor(text)).toBeNull()
  })
})

describe('a drawing', () => {
  const line = (i: number) => `0\nLINE\n10\n${i}\n20\n0\n11\n${i + 1}\n21\n0\n`
  const drawing = (n: number) =>
    `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${Array.from({ length: n }, (_, i) => line(i)).join('')}0\nENDSEC\n0\nEOF\n`
  it('is read up to its most pieces', () => {
    const read = decodeContour(drawing(DXF_LIMITS.pieces))
    expect(read.ok && read.value).toHaveLength(DXF_LIMITS.pieces)
    expect(codeOf(decodeContour(drawing(DXF_LIMITS.pieces + 1)))).toBe('TOO_MANY_PIECES')
  })
  it.each([
    ['blank lines', repeat('\n', DXF_LIMITS.characters), 'NO_DXF'],
    ['blank lines before an end', `${repeat('\n', DXF_LIMITS.characters)}x`, 'TOO_MANY_PIECES'],
    ['one long line', repeat('0', DXF_LIMITS.characters), 'NO_DXF'],
  ])('of %s is refused', (_, text, code) => expect(codeOf(decodeContour(text))).toBe(code))
})

describe('a picture', () => {
  const chunk = (type: string, data: Uint8Array) => {
    const body = Buffer.concat([Buffer.from(type), data])
    const out = Buffer.alloc(body.length + 8)
    out.writeUInt32BE(data.length)
    body.copy(out, 4)
    out.writeUInt32BE(crc32(body), body.length + 4)
    return out
  }
  const png = (width: number, height: number, idat: Uint8Array, { depth = 8, colour = 0 } = {}, more: Buffer[] = []) => {
    const head = Buffer.alloc(13)
    head.writeUInt32BE(width)
    head.writeUInt32BE(height, 4)
    head.set([depth, colour, 0, 0, 0], 8)
    const signature = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])
    const parts = [signature, chunk('IHDR', head), ...more, chunk('IDAT', idat), chunk('IEND', Buffer.alloc(0))]
    return new Uint8Array(Buffer.concat(parts))
  }
  const zeros = (bytes: number) => deflateSync(Buffer.alloc(bytes))

  it('reads as the library reads it', () => {
    const data = Uint8Array.from({ length: 64 * 48 }, (_, i) => (i * 37) % 251)
    const packed = framePng({ width: 64, height: 48, data })
    expect(greyOfPng(packed)).toEqual({ width: 64, height: 48, data })
    expect(greyOfOwnPng(packed)).toEqual({ width: 64, height: 48, data })
  })
  it.each([
    ['unpacks to more than it says', png(32, 32, zeros(200 * 2 ** 20)), 'DAMAGED'],
    ['holds less than it says', png(320, 320, zeros(100)), 'CUT_OFF'],
    ['has sixteen bits a pixel', png(8192, 8192, zeros(10), { depth: 16 }), 'NOT_GREY'],
    ['has colours', png(8192, 8192, zeros(10), { colour: 6 }), 'NOT_GREY'],
  ])('that %s is not unpacked', (_, picture, fault) => expect(greyOfPng(picture)).toEqual({ fault }))
  it('with a profile of many megabytes is read without it', () => {
    const profile = chunk('iCCP', Buffer.concat([Buffer.from('x\0\0'), zeros(200 * 2 ** 20)]))
    const picture = png(16, 16, deflateSync(Buffer.alloc(16 * 17)), {}, [profile])
    expect(greyOfPng(picture)).toMatchObject({ width: 16, height: 16 })
  })
  it('spoilt in any byte is refused or reads as some picture of its size', () => {
    const good = framePng({ width: 20, height: 20, data: new Uint8Array(400).fill(90) })
    for (let at = 8; at < good.length; at++) {
      const spoilt = good.slice()
      spoilt[at] ^= 0x55
      expect(greyOfPng(spoilt), `byte ${at}`).toEqual({ fault: 'DAMAGED' })
    }
  })
  it('of a set is looked at before anything is unpacked', () => {
    const set = (pngs: readonly Uint8Array[]) =>
      openFrameSet(
        zipFrameSet({
          mmPerPixel: { x: 0.01, z: 0.01 },
          measure: ['LF'],
          pictures: pngs.map((bytes, i) => ({ name: `${i}.png`, png: bytes, edge: i, spindleDeg: 0, centreX: 1, centreZ: 1 })),
        }),
      )
    const side = PICTURE_SIDE_PX
    expect(codeOf(set([png(side, side, zeros(10))]))).toBe('OK')
    expect(set([png(side + 1, 16, zeros(10))])).toMatchObject({ error: { fault: { code: 'BAD_SIZE' } } })
    expect(codeOf(set([png(20_000, 20_000, zeros(10))]))).toBe('BAD_FRAMESET')
    const many = (n: number) => Array.from({ length: n }, () => png(2048, 2048, zeros(10)))
    const most = Math.floor(FRAME_SET_LIMITS.pixels / 2048 ** 2)
    expect(codeOf(set(many(most)))).toBe('OK')
    expect(set(many(most + 1))).toMatchObject({ error: { code: 'TOO_LARGE', what: 'pixels' } })
  })
  it('of a code is looked at too', async () => {
    const side = CODE_PICTURE_SIDE_PX
    expect(codeOf(await readCodes(png(side + 1, 20, zeros(10))))).toBe('TOO_LARGE')
    expect(codeOf(await readCodes(png(20_000, 20_000, zeros(10), { depth: 16, colour: 6 })))).toBe('TOO_LARGE')
    const jpeg = new Uint8Array([0xff, 0xd8, 0xff, 0xc0, 0, 17, 8, 0xff, 0xff, 0xff, 0xff, 3, 1, 0x11, 0, 2, 0x11, 1, 3, 0x11, 1])
    expect(['TOO_LARGE', 'NOT_A_PICTURE']).toContain(codeOf(await readCodes(jpeg)))
    expect(codeOf(await readCodes(png(side, 20, deflateSync(Buffer.alloc(20 * (side + 1), 255)))))).toBe('NO_CODE')
  })
})
