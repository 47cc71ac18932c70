'use client'
import { KIND_LABELS, PROPERTY_NAMES } from '@/words/properties'
import { fileFaultText } from '@/words/files'
import { type Dispatch, type SetStateAction } from 'react'
import { type PropertyKey, specOf } from '@/core/tool'
import type { LengthUnit } from '@/core/units'
import { SelectField } from '../common/form'
import type { Answer } from '@/stations/contract'
import type * as library from '@/stations/library/contract'
import { say } from '@/words/screens/library'

export type Preview = Answer<typeof library.previewCsv>

export type Mapping = Preview['mapping']

const isLength = (key: string) => key in PROPERTY_NAMES && specOf(key as PropertyKey).quantity === 'length'

/** What a column may be beside a property. */
const BASE = [
  ['id', 'number'],
  ['kind', 'kind'],
  ['name', 'name'],
  ['makerNumber', say.makersNumber],
  ['price', 'price'],
  ['leastStock', say.keepAtLeast],
  ['note', 'note'],
] as const

/** What rows are that do not say it. */
export function KindOfRows({
  busy,
  kind,
  setKind,
  file,
  look,
  mapping,
}: {
  readonly busy: boolean
  readonly kind: string
  readonly setKind: Dispatch<SetStateAction<string>>
  readonly file: { name: string; text: string } | null
  readonly look: (text: string, map: Mapping | null, forKind: string) => Promise<void>
  readonly mapping: Mapping
}) {
  return (
    <div className="max-w-xs">
      <SelectField
        label={say.kindOfRowsWithoutOne}
        disabled={busy}
        value={kind}
        onChange={(event) => {
          setKind(event.target.value)
          if (file) void look(file.text, mapping, event.target.value)
        }}
      >
        <option value="">{say.inEachRow}</option>
        {Object.entries(KIND_LABELS).map(([key, name]) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
      </SelectField>
    </div>
  )
}

/** What speaks against it, row by row. */
export function Faults({ preview }: { readonly preview: Preview }) {
  return (
    <ul className="max-h-64 min-h-24 overflow-auto" tabIndex={0} aria-label={say.faultsTitle}>
      {preview.faults.slice(0, 200).map((f, i) => (
        <li key={i} className="border-rule grid grid-cols-[90px_150px_1fr] gap-2 border-b py-1.5">
          <span className="figures text-off font-semibold">{say.lineNumber(f.line)}</span>
          <span className="truncate">{f.column}</span>
          <span>{fileFaultText(f.said)}</span>
        </li>
      ))}
    </ul>
  )
}

/** The columns of the file with what each is taken for, and its first rows. */
export function Columns({
  preview,
  busy,
  mapping,
  change,
}: {
  readonly preview: Preview
  readonly busy: boolean
  readonly mapping: Mapping
  readonly change: (i: number, to: Mapping[number]) => void
}) {
  return (
    <div className="shrink-0 overflow-x-auto" tabIndex={0} role="region" aria-label={say.columnsOfTheFile}>
      <table className="table w-auto">
        <thead>
          <tr>
            {preview.columns.map((column, i) => (
              <th key={i} scope="col" className="min-w-[150px] pr-3 pb-2 align-bottom text-[17px] font-semibold">
                {column || say.noName}
                <select
                  className="select text-base"
                  disabled={busy}
                  aria-label={say.whatIs(column)}
                  value={mapping[i]?.key ?? ''}
                  onChange={(e) => change(i, e.target.value ? { key: e.target.value, unit: mapping[i]?.unit ?? null } : null)}
                >
                  <option value="">{say.leftOut}</option>
                  {BASE.map(([key, name]) => (
                    <option key={key} value={key}>
                      {name}
                    </option>
                  ))}
                  {(Object.keys(PROPERTY_NAMES) as PropertyKey[]).map((key) => (
                    <option key={key} value={key}>
                      {specOf(key).symbol ? `${specOf(key).symbol} ` : ''}
                      {PROPERTY_NAMES[key]}
                    </option>
                  ))}
                </select>
                {mapping[i] && isLength(mapping[i].key) && (
                  <select
                    className="select text-base"
                    disabled={busy}
                    aria-label={say.unitOf(column)}
                    value={mapping[i].unit ?? ''}
                    onChange={(e) => change(i, { key: mapping[i]!.key, unit: (e.target.value || null) as LengthUnit | null })}
                  >
                    <option value="">{say.unitInEachCell}</option>
                    <option value="mm">mm</option>
                    <option value="inch">inch</option>
                  </select>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {preview.sample.map((row, i) => (
            <tr key={i} className="border-rule h-9 border-b">
              {row.map((cell, c) => (
                <td key={c} className={`pr-3 ${mapping[c] ? '' : 'text-soft'}`}>
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
