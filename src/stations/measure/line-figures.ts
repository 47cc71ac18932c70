import { decodeLineFigures } from '@/codecs/line-figures'
import { FIGURE_KEYS, type Figures } from '@/core/sets'
import { fail, type Result } from '@/core/units'
import type { LineBench } from '@/devices/line-bench/port'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import type { Saved } from './contract'
import { saveFigures, type FiguresSave } from './save-figures'

/** What stands on the readouts of the bench at the end of the line, mm. */
export async function readLine(bench: LineBench | null): Promise<Result<Figures, Refusal>> {
  if (!bench) return fail({ code: 'NO_LINE' })
  const lines = await bench.read()
  if (!lines.ok) {
    const { error } = lines
    return fail({ code: 'LINE', error })
  }
  const figures = decodeLineFigures(lines.value)
  if (!figures.ok) return fail({ code: 'LINE', error: { code: 'GARBLED', line: figures.error.line } })
  if (FIGURE_KEYS.every((key) => figures.value[key] === null)) return fail({ code: 'LINE', error: { code: 'NOTHING' } })
  return figures
}

export type LineSave = Omit<FiguresSave, 'source' | 'second'>

/** Asks the line once more: what is saved is what the bench says now, and it must be what was looked at. */
export async function saveLineFigures(
  work: Work,
  bench: LineBench | null,
  save: LineSave,
  gauge: string | null = null,
): Promise<Result<Saved, Refusal>> {
  const now = await readLine(bench)
  if (!now.ok) return now
  const changed = FIGURE_KEYS.some((key) => now.value[key] !== save.first[key])
  if (changed) return fail({ code: 'CHANGED', what: 'readings' })
  return saveFigures(work, { ...save, source: 'serial line', second: now.value }, gauge)
}
