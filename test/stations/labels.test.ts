import { readFileSync } from 'node:fs'
import { encode as encodePng } from 'fast-png'
import { PDFDocument } from 'pdf-lib'
import { describe, expect, it } from 'vitest'
import { heavyHere } from '@/codecs/heavy'
import { readCodes } from '@/codecs/read-code'
import { labelPng, labelSvg } from '@/codecs/label-picture'
import { labelLayoutOf, USUAL_LABEL } from '@/core/tool'
import { fail, ok } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { currentHandover, getHandover, listHandovers } from '@/db/handover/read'
import { getMachine } from '@/db/machine/read'
import { listRecord } from '@/db/record/read'
import { simulatedPrinter } from '@/devices/printer/simulated'
import type { LabelJob, Printer } from '@/devices/printer/port'
import { keepLabel, tryLabel, type LabelTry } from '@/stations/hand-over/keep-label'
import { labelPictureOf } from '@/stations/hand-over/label-of'
import { printLabels } from '@/stations/hand-over/print-labels'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { voidHandover } from '@/stations/hand-over/void-hand-over'
import { readLabel } from '@/stations/load/read-label'
import { labelFonts } from '../support/label-fonts'
import { codeOf, loaded, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

const fonts = labelFonts()
const lead = (room: ToolRoom) => room.as('oda', 71).person
const release = async (room: ToolRoom, minutes = 70) =>
  valueOf(await releaseHandover(room.as('ines', minutes), room.control, { serial: 'BX00143', scanned: 'BX00143' })).id

async function released(): Promise<{ room: ToolRoom; id: number }> {
  const room = measured(withT4(withJobs(toolRoom())))
  return { room, id: await release(room) }
}
const trial = (handover: number, change: Partial<LabelTry['layout']> = {}): LabelTry => ({
  handover,
  code: 'datamatrix',
  layout: { ...USUAL_LABEL, ...change },
})

describe('the lines of a label', () => {
  it('are as usual until a lead changes them, in the machine’s unit', async () => {
    const { room, id } = await released()
    const usual = labelPictureOf(room.db, getHandover(room.db, id)!)
    expect(usual.title).toBe('T4 BX00143')
    expect(usual.lines.slice(0, 3)).toEqual(['End mill Ø10 R1', 'L 118.000 mm from gauge line', 'radius 5.001 mm'])
    const own = trial(id, { title: '{{ t }} {{ job }}', lines: ['{{ length }}', '{{ tip }}', '{{ corner }}', 'keep dry'] })
    valueOf(await keepLabel(room.as('oda', 72), fonts, 'HERON', { ...own, version: 1 }, heavyHere))
    const changed = labelPictureOf(room.db, getHandover(room.db, id)!)
    // a line that comes out empty is left out
    expect([changed.title, ...changed.lines]).toEqual(['T4 HP-2207', 'L 118.000 mm from gauge line', 'R 1.000 mm', 'keep dry'])
    expect(labelLayoutOf(getMachine(room.db, 'HERON')!)).toEqual(own.layout)
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'label kept', machine: 'HERON' })
    // lines that are not in force are a lead's to try; what is printed now everybody may look at
    const operator = room.as('ines', 73).person
    expect(codeOf(await tryLabel(room.db, fonts, trial(id, { title: '{{ t }}' }), operator, heavyHere))).toBe('LEAD_ONLY')
    expect(codeOf(await tryLabel(room.db, fonts, trial(id, { title: '{{ t }}' }), null, heavyHere))).toBe('LEAD_ONLY')
    expect((await tryLabel(room.db, fonts, own, operator, heavyHere)).ok).toBe(true)
    // somebody had them open before that
    expect(codeOf(await keepLabel(room.as('oda', 73), fonts, 'HERON', { ...own, version: 1 }, heavyHere))).toBe('CHANGED')
  })
  it('an unknown field, a line that is cut, a label too small for its code: not kept, and why', async () => {
    const { room, id } = await released()
    const keep = async (change: Partial<LabelTry['layout']>) =>
      codeOf(await keepLabel(room.as('oda', 71), fonts, 'HERON', { ...trial(id, change), version: 1 }, heavyHere))
    expect(await keep({ title: '{{ lenght }}' })).toBe('BAD_TEMPLATE')
    expect(await keep({ title: '{% if %}' })).toBe('BAD_TEMPLATE')
    expect(await keep({ lines: ['x'.repeat(120)] })).toBe('LINE_CUT')
    expect(
      valueOf(await tryLabel(room.db, fonts, trial(id, { lines: ['fits', 'x'.repeat(120)] }), lead(room), heavyHere)).cut,
    ).toEqual([2])
    expect(await keep({ heightMm: 10 })).toBe('LABEL_TOO_SMALL')
    expect(await keep({ widthMm: 15 })).toBe('LABEL_TOO_SMALL')
    expect(getMachine(room.db, 'HERON')!.label).toBeUndefined()
  })
  it('a line that is made narrower until it fits loses nothing', async () => {
    const { room, id } = await released()
    for (let n = 20; n < 48; n++) {
      const cut = valueOf(
        await tryLabel(room.db, fonts, trial(id, { lines: ['m'.repeat(n / 4) + 'i'.repeat(n)] }), lead(room), heavyHere),
      ).cut
      const longer = valueOf(
        await tryLabel(room.db, fonts, trial(id, { lines: ['m'.repeat(n / 4) + 'i'.repeat(n + 1)] }), lead(room), heavyHere),
      ).cut
      // once it is cut every longer one is
      if (cut.length) expect(longer).toEqual([1])
    }
    expect(
      valueOf(
        await tryLabel(room.db, fonts, trial(id, { heightMm: 32, lines: ['{{ size }} {{ corner }}'] }), lead(room), heavyHere),
      ).cut,
    ).toEqual([])
  })
  it('at the least size that is taken its code still reads', async () => {
    const { room, id } = await released()
    const handover = getHandover(room.db, id)!
    for (const code of ['datamatrix', 'qr'] as const) {
      const sizes = Array.from({ length: 40 }, (_, i) => i + 10)
      const tried = await Promise.all(
        sizes.map((mm) => tryLabel(room.db, fonts, { ...trial(id, { heightMm: mm, lines: [] }), code }, lead(room), heavyHere)),
      )
      const heightMm = sizes[tried.findIndex((label) => label.ok)]
      const picture = { ...labelPictureOf(room.db, handover), ...USUAL_LABEL, lines: [], heightMm, code }
      expect(valueOf(await readCodes(labelPng(labelSvg(picture, fonts))))).toEqual([handover.label])
    }
  })
})

