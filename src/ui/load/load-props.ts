import type { ReactNode } from 'react'
import type { CheckRow, RegisterName } from '@/core/handover'
import type { LoadRun, StepLine } from '@/core/load'
import type { LoadLine } from '@/words/load'
import type { LoadRule } from '@/core/tool'
import type { Result } from '@/core/units'
import type { Line } from './checks'
import type { MagazineView } from './magazine'
import type { Figure } from './typed-figures'

export type Done<T> = Promise<Result<T, { text: string }>>
export type HandAct = 'open' | 'shut' | 'put' | 'spindle put' | 'spindle take' | 'take' | 'call back' | 'manual' | 'automatic'

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
  readonly silence: string | null
  /** Where others went on in this machine and were left. */
  readonly underWay: readonly { readonly serial: string; readonly t: number; readonly pocket: number }[]
  readonly begin: (given: {
    machine: string
    serial: string
    label?: string
    pocket?: number
    reasons: { rule: LoadRule; reason: string }[]
  }) => Done<{ pocket: number }>
  readonly turn: (given: { serial: string }) => Done<null>
  readonly tick: (given: { serial: string; step: StepLine['step'] }) => Done<null>
  readonly typeFigure: (given: { serial: string; register: RegisterName; value: number }) => Done<null>
  readonly load: (given: { serial: string }) => Done<{ pocket: number; rows: readonly CheckRow[] }>
  readonly drop: (given: { serial: string; reason: string }) => Done<null>
  readonly hand: (given: { machine: string; act: HandAct }) => Done<null>
}
