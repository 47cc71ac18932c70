'use client'
import { KIND_LABELS } from '@/words/properties'
import { createColumnHelper, rowSortingFeature, tableFeatures } from '@tanstack/react-table'
import Link from '../common/link'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'
import { type PartRow } from './use-parts'
import { say } from '@/words/screens/library'

/** The tool room sorts: it has all of them. */
export const features = tableFeatures({ rowSortingFeature })

const helper = createColumnHelper<typeof features, PartRow>()

const mm = (pick: (row: PartRow) => number | null) => (row: PartRow) => pick(row) ?? undefined

/** What stands in each column, in the reader's unit. */
export const columnsFor = (unit: LengthUnit) => {
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
