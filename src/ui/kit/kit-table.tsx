'use client'
import Link from 'next/link'
import type { NettedTool, Standing } from '@/core/plan'
import { formatLength, unitMark } from '@/core/units'
import { useUnit } from '../shell/shell-context'

const TONE: Record<Standing['type'], string> = {
  'in-machine': 'text-holds',
  ready: 'text-holds',
  'in-work': 'text-unsure',
  'to-build': 'text-act',
  'unknown-t': 'text-off',
}

export function standingText(standing: Standing, machine: string): string {
  switch (standing.type) {
    case 'in-machine':
      return `● in ${machine}, pocket ${standing.assembly.pocket ?? '?'}`
    case 'ready':
      return standing.assembly.state === 'released'
        ? `● ready on ${standing.assembly.serial}, handed over`
        : `● ready on ${standing.assembly.serial}, to hand over`
    case 'in-work':
      return `◐ built on ${standing.assembly.serial}, to measure`
    case 'to-build':
      return '▲ to build'
    case 'unknown-t':
      return '◆ unknown T: no definition for this machine'
  }
}

const hrefOf = ({ standing, wanted }: NettedTool, job: string): string | null => {
  switch (standing.type) {
    case 'in-machine':
      return `/tools/${standing.assembly.serial}`
    case 'ready':
      return standing.assembly.state === 'released'
        ? `/load?serial=${standing.assembly.serial}`
        : `/hand-over/${standing.assembly.serial}`
    case 'in-work':
      return `/measure/${standing.assembly.serial}`
    case 'to-build':
      return `/build?job=${encodeURIComponent(job)}&t=${wanted.t}`
    case 'unknown-t':
      return null
  }
}

export function KitTable({
  job,
  machine,
  tools,
  chosenT,
}: {
  readonly job: string
  readonly machine: string
  readonly tools: readonly NettedTool[]
  readonly chosenT: number | null
}) {
  const unit = useUnit()
  return (
    <table className="w-full text-left">
      <thead>
        <tr className="border-ink border-b-2 [&>th]:pb-1.5 [&>th]:text-[17px] [&>th]:font-medium">
          <th scope="col">T</th>
          <th scope="col">tool</th>
          <th scope="col">
            LF <span className="text-soft">{unitMark(unit)}</span>
          </th>
          <th scope="col">line</th>
          <th scope="col">H · D</th>
          <th scope="col">rev/min</th>
          <th scope="col">where it stands</th>
        </tr>
      </thead>
      <tbody>
        {tools.map((tool) => {
          const { wanted, definition, standing } = tool
          const href = hrefOf(tool, job)
          return (
            <tr key={wanted.t} className={`border-rule relative h-[46px] border-b ${wanted.t === chosenT ? 'bg-ground' : ''}`}>
              <th scope="row" className="figures pr-3 text-[21px] font-bold">
                T{wanted.t}
              </th>
              <td className="pr-3">{definition?.name ?? wanted.name ?? <span className="text-soft">not named</span>}</td>
              <td className="num pr-3 text-[19px] font-semibold">
                {definition ? formatLength(definition.LF.nominal, unit, unit === 'mm' ? 1 : 3) : '–'}
              </td>
              <td className="num text-soft pr-3">{wanted.changes.map((c) => c.line).join(', ')}</td>
              <td className="num pr-3">
                {wanted.h.length ? `H${wanted.h.join(', H')}` : '–'} {wanted.d.length ? `D${wanted.d.join(', D')}` : ''}
              </td>
              <td className="num pr-3">{wanted.maxSpindle?.toLocaleString('en') ?? '–'}</td>
              <td className={`font-semibold ${TONE[standing.type]}`}>
                {href ? (
                  <Link href={href} className="flex min-h-[44px] items-center">
                    {standingText(standing, machine)}
                  </Link>
                ) : (
                  standingText(standing, machine)
                )}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
