import { decodeLineFigures } from '@/codecs/line-figures'
import { FIGURE_KEYS, type Figures } from '@/core/measure'
import { fail, type Result } from '@/core/units'
import type { LineBench } from '@/devices/line-bench/port'
import type { Refused, Work } from '../work'
import type { Saved } from './keep-measurement'
import { saveFigures, type FiguresSave } from './save-figures'

/** What stands on the readouts of the bench at the end of the line, mm. */
export async function readLine(bench: LineBench | null): Promise<Result<Figures, Refused>> {
  if (!bench)
    return fail({ code: 'NO_LINE', text: 'No bench is connected by a line. Type its figures twice, or set BOULDER_LINE_BENCH.' })
  const lines = await bench.read()
  if (!lines.ok) {
    const { error } = lines
    return fail({
      code: error.code,
      text:
        error.code === 'UNREACHABLE'
          ? `The bench does not answer on its line: ${error.detail}. Look whether it is switched on, or type its figures.`
          : 'What came over the line cannot be read. Send it again.',
    })
  }
  const figures = decodeLineFigures(lines.value)
  if (!figures.ok)
    return fail({ code: 'GARBLED', text: `“${figures.error.line}” came over the line and cannot be read. Send it again.` })
  if (FIGURE_KEYS.every((key) => figures.value[key] === null))
    return fail({ code: 'NOTHING', text: 'No figure stands on the bench’s readouts. Measure there first.' })
  return figures
}

export type LineSave = Omit<FiguresSave, 'source' | 'second'>

/** Asks the line once more: what is saved is what the bench says now, and it must be what was looked at. */
export async function saveLineFigures(work: Work, bench: LineBench | null, save: LineSave): Promise<Result<Saved, Refused>> {
  const now = await readLine(bench)
  if (!now.ok) return now
  const changed = FIGURE_KEYS.some((key) => now.value[key] !== save.first[key])
  if (changed)
    return fail({
      code: 'CHANGED',
      text: 'The bench shows other figures now than when they were taken. Take them again, and look at them.',
    })
  return saveFigures(work, { ...save, source: 'serial line', second: now.value })
}