describe('printing', () => {
  it('one or many, each with an entry, the picture itself in the spool', async () => {
    const { room, id } = await released()
    const spool = new Map<string, Uint8Array>()
    const printer = simulatedPrinter({
      put: (name, png) => (spool.set(name, png), `spool/${name}`),
      drop: (where) => void spool.delete(where.replace('spool/', '')),
    })
    expect(valueOf(await printLabels(room.as('ines', 71), printer, heavyHere, fonts, [id]))).toEqual({
      printed: 1,
      where: 'spool/BX00143-1.png',
    })
    expect(valueOf(await readCodes(spool.get('BX00143-1.png')!))).toEqual([currentHandover(room.db, 'BX00143')!.label])
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'label printed', serial: 'BX00143', after: { issue: 1 } })
    expect(codeOf(await printLabels(room.as('ines', 71), printer, heavyHere, fonts, [id, 99]))).toBe('UNKNOWN_HANDOVER')
  })
  it('a printer that is off or empty says so, and nothing counts as printed', async () => {
    const { room, id } = await released()
    const off = simulatedPrinter({
      put: () => {
        throw new Error('no such folder')
      },
      drop: () => undefined,
    })
    const empty: Printer = {
      takes: 'png',
      print: async (_job: LabelJob) => fail({ code: 'NO_LABELS' }),
      withdraw: () => undefined,
    }
    expect(codeOf(await printLabels(room.as('ines', 71), off, heavyHere, fonts, [id]))).toBe('PRINTER_OFF')
    expect(codeOf(await printLabels(room.as('ines', 71), empty, heavyHere, fonts, [id]))).toBe('NO_LABELS')
    expect(listRecord(room.db).filter((e) => e.what === 'label printed')).toEqual([])
  })
  it('a printer that takes pages gets a page of the label’s own size', async () => {
    const { room, id } = await released()
    const jobs: LabelJob[] = []
    const printer: Printer = {
      takes: 'pdf',
      print: async (job) => (jobs.push(job), ok({ where: 'here' })),
      withdraw: () => undefined,
    }
    valueOf(await printLabels(room.as('ines', 71), printer, heavyHere, fonts, [id]))
    const page = (await PDFDocument.load(jobs[0].bytes)).getPage(0)
    const mm = (points: number) => (25.4 * points) / 72
    expect([mm(page.getWidth()), mm(page.getHeight())]).toEqual([expect.closeTo(62, 1), expect.closeTo(29, 1)])
  })
  it('one out of date among many: none is printed', async () => {
    const { room, id } = await released()
    const second = await release(room, 75)
    const printed: string[] = []
    const printer: Printer = {
      takes: 'png',
      print: async ({ name }) => (printed.push(name), ok({ where: name })),
      withdraw: () => undefined,
    }
    expect(codeOf(await printLabels(room.as('ines', 76), printer, heavyHere, fonts, [second, id]))).toBe('SUPERSEDED')
    expect(printed).toEqual([])
  })
})

