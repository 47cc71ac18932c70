'use client'
import { createColumnHelper, tableFeatures, useTable } from '@tanstack/react-table'
import Link from '../common/link'
import { say } from '@/words/screens/records'

export interface RecordLine {
  readonly seq: number
  readonly when: string
  readonly who: string
  readonly what: string
  readonly serial: string | null
  readonly t: string
  readonly machine: string
  readonly text: string
  readonly change: string
}

const features = tableFeatures({})
const helper = createColumnHelper<typeof features, RecordLine>()
const when = helper.accessor('when', {
  header: 'when',
  cell: ({ getValue }) => <span className="figures whitespace-nowrap">{getValue()}</span>,
})
const who = helper.accessor('who', { header: 'who' })
const what = helper.accessor('what', {
  header: 'what',
  cell: ({ getValue }) => (
    <span className={`font-head text-[19px] font-semibold whitespace-nowrap ${getValue() === 'refused' ? 'text-off' : ''}`}>
      {getValue() === 'refused' ? say.refused : getValue()}
    </span>
  ),
})
const t = helper.accessor('t', {
  header: 'T',
  cell: ({ getValue }) => <span className="figures font-semibold">{getValue()}</span>,
})
const holder = helper.accessor('serial', {
  header: 'holder',
  cell: ({ getValue }) => {
    const serial = getValue()
    return serial ? (
      <Link className="row-link" href={`/tools/${serial}`}>
        {serial}
      </Link>
    ) : (
      '–'
    )
  },
})
const machine = helper.accessor('machine', { header: 'machine' })
const text = helper.accessor('text', {
  header: '',
  cell: ({ row }) => (
    <>
      {row.original.text}
      {row.original.change && <span className="figures text-soft block text-[15px]">{row.original.change}</span>}
    </>
  ),
})
const columns = helper.columns([when, who, what, t, holder, machine, text])
const FEW = helper.columns([when, who, what, text])

/** The record, newest first. */
export function RecordTable({ lines, oneTool = false }: { readonly lines: readonly RecordLine[]; readonly oneTool?: boolean }) {
  const table = useTable({
    features,
    columns: oneTool ? FEW : columns,
    data: lines as RecordLine[],
  })
  const rows = table.getRowModel().rows
  return (
    <>
      <div className="overflow-x-auto" tabIndex={0}>
        <table className="table">
          <thead>
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id}>
                {group.headers.map((header) => (
                  <th key={header.id} scope="col" className="pr-4 pb-1.5 text-[17px] font-medium">
                    <table.FlexRender header={header} />
                  </th>
                ))}
              </tr>
            ))}
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.id} className="h-[46px]">
                {row.getAllCells().map((cell) => (
                  <td key={cell.id} className="py-1 pr-4 align-middle">
                    <table.FlexRender cell={cell} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        {rows.length === 0 && <p className="text-soft py-4 text-lg">{lines.length ? say.noEntryFound : say.noEntriesYet}</p>}
      </div>
    </>
  )
}
