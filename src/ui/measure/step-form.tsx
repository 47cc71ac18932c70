'use client'
import { FEATURE_NAMES } from '@/words/properties'
import { useWatch, type Control, type UseFormRegister } from 'react-hook-form'
import { FEATURES, type Feature } from '@/core/features'
import { isAngle } from '@/core/judge'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'
import { SelectField, TextField } from '../common/form'
import type { StepFields } from './program-steps'
import { say } from '@/words/screens/measure'

/** A program as it is typed. */
export interface Typed {
  steps: StepFields[]
  why: string
}

/** What one step is called, asks for, and allows. */
export function StepForm({
  step,
  control,
  register,
  unit,
}: {
  readonly step: number
  readonly control: Control<Typed>
  readonly register: UseFormRegister<Typed>
  readonly unit: LengthUnit
}) {
  const fields = useWatch({ control, name: `steps.${step}` })
  if (!fields) return null
  return (
    <fieldset className="mt-3">
      <div className="grid grid-cols-[1fr_auto] items-end gap-3">
        <TextField label={say.name} maxLength={40} {...register(`steps.${step}.name`)} />
        <p className="figures text-soft pb-2 text-[17px] leading-tight">
          {fields.at ? (
            <>
              {say.belowTheTip(formatLength(fields.at.downMm, unit, unit === 'mm' ? 1 : 2), unitMark(unit))}
              <br />
              {say.fromTheAxis(formatLength(fields.at.xMm, unit, unit === 'mm' ? 1 : 2), unitMark(unit))}
            </>
          ) : (
            say.foundAtTheToolsEnd
          )}
        </p>
      </div>
      <div className="mt-2 grid grid-cols-5 gap-1">
        {FEATURES.map((f) => (
          <label
            key={f}
            title={FEATURE_NAMES[f]}
            className="border-rule font-head has-checked:border-act has-checked:text-act flex h-11 items-center gap-1.5 border px-1.5 text-[17px] font-semibold"
          >
            <input type="checkbox" className="checkbox checkbox-primary" {...register(`steps.${step}.asked.${f}`)} />
            {f}
            <span className="sr-only">{FEATURE_NAMES[f]}</span>
          </label>
        ))}
      </div>
      {fields.asked.RE && (
        <SelectField label={say.cornerFrom} {...register(`steps.${step}.corner`)}>
          <option value="">{say.cornerAsItComes}</option>
          <option value="single">{say.cornerSingle}</option>
          <option value="turn">{say.cornerTurn}</option>
        </SelectField>
      )}
      {FEATURES.filter((f) => fields.asked[f]).map((f) => (
        <Limits key={f} step={step} feature={f} register={register} unit={unit} tool={fields.at === null} />
      ))}
    </fieldset>
  )
}

function Limits({
  step,
  feature,
  register,
  unit,
  tool,
}: {
  readonly step: number
  readonly feature: Feature
  readonly register: UseFormRegister<Typed>
  readonly unit: LengthUnit
  readonly tool: boolean
}) {
  // the library says these for the tool itself
  const given = tool && (feature === 'LF' || feature === 'DC' || feature === 'RE')
  return (
    <div className="border-rule grid min-h-12 grid-cols-[1fr_92px_92px] items-center gap-2 border-b py-1">
      <span className="leading-tight font-semibold">
        {FEATURE_NAMES[feature]} <small className="text-soft font-normal">{isAngle(feature) ? '°' : unitMark(unit)}</small>
      </span>
      {given ? (
        <span className="text-soft col-span-2 text-right text-base">{say.limitsFromTheLibrary}</span>
      ) : (
        (['min', 'max'] as const).map((end) => (
          <input
            key={end}
            aria-label={`${end === 'min' ? say.lowerLimit : say.upperLimit} ${FEATURE_NAMES[feature].toLowerCase()}`}
            placeholder={end === 'min' ? say.least : say.greatest}
            className="input figures px-2 text-right"
            {...register(`steps.${step}.limits.${feature}.${end}`)}
          />
        ))
      )}
    </div>
  )
}
