'use client'
import { Trash2 } from 'lucide-react'
import { type SetStateAction, type Dispatch } from 'react'
import { useForm, type UseFormRegister, type UseFieldArrayReturn, type FieldErrors } from 'react-hook-form'
import { ROLES, ROUTES, TOOL_CLASSES, type ToolClass } from '@/core/tool'
import { LengthField, NumberField, SelectField, TextField } from '../common/form'
import { type LengthKey, type Typed } from './definition-text'
import { say } from '@/words/screens/library'
import type { DefinitionFormProps } from './definition-props'
import { useUnits } from '../shell/shell-context'

/** One part of it, with what may stand in for it. */
export function PartLine({
  register,
  i,
  setTyping,
  lines,
}: {
  readonly register: UseFormRegister<Typed>
  readonly i: number
  readonly setTyping: Dispatch<SetStateAction<string>>
  readonly lines: UseFieldArrayReturn<Typed, 'parts', 'id'>
}) {
  return (
    <div className="grid grid-cols-[120px_1fr_1fr_64px_44px] items-end gap-2 max-[900px]:grid-cols-2">
      <select className="select" aria-label={say.role} {...register(`parts.${i}.role`)}>
        {ROLES.map((r) => (
          <option key={r}>{r}</option>
        ))}
      </select>
      <input
        className="input"
        list="library-parts"
        onInput={(e) => setTyping(e.currentTarget.value)}
        aria-label={say.part}
        placeholder={say.partNumber}
        {...register(`parts.${i}.component`)}
      />
      <input
        className="input"
        list="library-parts"
        onInput={(e) => setTyping(e.currentTarget.value)}
        aria-label={say.substitutes}
        placeholder={say.substitutesSeparatedByCommas}
        {...register(`parts.${i}.alternatives`)}
      />
      <input className="input" inputMode="numeric" aria-label={say.pieces} {...register(`parts.${i}.count`)} />
      <button type="button" className="btn btn-ghost btn-square" aria-label={say.deleteThisLine} onClick={() => lines.remove(i)}>
        <Trash2 size={20} />
      </button>
    </div>
  )
}

/** What the tool is and what it shall measure. */
export function Sizes({
  errors,
  register,
  definition,
  takeDefaults,
}: {
  readonly errors: FieldErrors<Typed>
  readonly register: UseFormRegister<Typed>
  readonly definition: DefinitionFormProps['definition']
  readonly takeDefaults: (event: { target: { value: ToolClass } }) => void
}) {
  const length = (key: LengthKey, name: string, symbol?: string) => (
    <LengthField label={name} symbol={symbol} error={errors[key]?.message} {...register(key)} />
  )
  return (
    <div className="grid grid-cols-4 gap-x-4 gap-y-2.5 max-[900px]:grid-cols-2">
      <TextField label={say.number} error={errors.id?.message} {...register('id')} readOnly={definition !== null} />
      <NumberField label="T" error={errors.t?.message} decimals={false} {...register('t')} />
      <TextField label={say.name} wide error={errors.name?.message} {...register('name')} />
      <SelectField label={say.classWord} {...register('toolClass', { onChange: takeDefaults })}>
        {TOOL_CLASSES.map((c) => (
          <option key={c}>{c}</option>
        ))}
      </SelectField>
      <NumberField label={say.edges} symbol="NOF" error={errors.edges?.message} decimals={false} {...register('edges')} />
      <NumberField label={say.programSpeed} unit="rev/min" error={errors.rpm?.message} decimals={false} {...register('rpm')} />
      <NumberField label={say.torqueOfTheJob} unit={useUnits().torque} error={errors.torque?.message} {...register('torque')} />
      {length('LF', 'Length', 'LF')}
      {length('LFlo', 'lower')}
      {length('LFup', 'upper')}
      {length('reach', say.reachNeeded)}
      {length('DC', 'Diameter', 'DC')}
      {length('DClo', 'lower')}
      {length('DCup', 'upper')}
      {length('radial', say.radialRunoutAtMost)}
      {length('RE', say.cornerRadius, 'RE')}
      {length('RElo', 'lower')}
      {length('REup', 'upper')}
      {length('axial', say.axialRunoutAtMost)}
      <NumberField label={say.balanceGrade} symbol="G" error={errors.grade?.message} {...register('grade')} />
      <NumberField label="at" unit="rev/min" error={errors.gradeRpm?.message} decimals={false} {...register('gradeRpm')} />
      <SelectField label={say.route} {...register('route')}>
        {ROUTES.map((r) => (
          <option key={r}>{r}</option>
        ))}
      </SelectField>
      <NumberField label={say.life} unit="min" error={errors.life?.message} {...register('life')} />
      {length('wear', say.wearAllowed)}
      <NumberField label={say.checkAfter} unit="min" error={errors.check?.message} {...register('check')} />
      {length('reground', say.regroundDownTo, 'DC')}
      <SelectField label={say.tipOfTurning} {...register('tip')}>
        <option value="">{say.asSeenOnTheBench}</option>
        {[1, 2, 3, 4, 5, 6, 7, 8, 9].map((q) => (
          <option key={q}>{q}</option>
        ))}
      </SelectField>
      {length('stepR', say.steppedRadially)}
      {length('stepZ', say.steppedAxially)}
    </div>
  )
}

export function Ticks({
  legend,
  all,
  register,
  error,
}: {
  readonly legend: string
  readonly all: readonly { readonly key: string; readonly name: string }[]
  readonly register: ReturnType<ReturnType<typeof useForm<Typed>>['register']>
  readonly error?: string
}) {
  return (
    <fieldset>
      <legend className="font-head text-lg font-semibold">{legend}</legend>
      <div className="flex flex-wrap gap-x-5">
        {all.map(({ key, name }) => (
          <label key={key} className="flex min-h-11 items-center gap-2 text-lg">
            <input type="checkbox" value={key} className="checkbox checkbox-primary" {...register} />
            {name}
          </label>
        ))}
      </div>
      {error && (
        <span role="alert" className="text-off">
          {error}
        </span>
      )}
    </fieldset>
  )
}
