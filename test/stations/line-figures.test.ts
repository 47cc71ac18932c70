import { describe, expect, it } from 'vitest'
import { encodeLineFigure } from '@/codecs/line-figures'
import { getAssembly } from '@/db/assembly/read'
import { lastMeasurement } from '@/db/measurement/read'
import type { LineBench } from '@/devices/line-bench/port'
import { saveValuesCheck } from '@/stations/measure/check-values'
import { readLine, saveLineFigures } from '@/stations/measure/line-figures'
import { codeOf, toolRoom, valueOf, withJobs, withT4, textOf } from '../support/tool-room'

const showing = (...figures: [string, number][]): LineBench => ({
  read: async () => ({ ok: true, value: figures.map(([key, value]) => encodeLineFigure(key, value, 'MM')) }),
})
const GOOD = showing(['LF', 118.012], ['DC', 10.001], ['RE', 1.002])
const save = (bench: LineBench | null, first = { LF: 118.012, DC: 10.001, RE: 1.002 }) => {
  const room = withT4(withJobs(toolRoom()))
  valueOf(saveValuesCheck(room.as('ines', 1), { coupling: 'HSK-A63', scanned: 'MS-HSKA63-1', LFmm: 150.003, DCmm: 40.002 }))
  const done = saveLineFigures(room.as('ines', 60), bench, { serial: 'BX00143', scanned: 'BX00143', first, reason: null })
  return { room, done }
}

describe('figures from a line', () => {
  it('are saved as the bench says them at that moment, with their source and their own uncertainty', async () => {
    const { room, done } = save(GOOD)
    expect(valueOf(await done).verdict).toBe('holds')
    const last = lastMeasurement(room.db, getAssembly(room.db, 'BX00143')!.id)!
    expect(last).toMatchObject({ source: 'serial line', summary: { LF: 118.012, DC: 10.001, RE: 1.002 }, evidence: '' })
    expect(last.result.features.find((f) => f.key === 'LF')!.sigma).toBeGreaterThan(0.005)
  })
  it('are refused when the readouts have changed since they were looked at', async () => {
    const { room, done } = save(showing(['LF', 118.013], ['DC', 10.001], ['RE', 1.002]))
    expect(codeOf(await done)).toBe('CHANGED')
    expect(lastMeasurement(room.db, getAssembly(room.db, 'BX00143')!.id)).toBeNull()
  })
  it.each([
    [null, 'NO_LINE'],
    [
      { read: async () => ({ ok: false, error: { code: 'UNREACHABLE', detail: 'no connection' } }) } satisfies LineBench,
      'UNREACHABLE',
    ],
    [{ read: async () => ({ ok: true, value: ['LF +118.012 MM 00'] }) } satisfies LineBench, 'GARBLED'],
    [showing(), 'NOTHING'],
  ])('%#: say what to do when there is none to be had', async (bench, code) => {
    const read = await readLine(bench)
    expect(codeOf(read)).toBe(code)
    expect(textOf(read)).toMatch(/\.$/)
  })
})
