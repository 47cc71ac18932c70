'use client'
import type { ArchetypeFault, DxfFault } from '@/codecs/faults'
import { fileFaultText } from '@/words/files'
import { Trash2 } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { useFieldArray, useForm } from 'react-hook-form'
import type { Archetype } from '@/codecs/tool-archetype'
import {
  CLASS_DEFAULTS,
  MEASURABLE,
  ROLES,
  ROUTES,
  TOOL_CLASSES,
  type ContourPiece,
  type Definition,
  type ToolClass,
} from '@/core/tool'
import { unitMark, type Result } from '@/core/units'
import { BigAction, SmallAction } from '../common/actions'
import { FileInput } from '../common/file-input'
import { Field, FIELD } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useFewParts } from './use-parts'
import { useUnit, useUnsaved } from '../shell/shell-context'
import { readTyped, shown, startOf, type LengthKey, type Typed } from './definition-text'
import { say } from '@/words/screens/library'

export interface DefinitionFormProps {
  /** The version to change; null for a new tool. */
  readonly definition: Definition | null
  /** What is known of a new tool, such as from the program that calls it. */
  readonly suggested?: Partial<Pick<Typed, 't' | 'name' | 'DC' | 'machines'>>
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly save: (definition: Definition) => Promise<Result<{ id: string; version: number }, { text: string }>>
  readonly readContour: (text: string) => Promise<Result<ContourPiece[], DxfFault>>
  readonly readArchetype: (text: string) => Promise<Result<Archetype, ArchetypeFault>>
}

