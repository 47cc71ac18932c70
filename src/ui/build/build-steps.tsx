'use client'
import { Check } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { Say } from '../common/sheet'
import { say } from '@/words/screens/build'
import type { StepView } from './build-props'

export function Begin({ free }: { readonly free: readonly string[] }) {
  return free.length ? (
    <Say tone="todo" lead={say.scanAFreeHolderTo}>
      {say.freeOfThisType(free.slice(0, 4).join(', '), free.length > 4 ? say.andMore(free.length - 4) : '')}
    </Say>
  ) : (
    <Say tone="unsure" lead={say.noHolderOfThisType}>
      {say.takeApartAToolThat}
    </Say>
  )
}

export function StepLine({
  step,
  number,
  isNext,
  done,
  on,
  tick,
}: {
  readonly step: StepView
  readonly number: number
  readonly isNext: boolean
  readonly done: readonly string[]
  readonly on: boolean
  readonly tick: (id: string, on: boolean) => void
}) {
  const all = step.ticks.every((id) => done.includes(id))
  const byHand = step.confirm !== 'heat' && step.confirm !== 'cool'
  const line = useRef<HTMLLIElement>(null)
  useEffect(() => {
    if (isNext) line.current?.scrollIntoView({ block: 'nearest' })
  }, [isNext])
  return (
    <li ref={line} className={`border-rule border-b px-1 py-1.5 ${isNext ? 'bg-ground' : ''}`}>
      <div className="flex items-center gap-2">
        <span className="figures text-soft w-5 shrink-0 text-lg">{number}</span>
        <b className="font-head text-[19px]">{step.title}</b>
        <span className="ml-auto flex flex-wrap justify-end gap-1.5">
          {step.ticks.map((id, i) => (
            <button
              key={id}
              type="button"
              disabled={!on || !byHand}
              aria-pressed={done.includes(id)}
              aria-label={step.ticks.length > 1 ? say.pocketNumber(i + 1) : step.title}
              className="btn btn-outline btn-square tick"
              onClick={() => tick(id, !done.includes(id))}
            >
              {done.includes(id) ? <Check size={22} aria-hidden="true" /> : step.ticks.length > 1 ? i + 1 : ''}
            </button>
          ))}
        </span>
      </div>
      {(isNext || !on || !all) && (
        <div className={`pl-7 leading-snug ${isNext || !on ? '' : 'text-soft'}`}>
          {step.text}
          {isNext && step.needs && <span className="text-soft block text-[15px]">{say.atHand(step.needs.join(', '))}</span>}
          {isNext && step.caution && <span className="text-unsure block text-[15px] font-semibold">△ {step.caution}</span>}
        </div>
      )}
    </li>
  )
}
