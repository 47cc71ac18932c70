'use client'
import { useState } from 'react'
import type { PostOptions, Sisters } from '@/core/tool'
import { formatLength, parseLength, unitMark, type LengthUnit } from '@/core/units'
import { LengthField, NumberField, SelectField, TextField } from '../common/form'
import { say } from '@/words/screens/hand-over'

/** How a machine's tool table is filled: what its size register holds, where lengths begin, which register a tool takes. */
// eslint-disable-next-line max-lines-per-function -- a list of fields, one after the other
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
      <SelectField
        label={say.sizeRegister}
        value={options.sizeRegister}
        onChange={(e) => change({ ...options, sizeRegister: e.target.value as PostOptions['sizeRegister'] })}
      >
        <option value="radius">{say.radiusLower}</option>
        <option value="diameter">{say.diameterLower}</option>
      </SelectField>
      <NumberField
        label={say.decimals}
        unit={unitMark(unit)}
        type="number"
        min={1}
        max={6}
        value={options.decimals}
        onChange={(e) => change({ ...options, decimals: Number(e.target.value) })}
      />
      <SelectField
        label={say.lengthFrom}
        value={lengthFrom.type}
        onChange={(e) =>
          e.target.value === 'master' ? setLength(master || '0') : change({ ...options, lengthFrom: { type: 'gauge line' } })
        }
      >
        <option value="gauge line">{say.gaugeLine}</option>
        <option value="master">{say.aMasterTool}</option>
      </SelectField>
      {lengthFrom.type === 'master' ? (
        <LengthField label={say.itsLength} value={master} onChange={(e) => setLength(e.target.value)} />
      ) : (
        <WearSelect options={options} change={change} />
      )}
      <SelectField
        label={say.registerFrom}
        value={options.numberFrom}
        onChange={(e) => change({ ...options, numberFrom: e.target.value as PostOptions['numberFrom'] })}
      >
        <option value="T">{say.tNumber}</option>
        <option value="pocket">{say.pocketLower}</option>
        <option value="table">{say.aTable}</option>
      </SelectField>
      {lengthFrom.type === 'master' && <WearSelect options={options} change={change} />}
      <SelectField
        label={say.sisterTools}
        value={options.sisters.type}
        onChange={(e) => change({ ...options, sisters: sistersOf(e.target.value, options) })}
      >
        <option value="none">{say.oneToolPerT}</option>
        <option value="own T">{say.ownTInTheGroup}</option>
        <option value="copies">{say.copiesOfOneT}</option>
      </SelectField>
      <SisterFields options={options} change={change} />
      <Absolute lathe={lathe} options={options} change={change} />
      <OwnTable options={options} numbers={numbers} setTable={setTable} />
    </div>
  )
}

/** The registers of a table of its own. */
function OwnTable({
  options,
  numbers,
  setTable,
}: {
  readonly options: PostOptions
  readonly numbers: string
  readonly setTable: (text: string) => void
}) {
  return (
    options.numberFrom === 'table' && (
      <TextField
        label={say.registers}
        symbol="T = register"
        wide
        placeholder="12=312 4=304"
        value={numbers}
        onChange={(e) => setTable(e.target.value)}
      />
    )
  )
}

/** Whether its files say G90. */
function Absolute({
  lathe,
  options,
  change,
}: {
  readonly lathe: boolean
  readonly options: PostOptions
  readonly change: (options: PostOptions) => void
}) {
  return (
    lathe && (
      <SelectField
        label={say.g90InFiles}
        value={options.absoluteWord ? 'yes' : 'no'}
        onChange={(e) => change({ ...options, absoluteWord: e.target.value === 'yes' })}
      >
        <option value="yes">{say.yes}</option>
        <option value="no">{say.noGCodeSystemA}</option>
      </SelectField>
    )
  )
}

/** How sisters are told apart and called. */
function SisterFields({ options, change }: { readonly options: PostOptions; readonly change: (options: PostOptions) => void }) {
  return (
    options.sisters.type !== 'none' && (
      <>
        <NumberField
          label={options.sisters.type === 'own T' ? say.tOfASisterT : say.itsRegister}
          type="number"
          min={1}
          max={9999}
          value={options.sisters.step}
          onChange={(e) => change({ ...options, sisters: { ...options.sisters, step: Number(e.target.value) } as Sisters })}
        />
        <SelectField
          label={say.sisterCalledBy}
          value={options.switchBy}
          onChange={(e) => change({ ...options, switchBy: e.target.value as PostOptions['switchBy'] })}
        >
          <option value="control">{say.theControlAtTheLife}</option>
          <option value="program">{say.theProgram}</option>
        </SelectField>
      </>
    )
  )
}

/** The step stays when the way changes. */
function sistersOf(type: string, { sisters }: PostOptions): Sisters {
  const step = sisters.type === 'none' ? 100 : sisters.step
  return type === 'own T' || type === 'copies' ? { type, step } : { type: 'none' }
}

function WearSelect({ options, change }: { readonly options: PostOptions; readonly change: (options: PostOptions) => void }) {
  return (
    <SelectField
      label={say.wearTitle}
      value={options.wear}
      onChange={(e) => change({ ...options, wear: e.target.value as PostOptions['wear'] })}
    >
      <option value="zero">{say.setToZero}</option>
      <option value="keep">{say.leftAsItIs}</option>
    </SelectField>
  )
}
