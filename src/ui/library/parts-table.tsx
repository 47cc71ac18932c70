'use client'
import { KIND_LABELS } from '@/words/properties'
import { createColumnHelper, rowSortingFeature, tableFeatures, useTable, type SortingState } from '@tanstack/react-table'
import { useVirtualizer } from '@tanstack/react-virtual'
import Link from 'next/link'
import { useEffect, useMemo, useRef, useState } from 'react'
import { formatLength, parseLength, unitMark, type LengthUnit } from '@/core/units'
import { FIELD } from '../common/form'
import { Say } from '../common/sheet'
import { useUnit } from '../shell/shell-context'
import { useParts, type PartRow } from './use-parts'
import { say } from '@/words/screens/library'

/** The tool room sorts: it has all of them. */
const features = tableFeatures({ rowSortingFeature })
const helper = createColumnHelper<typeof features, PartRow>()

const mm = (pick: (row: PartRow) => number | null) => (row: PartRow) => pick(row) ?? undefined

const columnsFor = (unit: LengthUnit) => {
  const length = (value: number | undefined) =>
    value === undefined ? (
      <span className="text-soft">–</span>
    ) : (
      formatLength(value, unit, unit === 'mm' ? 2 : 4).replace(/\.?0+$/, '')
    )
  return helper.columns([
    helper.accessor('name', {
      header: 'part',
      cell: ({ row }) => (
        <Link
          href={`/library/parts/${encodeURIComponent(row.original.id)}`}
          className="flex min-h-11 flex-col justify-center leading-tight"
        >
          <b className="font-semibold">{row.original.name}</b>
          <small className="text-soft text-[14px]">{row.original.id}</small>
        </Link>
      ),
    }),
    helper.accessor((r) => KIND_LABELS[r.kind], { id: 'kind', header: 'kind' }),
    helper.accessor(
      mm((r) => r.size),
      { id: 'size', header: `Ø ${unitMark(unit)}`, cell: ({ getValue }) => length(getValue()) },
    ),
    helper.accessor(
      mm((r) => r.RE),
      { id: 'RE', header: 'R', cell: ({ getValue }) => length(getValue()) },
    ),
    helper.accessor(
      mm((r) => r.shank),
      { id: 'shank', header: 'shank', cell: ({ getValue }) => length(getValue()) },
    ),
    helper.accessor(
      mm((r) => r.length),
      { id: 'length', header: 'length', cell: ({ getValue }) => length(getValue()) },
    ),
    helper.accessor(
      mm((r) => r.onHand),
      {
        id: 'onHand',
        header: say.onHand,
        cell: ({ row }) => {
          const { onHand, least } = row.original
          const low = least !== null && (onHand ?? 0) < least
          return (
            <span className={low ? 'text-off font-bold' : ''}>
              {low ? '◆ ' : ''}
              {onHand ?? '–'}
            </span>
          )
        },
      },
    ),
    helper.accessor('places', { header: 'place' }),
    helper.accessor('maker', { header: say.makerNo }),
  ])
}

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
        <label className="min-w-[220px] flex-1 text-lg font-semibold">
          {say.anyWordOrNumber}
          <input className={FIELD} value={word} onChange={(e) => setWord(e.target.value)} />
        </label>
        <label className="w-52 text-lg font-semibold">
          {say.kind}
          <select className={FIELD} value={kind} onChange={(e) => setKind(e.target.value)}>
            <option value="">{say.everyKind}</option>
            {Object.entries(KIND_LABELS).map(([key, name]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="w-32 text-lg font-semibold">
          Ø <small className="text-soft font-normal">{unitMark(unit)}</small>
          <input className={FIELD} value={size} inputMode="decimal" onChange={(e) => setSize(e.target.value)} />
        </label>
        <span className="figures text-soft pb-2.5 text-lg" role="status">
          {found === null || of === null ? say.loading : say.ofFound(found.toLocaleString('en'), of.toLocaleString('en'))}
        </span>
      </div>
      <div ref={scroller} className="min-h-[300px] flex-1 overflow-auto" tabIndex={0} role="region" aria-label={say.parts}>
        <div role="table" aria-label={say.parts} aria-rowcount={(found ?? 0) + 1} className="min-w-[860px]">
          {table.getHeaderGroups().map((group) => (
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
          ))}
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
        </div>
        {found === 0 && <p className="text-soft py-4 text-lg">{of ? say.noPartFound : say.theLibraryIsEmptyAdd}</p>}
      </div>
    </div>
  )
}
