import type { Step } from '@/core/fits'
import type { AskUnit } from './unit-panel'
import type { Ask } from '@/stations/contract'
import type * as build from '@/stations/build/contract'

export interface StepView extends Pick<Step, 'id' | 'title' | 'confirm' | 'needs' | 'caution'> {
  readonly text: string
  /** Ids to tick: one, or one a pocket. */
  readonly ticks: readonly string[]
}

export interface BuildPanelProps {
  readonly job: string
  readonly t: number
  readonly steps: readonly StepView[]
  /** The holder this tool is being built on, and what was done on it. */
  readonly build: {
    readonly serial: string
    readonly who: string
    readonly done: readonly string[]
    readonly extensions: Readonly<Record<string, string>>
  } | null
  readonly wantedExtensions: readonly { readonly component: string; readonly name: string }[]
  /** What the tool is made of, and where it is in the store. */
  readonly parts: readonly { readonly component: string; readonly name: string; readonly places: readonly string[] }[]
  readonly free: readonly string[]
  readonly blocked: readonly string[]
  /** null where nothing is shrunk. */
  readonly shrink: { readonly coil: string; readonly seconds: number; readonly leastC: number } | null
  readonly greatestC: number | null
  readonly act: BuildActions
}

export interface BuildActions {
  readonly begin: Ask<typeof build.beginBuild>
  readonly finish: Ask<typeof build.finishBuild>
  readonly tick: Ask<typeof build.tickStep>
  readonly extension: Ask<typeof build.addExtension>
  readonly heat: Ask<typeof build.startHeat>
  readonly cool: Ask<typeof build.coolDown>
  readonly shrinkByHand: Ask<typeof build.shrinkByHand>
  readonly takeOut: Ask<typeof build.takeOut>
  readonly abandon: Ask<typeof build.abandonBuild>
  readonly unit: AskUnit
}
