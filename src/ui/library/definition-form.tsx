'use client'
import { useGo } from '../common/going'
import { useRef, useState, type RefObject } from 'react'
import { useFieldArray, useForm, type UseFieldArrayReturn } from 'react-hook-form'
import { CLASS_DEFAULTS, MEASURABLE, type ContourPiece, type ToolClass } from '@/core/tool'
import { BigAction, SmallAction } from '../common/actions'
import { FileInput } from '../common/file-input'
import { Foot, Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useFewParts } from './use-parts'
import { useUnits, useUnsaved } from '../shell/shell-context'
import { readTyped, shown, startOf, type Typed } from './definition-text'
import { say } from '@/words/screens/library'
import { LeadsOnly, useLead } from '../shell/lead-only'
import { PartLine, Sizes, Ticks } from './definition-fields'
import { DefinitionFormProps } from './definition-props'

/** A tool's definition: what it is made of, what it shall be, and where it may go. A change makes a new version. */
// eslint-disable-next-line max-lines-per-function -- one form; its fields are components already
export function DefinitionForm(props: DefinitionFormProps) {
  const { definition, machines, save, readContour, readArchetype } = props
  const [typing, setTyping] = useState('')
  const suggestions = useFewParts(typing, {}, 30)
  const units = useUnits()
  const unit = units.length
  const lead = useLead()
  const router = useGo()
  const { busy, problem, run, setProblem } = useAct()
  const [contour, setContour] = useState(definition?.contour ?? null)
  const drawing = useRef<HTMLInputElement>(null)
  const archetype = useRef<HTMLInputElement>(null)
  const { register, control, handleSubmit, setError, setValue, reset, formState } = useForm<Typed>({
    defaultValues: { ...startOf(definition, units), ...props.suggested },
  })
  const lines = useFieldArray({ control, name: 'parts' })

  const submit = handleSubmit(async (typed) => {
    const read = readTyped(typed, definition, units)
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
    const read = await readContour({ text: await file.text() })
    if (read.ok) setContour(read.value)
    setProblem(read.ok ? null : `${file.name}: ${read.error.text}`)
  }
  const takeArchetype = async (file: File | undefined) => {
    if (!file) return
    const read = await readArchetype({ text: await file.text() })
    if (!read.ok) return setProblem(`${file.name}: ${read.error.text}`)
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
  return (
    <form onSubmit={submit} noValidate className="flex flex-col gap-3">
      <LeadsOnly what="tools" />
      <Sizes errors={errors} register={register} definition={definition} takeDefaults={takeDefaults} />
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
        <PartLine key={line.id} register={register} i={i} setTyping={setTyping} lines={lines} />
      ))}
      <Adds lines={lines} drawing={drawing} contour={contour} definition={definition} archetype={archetype} />
      <FileInput picker={drawing} label={say.dxfContour} accept=".dxf" take={([file]) => void takeDrawing(file)} />
      <FileInput picker={archetype} label={say.xmlArchetype} accept=".xml" take={([file]) => void takeArchetype(file)} />
      <Foot>
        <Problem lead={say.notSaved} text={problem} />
        <BigAction disabled={busy || !lead} onAct={() => void submit()}>
          {definition ? say.keepAsVersion(definition.version + 1) : say.saveTool}
        </BigAction>
      </Foot>
    </form>
  )
}

/** More parts, or a drawing. */
function Adds({
  lines,
  drawing,
  contour,
  definition,
  archetype,
}: {
  readonly lines: UseFieldArrayReturn<Typed, 'parts', 'id'>
  readonly drawing: RefObject<HTMLInputElement | null>
  readonly contour: readonly ContourPiece[] | null
  readonly definition: DefinitionFormProps['definition']
  readonly archetype: RefObject<HTMLInputElement | null>
}) {
  return (
    <div className="flex flex-wrap gap-2.5">
      <SmallAction onAct={() => lines.append({ role: 'collet', component: '', alternatives: '', count: '1' })}>
        {say.anotherPart}
      </SmallAction>
      <SmallAction onAct={() => drawing.current?.click()}>
        {contour ? say.contourOfPieces(contour.length) : say.contourFromDxf}
      </SmallAction>
      {definition === null && <SmallAction onAct={() => archetype.current?.click()}>{say.fromAnXmlArchetype}</SmallAction>}
    </div>
  )
}
