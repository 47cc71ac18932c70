'use client'
import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFns,
  tableFeatures,
  useTable,
} from '@tanstack/react-table'
import { useVirtualizer } from '@tanstack/react-virtual'
import Link from 'next/link'
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { KINDS, type Kind } from '@/core/tool'
import { formatLength, parseLength, unitMark, type LengthUnit } from '@/core/units'
import { hasWords } from '../common/find'
import { FIELD } from '../common/form'
import { Say } from '../common/sheet'
import { useUnit } from '../shell/shell-context'

export interface PartRow {
  readonly id: string
  readonly kind: Kind
  readonly name: string
  readonly size: number | null
  readonly RE: number | null
  readonly shank: number | null
  readonly length: number | null
  readonly onHand: number | null
  readonly least: number | null
  readonly places: string
  readonly maker: string
  readonly price: number | null
}

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns,
})
const helper = createColumnHelper<typeof features, PartRow>()

/** Empty cells sort last, whichever way. */
const NUMBER = { sortFn: 'basic', sortUndefined: 'last' } as const
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
    helper.accessor((r) => KINDS[r.kind].name, { id: 'kind', header: 'kind' }),
    helper.accessor(
      mm((r) => r.size),
      { id: 'size', header: `Ø ${unitMark(unit)}`, ...NUMBER, cell: ({ getValue }) => length(getValue()) },
    ),
    helper.accessor(
      mm((r) => r.RE),
      { id: 'RE', header: 'R', ...NUMBER, cell: ({ getValue }) => length(getValue()) },
    ),
    helper.accessor(
      mm((r) => r.shank),
      { id: 'shank', header: 'shank', ...NUMBER, cell: ({ getValue }) => length(getValue()) },
    ),
    helper.accessor(
      mm((r) => r.length),
      { id: 'length', header: 'length', ...NUMBER, cell: ({ getValue }) => length(getValue()) },
    ),
    helper.accessor(
      mm((r) => r.onHand),
      {
        id: 'onHand',
        header: 'on hand',
        ...NUMBER,
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
    helper.accessor('maker', { header: 'maker no.' }),
  ])
}

const WIDTHS = ['minmax(220px,2fr)', '150px', '72px', '60px', '72px', '76px', '76px', '92px', '100px'].join(' ')
const NUMERIC = new Set(['size', 'RE', 'shank', 'length', 'onHand'])

/** All parts at once, however many: filtered by word, kind and size as one types, sorted by any column. */
export function PartsTable({ source }: { readonly source: string }) {
  const unit = useUnit()
  const [rows, setRows] = useState<readonly PartRow[] | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [word, setWord] = useState('')
  const [kind, setKind] = useState('')
  const [size, setSize] = useState('')
  useEffect(() => {
    const gone = new AbortController()
    fetch(source, { signal: gone.signal })
      .then(async (answer) => {
        if (!answer.ok) throw new Error(String(answer.status))
        setRows((await answer.json()) as PartRow[])
      })
      .catch((error: unknown) => {
        if (!gone.signal.aborted)
          setProblem(`The list of parts did not load (${error instanceof Error ? error.message : 'no answer'}). Reload the page.`)
      })
    return () => gone.abort()
  }, [source])

  const [wordNow, kindNow, sizeNow] = [useDeferredValue(word), useDeferredValue(kind), useDeferredValue(size)]
  const sizeMm = useMemo(() => {
    const read = sizeNow.trim() === '' ? null : parseLength(sizeNow, unit)
    return read?.ok ? read.value : null
  }, [sizeNow, unit])
  const data = useMemo(
    () =>
      (rows ?? []).filter(
        (r) =>
          hasWords(`${r.id} ${r.name} ${r.places} ${r.maker}`, wordNow) &&
          (!kindNow || r.kind === kindNow) &&
          (sizeMm === null || (r.size !== null && Math.abs(r.size - sizeMm) < 0.005)),
      ),
    [rows, wordNow, kindNow, sizeMm],
  )
  const columns = useMemo(() => columnsFor(unit), [unit])
  const table = useTable({
    features,
    columns,
    data: data as PartRow[],
    getRowId: (r) => r.id,
  })
  const shown = table.getRowModel().rows
  const scroller = useRef<HTMLDivElement>(null)
  // eslint-disable-next-line react-hooks/incompatible-library -- rows are drawn from its answer at each scroll, nothing is memoized
  const list = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 48,
    overscan: 12,
  })

  if (problem)
    return (
      <Say tone="off" lead="Nothing to show." role="alert">
        {problem}
      </Say>
    )
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2">
      <div className="flex flex-wrap items-end gap-3">
        <label className="min-w-[220px] flex-1 text-lg font-semibold">
          Any word or number
          <input className={FIELD} value={word} onChange={(e) => setWord(e.target.value)} />
        </label>
        <label className="w-52 text-lg font-semibold">
          Kind
          <select className={FIELD} value={kind} onChange={(e) => setKind(e.target.value)}>
            <option value="">every kind</option>
            {Object.entries(KINDS).map(([key, { name }]) => (
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
          {rows === null ? 'loading …' : `${shown.length.toLocaleString('en')} of ${rows.length.toLocaleString('en')}`}
        </span>
      </div>
      <div ref={scroller} className="min-h-[300px] flex-1 overflow-auto" tabIndex={0} role="region" aria-label="Parts">
        <div role="table" aria-label="Parts" aria-rowcount={shown.length + 1} className="min-w-[860px]">
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
            {list.getVirtualItems().map((item) => {
              const row = shown[item.index]
              return (
                <div
                  key={row.id}
                  role="row"
                  aria-rowindex={item.index + 2}
                  className="border-rule absolute inset-x-0 grid h-12 items-center gap-x-3 border-b"
                  style={{ gridTemplateColumns: WIDTHS, transform: `translateY(${item.start}px)` }}
                >
                  {row.getAllCells().map((cell) => (
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
        {rows !== null && shown.length === 0 && (
          <p className="text-soft py-4 text-lg">
            {rows.length ? 'No part found.' : 'The library is empty. Add a part, or import a list.'}
          </p>
        )}
      </div>
    </div>
  )
}
