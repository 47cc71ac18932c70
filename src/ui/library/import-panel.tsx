'use client'
import { KIND_LABELS, PROPERTY_NAMES } from '@/words/properties'
import { fileFaultText } from '@/words/files'
import { FileUp } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { type PropertyKey, specOf } from '@/core/tool'
import type { LengthUnit } from '@/core/units'
import { BigAction } from '../common/actions'
import { FileInput } from '../common/file-input'
import { FIELD } from '../common/form'
import { Say, Problem } from '../common/sheet'
import type { Answer, Ask } from '@/stations/contract'
import type * as library from '@/stations/library/contract'
import { say } from '@/words/screens/library'

type Preview = Answer<typeof library.previewCsv>
type Mapping = Preview['mapping']

export interface ImportActions {
  readonly preview: Ask<typeof library.previewCsv>
  readonly csv: Ask<typeof library.importCsv>
  readonly file: Ask<typeof library.importFile>
}

const BASE = [
  ['id', 'number'],
  ['kind', 'kind'],
  ['name', 'name'],
  ['makerNumber', say.makersNumber],
  ['price', 'price'],
  ['leastStock', say.keepAtLeast],
  ['note', 'note'],
] as const
const isLength = (key: string) => key in PROPERTY_NAMES && specOf(key as PropertyKey).quantity === 'length'
/** Definitions come as a CSV of their own, known by these columns. */
const isToolCsv = (text: string) => /^[^\n]*\bclass\b[^\n]*\bmachines\b/i.test(text)

/** A list from elsewhere: columns are mapped, a preview shows every fault, and it is taken in as a whole or not at all. */
export function ImportPanel({ act }: { readonly act: ImportActions }) {
  const router = useRouter()
  const picker = useRef<HTMLInputElement>(null)
  const [file, setFile] = useState<{ name: string; text: string } | null>(null)
  const [preview, setPreview] = useState<Preview | null>(null)
  const [mapping, setMapping] = useState<Mapping>([])
  const [kind, setKind] = useState('')
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const [said, setSaid] = useState<string | null>(null)

  const look = async (text: string, map: Mapping | null, forKind: string) => {
    setBusy(true)
    const read = await act.preview({ text, mapping: map ? [...map] : null, kind: forKind || null })
    setBusy(false)
    if (!read.ok) {
      setPreview(null)
      return setProblem(read.error.text)
    }
    setProblem(null)
    setPreview(read.value)
    setMapping(read.value.mapping)
  }
  const take = async (chosen: File | undefined) => {
    if (!chosen) return
    setSaid(null)
    if (chosen.size > 20 * 2 ** 20) return setProblem(say.isLargerThanMb(chosen.name))
    const text = await chosen.text()
    setFile({ name: chosen.name, text })
    if (/\.csv$|\.txt$/i.test(chosen.name) && !isToolCsv(text)) return look(text, null, kind)
    setPreview(null)
    setBusy(true)
    const done = await act.file({ text, name: chosen.name })
    setBusy(false)
    setProblem(done.ok ? null : done.error.text)
    if (done.ok) setSaid(say.partsAndToolsWereImported(done.value.parts, done.value.definitions))
  }
  const change = (i: number, to: Mapping[number]) => {
    const next = mapping.map((m, c) => (c === i ? to : m))
    setMapping(next)
    if (file) void look(file.text, next, kind)
  }
  const takeIn = async () => {
    if (!file) return
    setBusy(true)
    const done = await act.csv({ text: file.text, mapping: [...mapping], kind: kind || null })
    setBusy(false)
    if (!done.ok) return setProblem(done.error.text)
    setSaid(say.partsWereImported(done.value.parts))
    setPreview(null)
    setFile(null)
    router.refresh()
  }
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3">
      <button
        type="button"
        className="border-stone flex h-24 shrink-0 flex-col items-center justify-center gap-1 rounded-[3px] border-2 border-dashed text-lg font-semibold"
        onClick={() => picker.current?.click()}
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault()
          void take(event.dataTransfer.files[0])
        }}
      >
        <FileUp size={24} aria-hidden="true" />
        {busy ? say.reading : (file?.name ?? say.partsOrToolsAsCsv)}
      </button>
      <FileInput picker={picker} label={say.fileToImport} accept=".csv,.txt,.json" take={([chosen]) => void take(chosen)} />
      {said && (
        <Say tone="holds" lead={say.done} role="status">
          {said}
        </Say>
      )}
      <Problem lead={say.nothingWasImported} text={problem} />
      {preview && (
        <>
          <label className="max-w-xs text-lg font-semibold">
            {say.kindOfRowsWithoutOne}
            <select
              className={FIELD}
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
            </select>
          </label>
          <div className="shrink-0 overflow-x-auto" tabIndex={0} role="region" aria-label={say.columnsOfTheFile}>
            <table className="text-left">
              <thead>
                <tr className="border-ink border-b-2">
                  {preview.columns.map((column, i) => (
                    <th key={i} scope="col" className="min-w-[150px] pr-3 pb-2 align-bottom text-[17px] font-semibold">
                      {column || say.noName}
                      <select
                        className={`${FIELD} text-base`}
                        disabled={busy}
                        aria-label={say.whatIs(column)}
                        value={mapping[i]?.key ?? ''}
                        onChange={(e) =>
                          change(i, e.target.value ? { key: e.target.value, unit: mapping[i]?.unit ?? null } : null)
                        }
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
                          className={`${FIELD} text-base`}
                          disabled={busy}
                          aria-label={say.unitOf(column)}
                          value={mapping[i].unit ?? ''}
                          onChange={(e) =>
                            change(i, { key: mapping[i]!.key, unit: (e.target.value || null) as LengthUnit | null })
                          }
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
          <p className="figures text-lg font-semibold" role="status">
            {say.rowsGood(
              preview.rows.toLocaleString('en'),
              preview.faults.length === 0
                ? say.allCanBeImported(preview.good.toLocaleString('en'))
                : say.faultCount(preview.faults.length, preview.faults.length >= 200 ? say.orMore : ''),
            )}
          </p>
          {preview.faults.length > 0 && (
            <ul className="max-h-64 min-h-24 overflow-auto" tabIndex={0} aria-label={say.faultsTitle}>
              {preview.faults.slice(0, 200).map((f, i) => (
                <li key={i} className="border-rule grid grid-cols-[90px_150px_1fr] gap-2 border-b py-1.5">
                  <span className="figures text-off font-semibold">{say.lineNumber(f.line)}</span>
                  <span className="truncate">{f.column}</span>
                  <span>{fileFaultText(f.said)}</span>
                </li>
              ))}
            </ul>
          )}
          <div className="max-w-md">
            <BigAction disabled={busy || preview.faults.length > 0 || preview.good === 0} onAct={() => void takeIn()}>
              {preview.faults.length ? say.correctTheFaultsFirst : say.importParts(preview.good.toLocaleString('en'))}
            </BigAction>
          </div>
        </>
      )}
    </div>
  )
}
