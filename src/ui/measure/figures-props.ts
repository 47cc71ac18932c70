import { type FigureKey } from '@/core/sets'
import type { SpecLimits } from '@/core/features'
import { type ValuesCheckProps } from './values-check'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'

export interface FiguresProps {
  readonly serial: string
  readonly title: string
  readonly about: string
  readonly limits: Readonly<Record<FigureKey, SpecLimits | null>>
  readonly before: Readonly<Partial<Record<FigureKey, number | null>>> | null
  /** The master check of the other bench. */
  readonly check: ValuesCheckProps
  readonly save: Ask<typeof measure.saveFigures>
  /** The bench at the end of a serial line; null where none is connected. */
  /** Whether it has a dial by which it can be set without a bench. */
  readonly dial: boolean
  readonly line: {
    readonly read: Ask<typeof measure.readLine>
    readonly save: Ask<typeof measure.saveLineFigures>
  } | null
}
