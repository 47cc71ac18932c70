'use client'
import { KIND_LABELS } from '@/words/properties'
import {
  useTable,
  type Row_Core,
  type ReactTable,
  type SortingState,
  type TableState_RowSorting,
  type TableFeature,
} from '@tanstack/react-table'
import { useVirtualizer, type VirtualItem, type ReactVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useMemo, useRef, useState, type SetStateAction, type Dispatch } from 'react'
import { parseLength } from '@/core/units'
import { LengthField, SelectField, TextField } from '../common/form'
import { Say } from '../common/sheet'
import { useUnit } from '../shell/shell-context'
import { useParts, type PartRow } from './use-parts'
import { say } from '@/words/screens/library'
import { columnsFor, features } from './parts-columns'

const WIDTHS = ['minmax(220px,2fr)', '150px', '72px', '60px', '72px', '76px', '76px', '92px', '100px'].join(' ')
const NUMERIC = new Set(['size', 'RE', 'shank', 'length', 'onHand'])

/** The library, however many parts there are: filtered by word, kind and size as one types, sorted by any column. */
export function PartsTable() {
  const unit = useUnit()
  const [word, setWord] = useState('')
  const [kind, setKind] = useState('')
  const [size, setSize] = useState('')
  const [sorting, setSorting] = useState<SortingState>([])
  const sizeMm = useMemo(() => {
    const read = size.trim() === '' ? null : parseLength(size, unit)
    return read?.ok ? read.value : null
  }, [size, unit])
  const [by] = sorting
  const { found, of, problem, rowAt, see } = useParts({
    ...(word.trim() && { words: word.trim() }),
    ...(kind && { kind }),
    ...(sizeMm !== null && { sizeMm: String(sizeMm) }),
    ...(by && { sort: by.id, ...(by.desc && { down: '1' }) }),
  })
  const columns = useMemo(() => columnsFor(unit), [unit])
  const scroller = useRef<HTMLDivElement>(null)
  // eslint-disable-next-line react-hooks/incompatible-library -- rows are drawn from its answer at each scroll, nothing is memoized
  const list = useVirtualizer({
    count: found ?? 0,
    getScrollElement: () => scroller.current,
    estimateSize: () => 48,
    overscan: 12,
  })
  const items = list.getVirtualItems()
  const [first, last] = [items[0]?.index ?? 0, items.at(-1)?.index ?? 0]
  useEffect(() => see(first, last), [see, first, last, found])
  const inView = items.map((item) => rowAt(item.index))
  const table = useTable({
    features,
    columns,
    data: inView.filter((row): row is PartRow => row !== null),
    getRowId: (r) => r.id,
    manualSorting: true,
    sortDescFirst: false,
    state: { sorting },
    onSortingChange: setSorting,
  })
  const drawn = new Map(table.getRowModel().rows.map((row) => [row.id, row]))

  if (problem)
    return (
      <Say tone="off" lead={say.nothingToShow} role="alert">
        {problem}
      </Say>
    )
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2">
      <div className="flex flex-wrap items-end gap-3">
        <WordsField word={word} setWord={setWord} />
        <div className="w-52">
          <SelectField label={say.kind} value={kind} onChange={(e) => setKind(e.target.value)}>
            <option value="">{say.everyKind}</option>
            {Object.entries(KIND_LABELS).map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </SelectField>
        </div>
        <div className="w-32">
          <LengthField label="Ø" value={size} onChange={(e) => setSize(e.target.value)} />
        </div>
        <span className="figures text-soft pb-2.5 text-lg" role="status">
          {found === null || of === null ? say.loading : say.ofFound(found.toLocaleString('en'), of.toLocaleString('en'))}
        </span>
      </div>
      <div ref={scroller} className="min-h-[300px] flex-1 overflow-auto" tabIndex={0} role="region" aria-label={say.parts}>
        <div role="table" aria-label={say.parts} aria-rowcount={(found ?? 0) + 1} className="min-w-[860px]">
          <Heads table={table} />
          <Rows list={list} items={items} drawn={drawn} inView={inView} table={table} />
        </div>
        {found === 0 && <p className="text-soft py-4 text-lg">{of ? say.noPartFound : say.theLibraryIsEmptyAdd}</p>}
      </div>
    </div>
  )
}

/** The rows in view. */
function Rows({
  list,
  items,
  drawn,
  inView,
  table,
}: {
  readonly list: ReactVirtualizer<HTMLDivElement, Element>
  readonly items: VirtualItem[]
  readonly drawn: Map<string, Row_Core<{ rowSortingFeature: TableFeature }, PartRow>>
  readonly inView: (PartRow | null)[]
  readonly table: ReactTable<{ rowSortingFeature: TableFeature }, PartRow, TableState_RowSorting>
}) {
  return (
    <div style={{ height: list.getTotalSize(), position: 'relative' }} role="rowgroup">
      {items.map((item, i) => {
        const row = drawn.get(inView[i]?.id ?? '')
        return (
          <div
            key={item.key}
            role="row"
            aria-rowindex={item.index + 2}
            className="border-rule absolute inset-x-0 grid h-12 items-center gap-x-3 border-b"
            style={{ gridTemplateColumns: WIDTHS, transform: `translateY(${item.start}px)` }}
          >
            {row?.getAllCells().map((cell) => (
              <div
                key={cell.id}
                role="cell"
                className={NUMERIC.has(cell.column.id) ? 'figures text-right text-[19px]' : 'min-w-0 truncate'}
              >
                <table.FlexRender cell={cell} />
              </div>
            ))}
          </div>
        )
      })}
    </div>
  )
}

/** The heads of the columns, which sort. */
function Heads({ table }: { readonly table: ReactTable<{ rowSortingFeature: TableFeature }, PartRow, TableState_RowSorting> }) {
  return table.getHeaderGroups().map((group) => (
    <div
      key={group.id}
      role="row"
      className="border-ink bg-paper sticky top-0 z-1 grid items-end gap-x-3 border-b-2"
      style={{ gridTemplateColumns: WIDTHS }}
    >
      {group.headers.map((header) => {
        const sorted = header.column.getIsSorted()
        return (
          <div
            key={header.id}
            role="columnheader"
            aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
          >
            <button
              type="button"
              className={`flex min-h-11 w-full items-center gap-1 text-[17px] font-medium ${NUMERIC.has(header.column.id) ? 'justify-end' : ''}`}
              onClick={header.column.getToggleSortingHandler()}
            >
              <table.FlexRender header={header} /> {sorted === 'asc' ? '↑' : sorted === 'desc' ? '↓' : ''}
            </button>
          </div>
        )
      })}
    </div>
  ))
}

function WordsField({ word, setWord }: { readonly word: string; readonly setWord: Dispatch<SetStateAction<string>> }) {
  return (
    <div className="min-w-[220px] flex-1">
      <TextField label={say.anyWordOrNumber} value={word} onChange={(e) => setWord(e.target.value)} />
    </div>
  )
}
