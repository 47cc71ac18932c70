'use client'
import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useFieldArray, useForm, useWatch, type Control } from 'react-hook-form'
import { FEATURES } from '@/core/features'
import { isAngle, type ProgramStep } from '@/core/judge'
import type { SetMeasurement } from '@/core/sets'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'
import type { OpenTool } from '@/workers/bench.worker'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { Field, FIELD } from '../common/form'
import { Problem, Say, Sheet, Title } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useShell, useUnsaved } from '../shell/shell-context'
import { LivePicture } from './live-picture'
import { fieldsOf, stepOf, type StepFields } from './program-steps'
import { StepForm, type Typed } from './step-form'
import { useBench } from './use-bench'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'
import { say } from '@/words/screens/measure'

export interface ProgramProps {
  readonly serial: string
  readonly title: string
  readonly about: string
  readonly tool: OpenTool
  /** The version in force; 0 where tools of this definition have no routine. */
  readonly base: number
  /** Why nothing may be measured now; null when it may. */
  readonly held: string | null
  readonly keep: Ask<typeof measure.keepProgram>
}

/** A new step measures a diameter until somebody says otherwise. */
const newStep = (n: number, at: NonNullable<ProgramStep['at']>, unit: LengthUnit): StepFields =>
  fieldsOf({ name: say.stepNumber(n), at, features: ['DC'], limits: {} }, unit)

/** The program of a definition, on a tool that is on the spindle: steps placed by the picture, tried, ordered, kept. */
export function ProgramStation({ serial, title, about, tool, base, held, keep }: ProgramProps) {
  const { unit } = useShell()
  const router = useRouter()
  const bench = useBench(tool)
  const { busy, problem, setProblem, run } = useAct()
  const { register, control, getValues, reset, formState } = useForm<Typed>({
    defaultValues: { steps: tool.steps.map((s) => fieldsOf(s, unit)), why: '' },
  })
  const { fields, append, remove, swap } = useFieldArray({ control, name: 'steps' })
  const [chosen, setChosen] = useState(0)
  const [tried, setTried] = useState<{ name: string; set: SetMeasurement } | null>(null)
  const [trying, setTrying] = useState(false)
  const { isDirty } = formState
  useUnsaved(isDirty ? say.thisProgram : null)
  const idle = bench.state.type === 'ready' && !trying && held === null

  const tryStep = async () => {
    const step = stepOf(getValues(`steps.${chosen}`), unit)
    setTried(null)
    if (!step.ok) return setProblem(step.error)
    setProblem(null)
    setTrying(true)
    const measured = await bench.tryStep(step.value)
    setTrying(false)
    if (measured?.ok) setTried({ name: step.value.name, set: measured.value })
    else setProblem(say.nothingCanBeMeasuredFrom(step.value.name))
  }
  const addStep = async () => {
    // the first time it looks for the tool's tip, which takes a turn of the spindle
    setTrying(true)
    const at = await bench.placeNow()
    setTrying(false)
    if (!at) return
    append(newStep(fields.length + 1, at, unit))
    setChosen(fields.length)
  }
  const keepAll = () => {
    const { steps, why } = getValues()
    const read: ProgramStep[] = []
    for (const fields of steps) {
      const step = stepOf(fields, unit)
      if (!step.ok) return setProblem(step.error)
      read.push(step.value)
    }
    if (why.trim().length < 3) return setProblem(say.sayWhyInAFew)
    void run(
      () => keep({ serial, steps: read, base, why: why.trim() }),
      () => {
        reset({ steps, why })
        router.push(`/measure/${serial}`)
      },
    )
  }

  return (
    <Sheet
      left={
        <>
          <Title lead={say.howItIsMeasured(title)}>
            {about} · {base ? say.versionBase(base) : say.noRoutineYet}
          </Title>
          <LivePicture
            shown={bench.shown}
            edges={tool.edges}
            unit={unit}
            move={idle ? (byU, byV, byDeg) => void bench.move(byU, byV, byDeg) : undefined}
          />
          <p className="text-soft max-w-[676px] text-base leading-snug">{say.moveThePictureToA}</p>
          {tried && <Tried name={tried.name} set={tried.set} unit={unit} />}
        </>
      }
      right={
        <>
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
                    <Icon
                      name={say.stepLater(i + 1)}
                      disabled={i === fields.length - 1}
                      act={() => (swap(i, i + 1), setChosen(i + 1))}
                    >
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
          <SmallActions>
            <SmallAction onAct={() => void addStep()} disabled={!idle}>
              {say.addThisViewAsA}
            </SmallAction>
            <SmallAction onAct={() => void tryStep()} disabled={!idle}>
              {trying ? say.measuring : say.tryThisStep}
            </SmallAction>
          </SmallActions>
          {fields[chosen] && <StepForm key={fields[chosen].id} step={chosen} control={control} register={register} unit={unit} />}
          <div className="mt-auto pt-3">
            <Field name={say.whyItIsChanged}>
              <input className={FIELD} placeholder={say.firstToolOfThisKind} {...register('why')} />
            </Field>
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
        </>
      }
    />
  )
}

function StepName({ control, step }: { readonly control: Control<Typed>; readonly step: number }) {
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

function Tried({ name, set, unit }: { readonly name: string; readonly set: SetMeasurement; readonly unit: LengthUnit }) {
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

function Icon({
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
    <button
      type="button"
      aria-label={name}
      className="grid h-12 w-11 place-items-center disabled:opacity-30"
      disabled={disabled}
      onClick={act}
    >
      {children}
    </button>
  )
}
