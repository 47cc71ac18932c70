'use client'
import { useState } from 'react'
import type { PostOptions, Sisters } from '@/core/tool'
import { formatLength, parseLength, unitMark, type LengthUnit } from '@/core/units'
import { Field, FIELD } from '../common/form'

/** How a machine's tool table is filled: what its size register holds, where lengths begin, which register a tool takes. */
export function TableForm({
  options,
  unit,
  lathe,
  change,
}: {
  readonly options: PostOptions
  readonly unit: LengthUnit
  readonly lathe: boolean
  readonly change: (options: PostOptions) => void
}) {
  const { lengthFrom } = options
  const [master, setMaster] = useState(lengthFrom.type === 'master' ? formatLength(lengthFrom.lengthMm, unit) : '')
  const [numbers, setNumbers] = useState(
    Object.entries(options.numbers)
      .map(([t, n]) => `${t}=${n}`)
      .join(' '),
  )
  const setLength = (text: string) => {
    setMaster(text)
    const length = parseLength(text, unit)
    if (length.ok) change({ ...options, lengthFrom: { type: 'master', lengthMm: length.value } })
  }
  const setTable = (text: string) => {
    setNumbers(text)
    const pairs = [...text.matchAll(/(\d{1,5})\s*=\s*(\d{1,5})/g)].map(([, t, n]) => [t, Number(n)] as const)
    change({ ...options, numbers: Object.fromEntries(pairs) })
  }
  return (
    <div className="mt-3 grid grid-cols-2 gap-x-3 gap-y-2">
      <Field name="Size register">
        <select
          className={FIELD}
          value={options.sizeRegister}
          onChange={(e) => change({ ...options, sizeRegister: e.target.value as PostOptions['sizeRegister'] })}
        >
          <option value="radius">radius</option>
          <option value="diameter">diameter</option>
        </select>
      </Field>
      <Field name="Decimals" unit={unitMark(unit)}>
        <input
          className={`${FIELD} figures`}
          type="number"
          min={1}
          max={6}
          value={options.decimals}
          onChange={(e) => change({ ...options, decimals: Number(e.target.value) })}
        />
      </Field>
      <Field name="Length from">
        <select
          className={FIELD}
          value={lengthFrom.type}
          onChange={(e) =>
            e.target.value === 'master' ? setLength(master || '0') : change({ ...options, lengthFrom: { type: 'gauge line' } })
          }
        >
          <option value="gauge line">gauge line</option>
          <option value="master">a master tool</option>
        </select>
      </Field>
      {lengthFrom.type === 'master' ? (
        <Field name="Its length" unit={unitMark(unit)}>
          <input className={`${FIELD} figures`} inputMode="decimal" value={master} onChange={(e) => setLength(e.target.value)} />
        </Field>
      ) : (
        <Field name="Wear">
          <WearSelect options={options} change={change} />
        </Field>
      )}
      <Field name="Register from">
        <select
          className={FIELD}
          value={options.numberFrom}
          onChange={(e) => change({ ...options, numberFrom: e.target.value as PostOptions['numberFrom'] })}
        >
          <option value="T">T number</option>
          <option value="pocket">pocket</option>
          <option value="table">a table</option>
        </select>
      </Field>
      {lengthFrom.type === 'master' && (
        <Field name="Wear">
          <WearSelect options={options} change={change} />
        </Field>
      )}
      <Field name="Sister tools">
        <select
          className={FIELD}
          value={options.sisters.type}
          onChange={(e) => change({ ...options, sisters: sistersOf(e.target.value, options) })}
        >
          <option value="none">one tool per T</option>
          <option value="own T">own T in the group</option>
          <option value="copies">copies of one T</option>
        </select>
      </Field>
      {options.sisters.type !== 'none' && (
        <>
          <Field name={options.sisters.type === 'own T' ? 'T of a sister: T +' : 'Its register: +'}>
            <input
              className={`${FIELD} figures`}
              type="number"
              min={1}
              max={9999}
              value={options.sisters.step}
              onChange={(e) => change({ ...options, sisters: { ...options.sisters, step: Number(e.target.value) } as Sisters })}
            />
          </Field>
          <Field name="Sister called by">
            <select
              className={FIELD}
              value={options.switchBy}
              onChange={(e) => change({ ...options, switchBy: e.target.value as PostOptions['switchBy'] })}
            >
              <option value="control">the control, at the life limit</option>
              <option value="program">the program</option>
            </select>
          </Field>
        </>
      )}
      {lathe && (
        <Field name="G90 in files">
          <select
            className={FIELD}
            value={options.absoluteWord ? 'yes' : 'no'}
            onChange={(e) => change({ ...options, absoluteWord: e.target.value === 'yes' })}
          >
            <option value="yes">yes</option>
            <option value="no">no (G-code system A)</option>
          </select>
        </Field>
      )}
      {options.numberFrom === 'table' && (
        <Field name="Registers" symbol="T = register" wide>
          <input className={FIELD} placeholder="12=312 4=304" value={numbers} onChange={(e) => setTable(e.target.value)} />
        </Field>
      )}
    </div>
  )
}

/** The step stays when the way changes. */
function sistersOf(type: string, { sisters }: PostOptions): Sisters {
  const step = sisters.type === 'none' ? 100 : sisters.step
  return type === 'own T' || type === 'copies' ? { type, step } : { type: 'none' }
}

function WearSelect({ options, change }: { readonly options: PostOptions; readonly change: (options: PostOptions) => void }) {
  return (
    <select
      className={FIELD}
      value={options.wear}
      onChange={(e) => change({ ...options, wear: e.target.value as PostOptions['wear'] })}
    >
      <option value="zero">set to zero</option>
      <option value="keep">left as it is</option>
    </select>
  )
}
