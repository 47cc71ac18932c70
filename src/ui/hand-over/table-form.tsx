'use client'
import { useState } from 'react'
import type { PostOptions, Sisters } from '@/core/tool'
import { formatLength, parseLength, unitMark, type LengthUnit } from '@/core/units'
import { Field, FIELD } from '../common/form'
import { say } from '@/words/screens/hand-over'

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
      <Field name={say.sizeRegister}>
        <select
          className={FIELD}
          value={options.sizeRegister}
          onChange={(e) => change({ ...options, sizeRegister: e.target.value as PostOptions['sizeRegister'] })}
        >
          <option value="radius">{say.radiusLower}</option>
          <option value="diameter">{say.diameterLower}</option>
        </select>
      </Field>
      <Field name={say.decimals} unit={unitMark(unit)}>
        <input
          className={`${FIELD} figures`}
          type="number"
          min={1}
          max={6}
          value={options.decimals}
          onChange={(e) => change({ ...options, decimals: Number(e.target.value) })}
        />
      </Field>
      <Field name={say.lengthFrom}>
        <select
          className={FIELD}
          value={lengthFrom.type}
          onChange={(e) =>
            e.target.value === 'master' ? setLength(master || '0') : change({ ...options, lengthFrom: { type: 'gauge line' } })
          }
        >
          <option value="gauge line">{say.gaugeLine}</option>
          <option value="master">{say.aMasterTool}</option>
        </select>
      </Field>
      {lengthFrom.type === 'master' ? (
        <Field name={say.itsLength} unit={unitMark(unit)}>
          <input className={`${FIELD} figures`} inputMode="decimal" value={master} onChange={(e) => setLength(e.target.value)} />
        </Field>
      ) : (
        <Field name={say.wearTitle}>
          <WearSelect options={options} change={change} />
        </Field>
      )}
      <Field name={say.registerFrom}>
        <select
          className={FIELD}
          value={options.numberFrom}
          onChange={(e) => change({ ...options, numberFrom: e.target.value as PostOptions['numberFrom'] })}
        >
          <option value="T">{say.tNumber}</option>
          <option value="pocket">{say.pocketLower}</option>
          <option value="table">{say.aTable}</option>
        </select>
      </Field>
      {lengthFrom.type === 'master' && (
        <Field name={say.wearTitle}>
          <WearSelect options={options} change={change} />
        </Field>
      )}
      <Field name={say.sisterTools}>
        <select
          className={FIELD}
          value={options.sisters.type}
          onChange={(e) => change({ ...options, sisters: sistersOf(e.target.value, options) })}
        >
          <option value="none">{say.oneToolPerT}</option>
          <option value="own T">{say.ownTInTheGroup}</option>
          <option value="copies">{say.copiesOfOneT}</option>
        </select>
      </Field>
      {options.sisters.type !== 'none' && (
        <>
          <Field name={options.sisters.type === 'own T' ? say.tOfASisterT : say.itsRegister}>
            <input
              className={`${FIELD} figures`}
              type="number"
              min={1}
              max={9999}
              value={options.sisters.step}
              onChange={(e) => change({ ...options, sisters: { ...options.sisters, step: Number(e.target.value) } as Sisters })}
            />
          </Field>
          <Field name={say.sisterCalledBy}>
            <select
              className={FIELD}
              value={options.switchBy}
              onChange={(e) => change({ ...options, switchBy: e.target.value as PostOptions['switchBy'] })}
            >
              <option value="control">{say.theControlAtTheLife}</option>
              <option value="program">{say.theProgram}</option>
            </select>
          </Field>
        </>
      )}
      {lathe && (
        <Field name={say.g90InFiles}>
          <select
            className={FIELD}
            value={options.absoluteWord ? 'yes' : 'no'}
            onChange={(e) => change({ ...options, absoluteWord: e.target.value === 'yes' })}
          >
            <option value="yes">{say.yes}</option>
            <option value="no">{say.noGCodeSystemA}</option>
          </select>
        </Field>
      )}
      {options.numberFrom === 'table' && (
        <Field name={say.registers} symbol="T = register" wide>
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
      <option value="zero">{say.setToZero}</option>
      <option value="keep">{say.leftAsItIs}</option>
    </select>
  )
}
