'use client'
import Link from '../common/link'
import { KIND_LABELS } from '@/words/properties'
import { useGo } from '../common/going'
import { useMemo, useState } from 'react'
import { useForm } from 'react-hook-form'
import { isText, kindSpec, KIND_NAMES, propertiesOf, ROLES, specOf, type Kind, type PropertyKey } from '@/core/tool'
import { lengthErrorText } from '@/words/length'
import {
  formatLength,
  parseLength,
  typedNumber,
  unitMark,
  type Units,
  formatQuantity,
  isQuantity,
  parseQuantity,
  typedQuantity,
} from '@/core/units'
import { BigAction } from '../common/actions'
import { Foot, Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useUnits, useUnsaved } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as library from '@/stations/library/contract'
import { say } from '@/words/screens/library'
import { Fields } from './part-fields'

type Raw = Readonly<Record<string, unknown>>
type Save = Ask<typeof library.putPart>

/** Which kind of part is to be added. */
export function KindChoice() {
  return (
    <div className="grid grid-cols-2 gap-x-8 max-[900px]:grid-cols-1">
      {ROLES.map((role) => {
        const kinds = KIND_NAMES.filter((kind) => kindSpec(kind).role === role)
        return kinds.map((key) => (
          <Link
            key={key}
            href={`/library/parts/new?kind=${key}`}
            className="border-rule flex min-h-12 items-center justify-between border-b text-lg font-semibold"
          >
            {KIND_LABELS[key]} <span className="text-soft text-base font-normal">{role}</span>
          </Link>
        ))
      })}
    </div>
  )
}

const asText = (key: PropertyKey, value: unknown, units: Units): string => {
  const unit = units.length
  if (value === undefined || value === null) return ''
  if (specOf(key).quantity === 'length' && typeof value === 'number')
    return formatLength(value, unit, unit === 'mm' ? 4 : 5).replace(/\.?0+$/, '')
  const { quantity } = specOf(key)
  return typeof value === 'number' && isQuantity(quantity) ? typedQuantity(value, quantity, units) : String(value)
}

type Read = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly text: string }

/** What was typed into a property's field; nothing when it was left empty. */
function readField(key: PropertyKey, typed: string, units: Units, before: unknown): Read {
  const unit = units.length
  const { quantity, min = -Infinity, max = Infinity } = specOf(key)
  if (typed.trim() === '') return { ok: true, value: undefined }
  if (isText(key)) return { ok: true, value: typed.trim() }
  // an untouched figure stays exactly what it was
  if (typed === asText(key, before, units)) return { ok: true, value: before }
  let value: number
  if (quantity === 'length') {
    const read = parseLength(typed, unit)
    if (!read.ok)
      return {
        ok: false,
        text: lengthErrorText(read.error),
      }
    value = Number(read.value.toFixed(6))
  } else {
    const read = isQuantity(quantity) ? parseQuantity(typed, quantity, units) : null
    value = read === null ? typedNumber(typed) : read.ok ? Number(read.value.toFixed(6)) : NaN
    if (!Number.isFinite(value)) return { ok: false, text: say.thisIsNotANumber }
  }
  if (value < min || value > max) {
    const show = (x: number) =>
      quantity === 'length'
        ? `${formatLength(x, unit, unit === 'mm' ? 2 : 3)} ${unitMark(unit)}`
        : isQuantity(quantity)
          ? formatQuantity(x, quantity, units, 2)
          : String(x)
    return { ok: false, text: say.betweenAnd(show(min), show(max)) }
  }
  return { ok: true, value }
}

/** Asks for what this kind of part has, and nothing else. */
// eslint-disable-next-line max-lines-per-function -- one form; its fields are components already
export function PartForm({
  kind,
  part,
  version = 0,
  save,
  then,
}: {
  readonly kind: Kind
  readonly part: Raw | null
  /** Of the part as it was opened; 0 for a new one. */
  readonly version?: number
  readonly save: Save
  readonly then?: string
}) {
  const units = useUnits()
  const router = useGo()
  const { busy, problem, run } = useAct()
  const [opened, setOpened] = useState(version)
  const keys = useMemo(() => propertiesOf(kind), [kind])
  const { has } = kindSpec(kind)
  const { register, handleSubmit, setError, reset, formState } = useForm<Record<string, string>>({
    defaultValues: {
      id: String(part?.id ?? ''),
      name: String(part?.name ?? ''),
      makerNumber: String(part?.makerNumber ?? ''),
      price: part?.price === undefined ? '' : String(part.price),
      leastStock: part?.leastStock === undefined ? '' : String(part.leastStock),
      note: String(part?.note ?? ''),
      ...Object.fromEntries(keys.map((key) => [key, asText(key, part?.[key], units)])),
    },
  })
  const submit = handleSubmit(async (typed) => {
    const raw: Record<string, unknown> = { ...part, kind, id: typed.id.trim(), name: typed.name.trim() }
    let bad = false
    const wrong = (key: string, message: string) => {
      bad = true
      setError(key, { message })
    }
    if (!raw.id) wrong('id', say.giveItANumber)
    if (!raw.name) wrong('name', say.giveItAName)
    for (const key of ['price', 'leastStock'] as const) {
      const n = typedNumber(typed[key])
      if (typed[key].trim() === '') delete raw[key]
      else if (!Number.isFinite(n) || n < 0) wrong(key, say.typeANumberFrom)
      else raw[key] = n
    }
    for (const key of ['makerNumber', 'note'] as const) {
      if (typed[key].trim()) raw[key] = typed[key].trim()
      else delete raw[key]
    }
    for (const key of keys) {
      const read = readField(key, typed[key] ?? '', units, part?.[key])
      if (!read.ok) wrong(key, read.text)
      else if (read.value === undefined) {
        if (has.includes(key)) wrong(key, 'Required.')
        delete raw[key]
      } else raw[key] = read.value
    }
    if (!bad)
      await run(
        () => save({ part: raw, version: opened }),
        ({ id }) => {
          reset(typed)
          setOpened((v) => v + 1)
          router.push(then ?? `/library/parts/${encodeURIComponent(id)}`)
        },
      )
  })
  const { errors, isDirty } = formState
  useUnsaved(isDirty ? say.thisPart : null)
  return (
    <form onSubmit={submit} noValidate className="flex flex-col gap-3">
      <Fields errors={errors} register={register} part={part} keys={keys} units={units} has={has} />
      <Foot>
        <Problem lead={say.notSaved} text={problem} />
        <BigAction disabled={busy} onAct={() => void submit()}>
          {part === null ? say.savePart : say.saveChanges}
        </BigAction>
      </Foot>
    </form>
  )
}
