import type { ReactNode } from 'react'
import type { LoadRun, StepLine } from '@/core/load'
import type { LoadLine } from '@/words/load'
import type { Line } from './checks'
import type { MagazineView } from './magazine'
import type { Figure } from './typed-figures'
import type { Ask } from '@/stations/contract'
import type * as load from '@/stations/load/contract'
import type * as standIn from '@/stations/stand-in/contract'

export interface LoadMachine {
  readonly key: string
  readonly name: string
  readonly decimals: number
  readonly typed: boolean
}

export interface LoadStationProps {
  readonly title: ReactNode
  readonly drawing: ReactNode
  /** What stands on the left while no tool is in hand. */
  readonly jobs: ReactNode
  readonly figures: ReactNode
  /** For a terminal without a scanner at hand: the machine may be tapped. */
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly machine: LoadMachine | null
  readonly serial: string | null
  readonly label: string | null
  readonly scans: readonly Line[]
  readonly findings: readonly LoadLine[]
  readonly run: LoadRun | null
  readonly runBy: string | null
  readonly steps: readonly StepLine[]
  readonly pocket: number | null
  readonly why: string | null
  readonly view: MagazineView | null
  readonly widestMm: number | null
  /** Figures to type, where the control takes no files. */
  readonly typed: readonly Figure[]
  /** A stand-in has no hands of its own. */
  readonly standIn: boolean
  readonly unreachable: string | null
  /** Where the record and the control tell otherwise, in words. */
  readonly differences: readonly string[]
  /** Where others went on in this machine and were left. */
  readonly underWay: readonly { readonly serial: string; readonly t: number; readonly pocket: number }[]
  readonly begin: Ask<typeof load.beginLoad>
  readonly turn: Ask<typeof load.turnMagazine>
  readonly tick: Ask<typeof load.tickStep>
  readonly typeFigure: Ask<typeof load.typeFigure>
  readonly load: Ask<typeof load.loadTool>
  readonly drop: Ask<typeof load.dropLoad>
  readonly hand: Ask<typeof standIn.hand>
}