/** A tool's definition: what it is made of, what it shall be, and where it may go. A change makes a new version. */
export function DefinitionForm(props: DefinitionFormProps) {
  const { definition, machines, save, readContour, readArchetype } = props
  const [typing, setTyping] = useState('')
  const suggestions = useFewParts(typing, {}, 30)
  const unit = useUnit()
  const router = useRouter()
  const { busy, problem, run, setProblem } = useAct()
  const [contour, setContour] = useState(definition?.contour ?? null)
  const drawing = useRef<HTMLInputElement>(null)
  const archetype = useRef<HTMLInputElement>(null)
  const { register, control, handleSubmit, setError, setValue, reset, formState } = useForm<Typed>({
    defaultValues: { ...startOf(definition, unit), ...props.suggested },
  })
  const lines = useFieldArray({ control, name: 'parts' })

  const submit = handleSubmit(async (typed) => {
    const read = readTyped(typed, definition, unit)
    if (read.ok)
      await run(
        () => save({ ...read.value, contour }),
        ({ id }) => {
          reset(typed)
          if (!definition) router.push(`/library/tools/${encodeURIComponent(id)}`)
        },
      )
    else for (const [key, message] of Object.entries(read.error)) setError(key as keyof Typed, { message })
  })

  /** A new tool takes the tolerances of its class until they are typed over. */
  const takeDefaults = (event: { target: { value: ToolClass } }) => {
    if (definition) return
    const { LF, DC, RE, radial, axial } = CLASS_DEFAULTS[event.target.value]
    for (const [key, mm] of [
      ['LF', LF],
      ['DC', DC],
      ['RE', RE],
    ] as const) {
      setValue(`${key}lo`, shown(-mm, unit))
      setValue(`${key}up`, shown(mm, unit))
    }
    setValue('radial', shown(radial, unit))
    setValue('axial', shown(axial, unit))
  }

  const takeDrawing = async (file: File | undefined) => {
    if (!file) return
    const read = await readContour(await file.text())
    if (read.ok) setContour(read.value)
    setProblem(read.ok ? null : `${file.name}: ${fileFaultText(read.error)}`)
  }
  const takeArchetype = async (file: File | undefined) => {
    if (!file) return
    const read = await readArchetype(await file.text())
    if (!read.ok) return setProblem(`${file.name}: ${fileFaultText(read.error)}`)
    const a = read.value
    setValue('id', a.toolId)
    setValue('name', a.name)
    if (a.t) setValue('t', String(a.t))
    setValue('edges', String(a.edges))
    for (const key of ['LF', 'DC', 'RE'] as const) {
      const size = a[key]
      if (!size) continue
      setValue(key, shown(size.nominal, unit))
      setValue(`${key}lo`, shown(size.lower, unit))
      setValue(`${key}up`, shown(size.upper, unit))
    }
    if (a.programRpm) setValue('rpm', String(a.programRpm))
    if (a.lifeMin) setValue('life', String(a.lifeMin))
    setProblem(null)
  }

  const { errors, isDirty } = formState
  useUnsaved(isDirty ? say.thisTool : null)
  const length = (key: LengthKey, name: string, symbol?: string) => (
    <Field name={name} symbol={symbol} unit={unitMark(unit)} error={errors[key]?.message}>
      <input className={FIELD} inputMode="decimal" {...register(key)} />
    </Field>
  )
  return (
    <form onSubmit={submit} noValidate className="flex flex-col gap-3">
      <div className="grid grid-cols-4 gap-x-4 gap-y-2.5 max-[900px]:grid-cols-2">
        <Field name={say.number} error={errors.id?.message}>
          <input className={FIELD} {...register('id')} readOnly={definition !== null} />
        </Field>
        <Field name="T" error={errors.t?.message}>
          <input className={FIELD} inputMode="numeric" {...register('t')} />
        </Field>
        <Field name={say.name} wide error={errors.name?.message}>
          <input className={FIELD} {...register('name')} />
        </Field>
        <Field name={say.classWord}>
          <select className={FIELD} {...register('toolClass', { onChange: takeDefaults })}>
            {TOOL_CLASSES.map((c) => (
              <option key={c}>{c}</option>
            ))}
          </select>
        </Field>
        <Field name={say.edges} symbol="NOF" error={errors.edges?.message}>
          <input className={FIELD} inputMode="numeric" {...register('edges')} />
        </Field>
        <Field name={say.programSpeed} unit="rev/min" error={errors.rpm?.message}>
          <input className={FIELD} inputMode="numeric" {...register('rpm')} />
        </Field>
        <Field name={say.torqueOfTheJob} unit="N·m" error={errors.torque?.message}>
          <input className={FIELD} inputMode="decimal" {...register('torque')} />
        </Field>
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
        <Field name={say.balanceGrade} symbol="G" error={errors.grade?.message}>
          <input className={FIELD} inputMode="decimal" {...register('grade')} />
        </Field>
        <Field name="at" unit="rev/min" error={errors.gradeRpm?.message}>
          <input className={FIELD} inputMode="numeric" {...register('gradeRpm')} />
        </Field>
        <Field name={say.route}>
          <select className={FIELD} {...register('route')}>
            {ROUTES.map((r) => (
              <option key={r}>{r}</option>
            ))}
          </select>
        </Field>
        <Field name={say.life} unit="min" error={errors.life?.message}>
          <input className={FIELD} inputMode="decimal" {...register('life')} />
        </Field>
      </div>
      <Ticks legend={say.measure} all={MEASURABLE.map((m) => ({ key: m, name: m }))} register={register('measure')} />
      <Ticks legend={say.machines} all={machines} register={register('machines')} error={errors.machines?.message} />
      <h3 className="text-xl font-bold">{say.parts}</h3>
      <datalist id="library-parts">
        {(suggestions ?? []).map((c) => (
          <option key={c.id} value={c.id}>
            {c.name}
          </option>
        ))}
      </datalist>
      {lines.fields.map((line, i) => (
        <div key={line.id} className="grid grid-cols-[120px_1fr_1fr_64px_44px] items-end gap-2 max-[900px]:grid-cols-2">
          <select className={FIELD} aria-label={say.role} {...register(`parts.${i}.role`)}>
            {ROLES.map((r) => (
              <option key={r}>{r}</option>
            ))}
          </select>
          <input
            className={FIELD}
            list="library-parts"
            onInput={(e) => setTyping(e.currentTarget.value)}
            aria-label={say.part}
            placeholder={say.partNumber}
            {...register(`parts.${i}.component`)}
          />
          <input
            className={FIELD}
            list="library-parts"
            onInput={(e) => setTyping(e.currentTarget.value)}
            aria-label={say.substitutes}
            placeholder={say.substitutesSeparatedByCommas}
            {...register(`parts.${i}.alternatives`)}
          />
          <input className={FIELD} inputMode="numeric" aria-label={say.pieces} {...register(`parts.${i}.count`)} />
          <button
            type="button"
            className="flex size-11 items-center justify-center"
            aria-label={say.deleteThisLine}
            onClick={() => lines.remove(i)}
          >
            <Trash2 size={20} />
          </button>
        </div>
      ))}
      <div className="flex flex-wrap gap-2.5">
        <SmallAction onAct={() => lines.append({ role: 'collet', component: '', alternatives: '', count: '1' })}>
          {say.anotherPart}
        </SmallAction>
        <SmallAction onAct={() => drawing.current?.click()}>
          {contour ? say.contourOfPieces(contour.length) : say.contourFromDxf}
        </SmallAction>
        {definition === null && <SmallAction onAct={() => archetype.current?.click()}>{say.fromAnXmlArchetype}</SmallAction>}
      </div>
      <FileInput picker={drawing} label={say.dxfContour} accept=".dxf" take={([file]) => void takeDrawing(file)} />
      <FileInput picker={archetype} label={say.xmlArchetype} accept=".xml" take={([file]) => void takeArchetype(file)} />
      <Problem lead={say.notSaved} text={problem} />
      <div className="max-w-md">
        <BigAction disabled={busy} onAct={() => void submit()}>
          {definition ? say.keepAsVersion(definition.version + 1) : say.saveTool}
        </BigAction>
      </div>
    </form>
  )
}

function Ticks({
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
            <input type="checkbox" value={key} className="size-6 accent-[var(--color-primary)]" {...register} />
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
