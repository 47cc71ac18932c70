'use client'
import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react'
import { type SetStateAction, type Dispatch } from 'react'
import { useWatch, type Control, type UseFormRegister, type UseFieldArraySwap, type UseFieldArrayRemove } from 'react-hook-form'
import { FEATURES } from '@/core/features'
import { isAngle } from '@/core/judge'
import type { SetMeasurement } from '@/core/sets'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'
import { BigAction } from '../common/actions'
import { TextField } from '../common/form'
import { Problem, Say } from '../common/sheet'
import { type StepFields } from './program-steps'
import { type Typed } from './step-form'
import { useBench } from './use-bench'
import { say } from '@/words/screens/measure'
import type { ProgramProps } from './program-props'

/** Why it is changed, and the press that keeps it. */
export function Keep({
  register,
  held,
  bench,
  problem,
  keepAll,
  busy,
  base,
}: {
  readonly register: UseFormRegister<Typed>
  readonly held: ProgramProps['held']
  readonly bench: ReturnType<typeof useBench>
  readonly problem: string | null
  readonly keepAll: () => void
  readonly busy: boolean
  readonly base: ProgramProps['base']
}) {
  return (
    <div className="mt-auto pt-3">
      <TextField label={say.whyItIsChanged} placeholder={say.firstToolOfThisKind} {...register('why')} />
      {held && (
        <Say tone="off" lead={say.measuringIsStopped} role="alert">
          {held}
        </Say>
      )}
      {bench.state.type === 'failed' && (
        <Say tone="off" lead={say.nothingMeasured} role="alert">
          {bench.state.text}
        </Say>
      )}
      <Problem lead={say.notDone} text={problem} />
      <div className="mt-2.5">
        <BigAction onAct={keepAll} disabled={busy}>
          {say.keepAsVersion(base + 1)}
        </BigAction>
      </div>
    </div>
  )
}

/** Its steps in order. */
export function StepList({
  fields,
  chosen,
  setChosen,
  setTried,
  control,
  swap,
  remove,
}: {
  readonly fields: (StepFields & Record<'id', string> & { disabled?: boolean })[]
  readonly chosen: number
  readonly setChosen: Dispatch<SetStateAction<number>>
  readonly setTried: Dispatch<SetStateAction<{ name: string; set: SetMeasurement } | null>>
  readonly control: Control<Typed>
  readonly swap: UseFieldArraySwap
  readonly remove: UseFieldArrayRemove
}) {
  return (
    <ol className="border-rule border-t">
      {fields.map((field, i) => (
        <li key={field.id} className="border-rule flex items-center gap-1 border-b">
          <button
            type="button"
            aria-pressed={chosen === i}
            onClick={() => {
              setChosen(i)
              setTried(null)
            }}
            className={`font-head flex h-12 min-w-0 flex-1 items-center gap-2 px-2 text-left text-[20px] font-semibold ${chosen === i ? 'border-act border-l-[5px] bg-[var(--color-base-200)]' : ''}`}
          >
            <span className="figures text-soft w-5">{i + 1}</span>
            <StepName control={control} step={i} />
          </button>
          {i > 0 && (
            <>
              <Icon name={say.stepEarlier(i + 1)} disabled={i === 1} act={() => (swap(i, i - 1), setChosen(i - 1))}>
                <ArrowUp size={20} />
              </Icon>
              <Icon name={say.stepLater(i + 1)} disabled={i === fields.length - 1} act={() => (swap(i, i + 1), setChosen(i + 1))}>
                <ArrowDown size={20} />
              </Icon>
              <Icon name={say.takeStepOut(i + 1)} act={() => (remove(i), setChosen(0), setTried(null))}>
                <Trash2 size={20} />
              </Icon>
            </>
          )}
        </li>
      ))}
    </ol>
  )
}

export function StepName({ control, step }: { readonly control: Control<Typed>; readonly step: number }) {
  const fields = useWatch({ control, name: `steps.${step}` })
  if (!fields) return null
  return (
    <span className="min-w-0 flex-1">
      <span className="block truncate leading-tight">{fields.name || say.noNameYet}</span>
      <small className="text-soft block truncate text-[15px] leading-tight font-medium">
        {FEATURES.filter((f) => fields.asked[f]).join(', ') || say.measuresNothing}
      </small>
    </span>
  )
}

export function Tried({ name, set, unit }: { readonly name: string; readonly set: SetMeasurement; readonly unit: LengthUnit }) {
  return (
    <dl className="border-rule grid max-w-[676px] grid-cols-3 gap-x-6 border-t" data-testid="tried">
      {set.measure.map((f) => {
        const value = set.summary[f]
        return (
          <div key={f} className="border-rule flex items-baseline justify-between border-b py-1">
            <dt className="font-semibold">{f}</dt>
            <dd className="figures text-[24px] font-semibold">
              {value === null
                ? say.notSeen
                : isAngle(f)
                  ? `${value.toFixed(2)}°`
                  : `${formatLength(value, unit)} ${unitMark(unit)}`}
            </dd>
          </div>
        )
      })}
      <p className="text-soft col-span-3 pt-1 text-base">{say.triedOnEdge(name)}</p>
    </dl>
  )
}

export function Icon({
  name,
  act,
  disabled = false,
  children,
}: {
  readonly name: string
  readonly act: () => void
  readonly disabled?: boolean
  readonly children: React.ReactNode
}) {
  return (
    <button type="button" aria-label={name} className="btn btn-ghost btn-square" disabled={disabled} onClick={act}>
      {children}
    </button>
  )
}
