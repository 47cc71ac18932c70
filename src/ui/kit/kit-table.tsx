'use client'
import Link from '../common/link'
import { Fragment } from 'react'
import type { NettedTool, Wanted, Standing } from '@/core/plan'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'
import { useUnit } from '../shell/shell-context'
import { standingText, TONE, type Names } from './standing'
import { WhichTool, type WhichToolProps } from './which-tool'
import { say } from '@/words/screens/kit'
import type { Definition } from '@/core/tool'

const hrefOf = ({ standing, wanted }: NettedTool, job: string): string | null => {
  switch (standing.type) {
    case 'in-machine':
    case 'in-other-machine':
      return `/tools/${standing.assembly.serial}`
    case 'ready':
      return standing.assembly.state === 'released'
        ? `/load?serial=${standing.assembly.serial}`
        : `/hand-over/${standing.assembly.serial}`
    case 'stale':
    case 'in-work':
      return `/measure/${standing.assembly.serial}`
    case 'under-way':
      return `/build?job=${encodeURIComponent(job)}&t=${wanted.t}&serial=${standing.serial}`
    case 'to-build':
    case 'cannot-build':
      return `/build?job=${encodeURIComponent(job)}&t=${wanted.t}`
    case 'unknown-t':
    case 'ask':
    case 'left-out':
      return null
  }
}

const NOT_CLEAR: readonly string[] = ['unknown-t', 'ask', 'left-out']

export function KitTable({
  job,
  names,
  tools,
  chosenT,
  version,
  machine,
  definitions,
  map,
}: Pick<WhichToolProps, 'version' | 'machine' | 'definitions' | 'map'> & {
  readonly job: string
  readonly names: Names
  readonly tools: readonly NettedTool[]
  readonly chosenT: number | null
}) {
  const unit = useUnit()
  return (
    <table className="table">
      <thead>
        <tr>
          <th scope="col">T</th>
          <th scope="col">{say.tool}</th>
          <th scope="col">
            {say.lf} <span className="text-soft">{unitMark(unit)}</span>
          </th>
          <th scope="col">H · D</th>
          <th scope="col">rev/min</th>
          <th scope="col">{say.whereItIs}</th>
        </tr>
      </thead>
      <tbody>
        {tools.map((tool) => {
          const { wanted, sister, definition, standing } = tool
          const href = hrefOf(tool, job)
          return (
            <Fragment key={`${wanted.t}-${sister}`}>
              <Line
                wanted={wanted}
                chosenT={chosenT}
                sister={sister}
                definition={definition}
                unit={unit}
                standing={standing}
                href={href}
                tool={tool}
                names={names}
              />
              {sister === 0 && NOT_CLEAR.includes(standing.type) && (
                <tr>
                  <td />
                  <td colSpan={5}>
                    <WhichTool
                      job={job}
                      version={version}
                      machine={machine}
                      t={wanted.t}
                      comment={wanted.name}
                      asked={
                        standing.type === 'ask'
                          ? { id: standing.definition.id, name: standing.definition.name, differs: standing.differs }
                          : null
                      }
                      leftOut={standing.type === 'left-out'}
                      definitions={definitions}
                      map={map}
                    />
                  </td>
                </tr>
              )}
            </Fragment>
          )
        })}
      </tbody>
    </table>
  )
}

/** One wanted tool. */
function Line({
  wanted,
  chosenT,
  sister,
  definition,
  unit,
  standing,
  href,
  tool,
  names,
}: {
  readonly wanted: Wanted
  readonly chosenT: number | null
  readonly sister: number
  readonly definition: Definition | null
  readonly unit: LengthUnit
  readonly standing: Standing
  readonly href: string | null
  readonly tool: NettedTool
  readonly names: Names
}) {
  return (
    <tr className={`border-rule relative h-[46px] border-b ${wanted.t === chosenT ? 'bg-ground' : ''}`}>
      <th scope="row" className="figures pr-3 text-[21px] font-bold">
        T{wanted.t}
        {sister > 0 && (
          <small className="text-soft block text-[14px] leading-none font-medium whitespace-nowrap">
            {say.sisterNumber(sister)}
          </small>
        )}
      </th>
      <td className="pr-3">{definition?.name ?? wanted.name ?? <span className="text-soft">{say.notNamed}</span>}</td>
      <td className="num pr-3 text-[19px] font-semibold">
        {definition ? formatLength(definition.LF.nominal, unit, unit === 'mm' ? 1 : 3) : '–'}
      </td>
      <td className="num pr-3">
        {wanted.h.length ? `H${wanted.h.join(', H')}` : '–'} {wanted.d.length ? `D${wanted.d.join(', D')}` : ''}
      </td>
      <td className="num pr-3">{wanted.maxSpindle?.toLocaleString('en') ?? '–'}</td>
      <td className={`font-semibold ${TONE[standing.type]}`}>
        {href ? (
          <Link href={href} className="flex min-h-[44px] items-center">
            {standingText(tool, names)}
          </Link>
        ) : (
          standingText(tool, names)
        )}
      </td>
    </tr>
  )
}
