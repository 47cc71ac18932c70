'use client'
import { useGo } from '../common/going'
import { useRef, useState } from 'react'
import { SET_UP_LISTS, type SetUpList } from '@/core/set-up'
import type { LengthUnit } from '@/core/units'
import type { Answer, Ask } from '@/stations/contract'
import type * as setUp from '@/stations/set-up/contract'
import { cellFaultText, fieldName, headingsOf } from '@/words/set-up'
import { say } from '@/words/screens/settings'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { DropFiles } from '../common/drop-files'
import { AreaField, SelectField } from '../common/form'
import { Problem, Say, Sheet, Title } from '../common/sheet'
import { SETTINGS_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { LeadsOnly, useLead } from '../shell/lead-only'
import { useShell, useUnit, useUnsaved } from '../shell/shell-context'
import { pathOf } from './set-up-words'

type Preview = Answer<typeof setUp.previewTable>

interface ImportProps {
  readonly first: SetUpList
  readonly preview: Ask<typeof setUp.previewTable>
  readonly put: Ask<typeof setUp.putTable>
}

/** Where the rows of a list are to be seen afterwards. */
const placeOf = (list: SetUpList): string => {
  const path = pathOf(list)
  return path ? `/settings/${path}` : list === 'person' ? '/settings/people' : '/library/holders'
}

/** What is pasted, what it was read as, and taking it in. Whatever is changed has to be looked at anew. */
function usePasted({ first, preview, put }: ImportProps) {
  const router = useGo()
  const readers = useUnit()
  const { busy, problem, run, setProblem } = useAct()
  const [asked, setAsked] = useState({ list: first, unit: readers, text: '' })
  const [seen, setSeen] = useState<Preview | null>(null)
  useUnsaved(asked.text.trim() ? say.theseRows : null)
  const change = (to: Partial<typeof asked>) => {
    setAsked({ ...asked, ...to })
    setSeen(null)
    setProblem(null)
  }
  const look = (text = asked.text) => void run(() => preview({ ...asked, text }), setSeen)
  const all = () =>
    void run(
      () => put(asked),
      () => {
        change({ text: '' })
        router.push(placeOf(asked.list))
      },
      say.rowsTaken(seen?.rows ?? 0),
    )
  const take = async (file: File | undefined) => {
    if (!file) return
    const text = await file.text()
    change({ text })
    look(text)
  }
  return { ...asked, seen, good: seen !== null && seen.faults.length === 0, busy, problem, change, look, all, take }
}

type PastedRows = ReturnType<typeof usePasted>

/** Rows from a spreadsheet, pasted or as a file: every fault is shown first, and all is taken in or nothing. */
export function TableImport(props: ImportProps) {
  const picker = useRef<HTMLInputElement>(null)
  const pasted = usePasted(props)
  const { list, unit, text, seen, change } = pasted
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={SETTINGS_TABS} label={say.settings} />
          <Title lead={say.fromSpreadsheet}>{say.importAbout}</Title>
          <div className="grid max-w-[640px] grid-cols-2 gap-4">
            <SelectField label={say.theRowsAre} value={list} onChange={(e) => change({ list: e.target.value as SetUpList })}>
              {SET_UP_LISTS.map((one) => (
                <option key={one} value={one}>
                  {say.rowsOf[one]}
                </option>
              ))}
            </SelectField>
            <SelectField
              label={say.lengthsWithoutUnit}
              value={unit}
              onChange={(e) => change({ unit: e.target.value as LengthUnit })}
            >
              <option value="mm">mm</option>
              <option value="inch">inch</option>
            </SelectField>
          </div>
          <p className="text-soft">
            {say.columnsAre} <b className="text-ink font-semibold">{headingsOf(list, unit).join(' · ')}</b>
          </p>
          <AreaField
            label={say.pasteHere}
            rows={8}
            spellCheck={false}
            className="font-mono text-[15px] font-normal whitespace-pre"
            value={text}
            onChange={(e) => change({ text: e.target.value })}
          />
          <DropFiles
            picker={picker}
            label={say.orAFile}
            accept=".csv,.txt,.tsv,text/csv"
            take={([file]) => void pasted.take(file)}
          >
            {say.dropCsv}
          </DropFiles>
          {seen && <Seen list={list} seen={seen} />}
        </>
      }
      right={<ImportAside {...pasted} />}
    />
  )
}

/** What to do next with the rows. */
function ImportAside({ list, seen, good, busy, problem, text, look, all }: PastedRows) {
  const rules = useShell().person?.role === 'administrator'
  const lead = useLead()
  const mayNot = !lead || (list === 'person' && !rules)
  return (
    <>
      <h2 className="text-2xl font-bold first-letter:uppercase">{say.rowsOf[list]}</h2>
      <p className="text-soft mt-2">{say.importHow}</p>
      <SmallActions>
        <SmallAction href={`/api/set-up/${list}.csv?empty=1`} download>
          {say.tableToFillIn}
        </SmallAction>
      </SmallActions>
      {list === 'holder' && <p className="text-soft mt-2">{say.partsFirst}</p>}
      <div className="mt-auto pt-3">
        <LeadsOnly what="set-up" />
        {lead && mayNot && (
          <Say tone="todo" lead={say.askAnAdministratorTo}>
            {say.askAnAdministrator}
          </Say>
        )}
        <Problem lead={say.notRead} text={problem} />
        {seen && good && (
          <Say tone="holds" lead={say.rowsFine(seen.rows)}>
            {say.nothingSavedYet}
          </Say>
        )}
        {seen && !good && (
          <Say tone="off" lead={say.faultCount(seen.faults.length)}>
            {say.putThemRight}
          </Say>
        )}
        {!mayNot && (
          <BigAction disabled={busy || text.trim() === ''} onAct={() => (good ? all() : look())}>
            {good && seen ? say.takeRowsIn(seen.rows) : say.checkRows}
          </BigAction>
        )}
      </div>
    </>
  )
}

/** Every fault by its line and cell; else the first rows as they were read. */
function Seen({ list, seen }: { readonly list: SetUpList; readonly seen: Preview }) {
  const unit = useUnit()
  if (seen.faults.length)
    return (
      <ul aria-label={say.faults}>
        {seen.faults.map(({ line, column, fault }, i) => (
          <li key={i} className="border-rule grid grid-cols-[90px_190px_1fr] gap-2 border-b py-1.5">
            <span className="figures text-off font-semibold">{say.lineNumber(line)}</span>
            <span className="truncate">{fieldName(list, column)}</span>
            <span>{cellFaultText(list, fault, unit)}</span>
          </li>
        ))}
      </ul>
    )
  return (
    <div className="shrink-0 overflow-x-auto" tabIndex={0} role="region" aria-label={say.firstRows}>
      <table className="table w-auto">
        <thead>
          <tr>
            {seen.columns.map((column) => (
              <th key={column} scope="col">
                {column}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {seen.sample.map((row, i) => (
            <tr key={i}>
              {row.map((cell, c) => (
                <td key={c}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
