'use client'
import { RowAction } from '../common/actions'
import { NumberField, SelectField, TextField } from '../common/form'
import { say } from '@/words/screens/hand-over'
import type { Draft } from './label-draft'

const MOST_LINES = 8

export function Lines({
  draft: { lines, setLines, change },
  cut,
  focused,
}: {
  readonly draft: Draft
  /** Lines that do not fit. */
  readonly cut: readonly number[]
  readonly focused: (line: number) => void
}) {
  return (
    <>
      <h2 className="text-2xl font-bold">{say.lines}</h2>
      {lines.map((text, i) => (
        <div key={i} className="flex items-start gap-2">
          <div className="flex-1">
            <TextField
              label={i === 0 ? say.large : say.lineNumber(i)}
              error={cut.includes(i) ? say.cutOffAtItsEnd : undefined}
              value={text}
              onFocus={() => focused(i)}
              onChange={(e) => change(i, e.target.value)}
            />
          </div>
          {i > 0 && (
            <button
              type="button"
              className="btn btn-ghost btn-square text-soft mt-6 text-2xl"
              aria-label={say.takeLineAway(i)}
              onClick={() => setLines((all) => all.filter((_, k) => k !== i))}
            >
              ×
            </button>
          )}
        </div>
      ))}
      {lines.length <= MOST_LINES && (
        <RowAction className="mt-1 self-start px-0" onAct={() => setLines((all) => [...all, ''])}>
          {say.anotherLine}
        </RowAction>
      )}
    </>
  )
}

export function SizeAndCode({ draft: { size, setSize, kind, setKind } }: { readonly draft: Draft }) {
  return (
    <div className="mt-1 grid grid-cols-3 gap-3">
      {(['widthMm', 'heightMm'] as const).map((key) => (
        <NumberField
          key={key}
          label={key === 'widthMm' ? say.wide : say.high}
          unit="mm"
          value={size[key]}
          onChange={(e) => setSize((s) => ({ ...s, [key]: e.target.value }))}
        />
      ))}
      <SelectField label={say.code} value={kind} onChange={(e) => setKind(e.target.value as typeof kind)}>
        <option value="datamatrix">{say.dataMatrix}</option>
        <option value="qr">{say.qr}</option>
      </SelectField>
    </div>
  )
}
