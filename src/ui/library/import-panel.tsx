'use client'
import { useGo } from '../common/going'
import { useRef, useState, type Dispatch, type SetStateAction } from 'react'
import { BigAction } from '../common/actions'
import { DropFiles } from '../common/drop-files'
import { Foot, Problem, Say } from '../common/sheet'
import { LeadsOnly, useLead } from '../shell/lead-only'
import type { Ask } from '@/stations/contract'
import type * as library from '@/stations/library/contract'
import { say } from '@/words/screens/library'
import { Columns, Faults, KindOfRows, type Mapping, type Preview } from './import-fields'

export interface ImportActions {
  readonly preview: Ask<typeof library.previewCsv>
  readonly csv: Ask<typeof library.importCsv>
  readonly file: Ask<typeof library.importFile>
}

/** Definitions come as a CSV of their own, known by these columns. */
const isToolCsv = (text: string) => /^[^\n]*\bclass\b[^\n]*\bmachines\b/i.test(text)

/** A list from elsewhere: columns are mapped, a preview shows every fault, and it is taken in as a whole or not at all. */
export function ImportPanel({ act }: { readonly act: ImportActions }) {
  const router = useGo()
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
      <LeadsOnly what="imports" />
      <DropFiles picker={picker} label={say.fileToImport} accept=".csv,.txt,.json" take={([chosen]) => void take(chosen)}>
        {busy ? say.reading : (file?.name ?? say.partsOrToolsAsCsv)}
      </DropFiles>
      {said && (
        <Say tone="holds" lead={say.done} role="status">
          {said}
        </Say>
      )}
      <Problem lead={say.nothingWasImported} text={problem} />
      <Previewed
        preview={preview}
        busy={busy}
        kind={kind}
        setKind={setKind}
        file={file}
        look={look}
        mapping={mapping}
        change={change}
        takeIn={takeIn}
      />
    </div>
  )
}

/** What would be imported, with every fault. */
function Previewed({
  preview,
  busy,
  kind,
  setKind,
  file,
  look,
  mapping,
  change,
  takeIn,
}: {
  readonly preview: Preview | null
  readonly busy: boolean
  readonly kind: string
  readonly setKind: Dispatch<SetStateAction<string>>
  readonly file: { name: string; text: string } | null
  readonly look: (text: string, map: Mapping | null, forKind: string) => Promise<void>
  readonly mapping: Mapping
  readonly change: (i: number, to: Mapping[number]) => void
  readonly takeIn: () => Promise<void>
}) {
  const lead = useLead()
  return (
    preview && (
      <>
        <KindOfRows busy={busy} kind={kind} setKind={setKind} file={file} look={look} mapping={mapping} />
        <Columns preview={preview} busy={busy} mapping={mapping} change={change} />
        <p className="figures text-lg font-semibold" role="status">
          {say.rowsGood(
            preview.rows.toLocaleString('en'),
            preview.faults.length === 0
              ? say.allCanBeImported(preview.good.toLocaleString('en'))
              : say.faultCount(preview.faults.length, preview.faults.length >= 200 ? say.orMore : ''),
          )}
        </p>
        {preview.faults.length > 0 && <Faults preview={preview} />}
        <Foot>
          <BigAction disabled={busy || !lead || preview.faults.length > 0 || preview.good === 0} onAct={() => void takeIn()}>
            {preview.faults.length ? say.correctTheFaultsFirst : say.importParts(preview.good.toLocaleString('en'))}
          </BigAction>
        </Foot>
      </>
    )
  )
}