describe('taking a hand-over back', () => {
  it('its label is refused from then on, and a new number makes the tool good again', async () => {
    const { room } = await released()
    const { label } = currentHandover(room.db, 'BX00143')!
    expect(valueOf(voidHandover(room.as('ines', 75), 'BX00143', 'wrong machine'))).toEqual({ issue: 1 })
    expect(getAssembly(room.db, 'BX00143')!.state).toBe('measured')
    expect(codeOf(readLabel(room.db, label))).toBe('SUPERSEDED')
    expect(codeOf(voidHandover(room.as('ines', 76), 'BX00143', 'again'))).toBe('NO_HANDOVER')
    await release(room, 80)
    expect(listHandovers(room.db, 'BX00143').map((h) => [h.values.issue, h.voidReason])).toEqual([
      [2, null],
      [1, { code: 'TAKEN_BACK', reason: 'wrong machine' }],
    ])
  })
  it('not while the tool stands in its machine', async () => {
    const { room } = await released()
    valueOf(await loaded(room, { machine: 'HERON', serial: 'BX00143', label: currentHandover(room.db, 'BX00143')!.label }, 75))
    expect(codeOf(voidHandover(room.as('ines', 80), 'BX00143', 'wrong'))).toBe('IN_BY_THIS_HANDOVER')
    expect(currentHandover(room.db, 'BX00143')).not.toBeNull()
  })
})

describe('a code from a picture', () => {
  it('nothing in it, no picture, half a picture: told apart', async () => {
    const white = encodePng({ width: 200, height: 200, channels: 1, depth: 8, data: new Uint8Array(40_000).fill(255) })
    expect(codeOf(await readCodes(white))).toBe('NO_CODE')
    expect(codeOf(await readCodes(new TextEncoder().encode('BT1;S=BX00142')))).toBe('NOT_A_PICTURE')
    expect(codeOf(await readCodes(new Uint8Array(0)))).toBe('NOT_A_PICTURE')
    const shot = readFileSync('docs/screenshots/hand-over.png')
    expect(['NOT_A_PICTURE', 'NO_CODE']).toContain(codeOf(await readCodes(shot.subarray(0, 400))))
  })
})
