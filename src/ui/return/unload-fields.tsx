'use client'
import { type SetStateAction, type Dispatch } from 'react'
import type { Disposition } from '@/stations/return/contract'
import { say } from '@/words/screens/return'
import type { UnloadPanelProps } from './unload-props'

/** Whether its wear goes along. */
export function WearChoice({
  usedOn,
  worn,
  wear,
  setWear,
}: {
  readonly usedOn: boolean
  readonly worn: UnloadPanelProps['worn']
  readonly wear: WearGoes | null
  readonly setWear: Dispatch<SetStateAction<WearGoes | null>>
}) {
  return (
    usedOn &&
    worn && (
      <div role="radiogroup" aria-label={say.whatAboutItsWear} className="mt-2 flex gap-4">
        {(['kept', 'cleared'] as const).map((key) => (
          <label key={key} className="flex min-h-11 items-center gap-2 text-lg font-semibold">
            <input
              type="radio"
              name="wear"
              className="radio radio-primary"
              checked={wear === key}
              onChange={() => setWear(key)}
            />
            {key === 'kept' ? say.keepItsWear : say.clearItsWear}
          </label>
        ))}
      </div>
    )
  )
}

/** What next with it: one choice, or why it is not open. */
export function Choices({
  disposition,
  closed,
  setDisposition,
  worn,
}: {
  readonly disposition: 'again' | 'other' | 'measure' | 'apart' | 'scrap' | 'broken'
  readonly closed: Partial<Record<'again' | 'other' | 'measure' | 'apart' | 'scrap' | 'broken', string>>
  readonly setDisposition: Dispatch<SetStateAction<'again' | 'other' | 'measure' | 'apart' | 'scrap' | 'broken'>>
  readonly worn: UnloadPanelProps['worn']
}) {
  return (
    <div role="radiogroup" aria-label={say.whatNext} className="mt-2 grid grid-cols-2 gap-1.5">
      {DISPOSITIONS.map(([key, name, about]) => (
        <label
          key={key}
          className="border-rule has-checked:border-act has-disabled:text-soft flex min-h-[56px] items-center gap-2.5 border-[1.5px] px-2.5"
        >
          <input
            type="radio"
            name="disposition"
            className="radio radio-primary shrink-0"
            checked={disposition === key}
            disabled={key in closed}
            onChange={() => setDisposition(key)}
          />
          <span className="leading-tight">
            <span className="font-head block text-[19px] font-semibold">{name}</span>
            <span className="text-soft text-[15px]">
              {closed[key] ?? (key === 'again' && worn ? 'with a new hand-over' : about)}
            </span>
          </span>
        </label>
      ))}
    </div>
  )
}

export const DISPOSITIONS: readonly (readonly [Disposition, string, string])[] = [
  ['again', say.useAgainHere, say.itsOffsetsStayValid],
  ['other', say.otherMachine, 'with a new hand-over'],
  ['measure', say.measureAgain, say.thenUseAgain],
  ['apart', say.takeApart, say.notNeeded],
  ['scrap', say.wornOut, say.scrapWhatIsWorn],
  ['broken', 'Broken', say.itsSisterToolTakesOver],
]

export type WearGoes = 'kept' | 'cleared'
