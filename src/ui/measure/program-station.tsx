'use client'
import { useGo } from '../common/going'
import { useState } from 'react'
import { useFieldArray, useForm } from 'react-hook-form'
import { type ProgramStep } from '@/core/judge'
import type { SetMeasurement } from '@/core/sets'
import { type LengthUnit } from '@/core/units'
import { SmallAction, SmallActions } from '../common/actions'
import { Sheet, Title } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useShell, useUnsaved } from '../shell/shell-context'
import { LivePicture } from './live-picture'
import { fieldsOf, stepOf, type StepFields } from './program-steps'
import { StepForm, type Typed } from './step-form'
import { useBench } from './use-bench'
import { say } from '@/words/screens/measure'
import { Keep, StepList, Tried } from './program-parts'
import { ProgramProps } from './program-props'

/** A new step measures a diameter until somebody says otherwise. */
const newStep = (n: number, at: NonNullable<ProgramStep['at']>, unit: LengthUnit): StepFields =>
  fieldsOf({ name: say.stepNumber(n), at, features: ['DC'], limits: {} }, unit)

/** The program of a definition, on a tool that is on the spindle: steps placed by the picture, tried, ordered, kept. */
// eslint-disable-next-line max-lines-per-function -- joins bench and form; what it shows are components already
export function ProgramStation({ serial, title, about, tool, base, held, keep }: ProgramProps) {
  const { unit } = useShell()
  const router = useGo()
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
          <StepList
            fields={fields}
            chosen={chosen}
            setChosen={setChosen}
            setTried={setTried}
            control={control}
            swap={swap}
            remove={remove}
          />
          <SmallActions>
            <SmallAction onAct={() => void addStep()} disabled={!idle}>
              {say.addThisViewAsA}
            </SmallAction>
            <SmallAction onAct={() => void tryStep()} disabled={!idle}>
              {trying ? say.measuring : say.tryThisStep}
            </SmallAction>
          </SmallActions>
          {fields[chosen] && <StepForm key={fields[chosen].id} step={chosen} control={control} register={register} unit={unit} />}
          <Keep register={register} held={held} bench={bench} problem={problem} keepAll={keepAll} busy={busy} base={base} />
        </>
      }
    />
  )
}
