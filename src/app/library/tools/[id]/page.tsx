import Link from 'next/link'
import { formatDeviation, formatLength, unitMark } from '@/core/units'
import type { Tolerance } from '@/core/tool'
import { definitionFaultText } from '@/words/refusals/library'
import { readDefinitionPage } from '@/stations/library/pages'
import { Row, Say, Sheet, Title } from '@/ui/common/sheet'
import { Contour } from '@/ui/drawing/contour'
import { ToolDrawing } from '@/ui/drawing/tool-drawing'
import { formatWhen } from '@/ui/format/due'
import { ToolForm } from '../../../_parts/definition-form'
import { context } from '../../../_server/context'
import { plainText } from '../../../_server/params'

export const metadata = { title: 'Tool' }

export default async function DefinitionPage({
  params,
  searchParams,
}: {
  readonly params: Promise<{ id: string }>
  readonly searchParams: Promise<{ version?: string }>
}) {
  const id = plainText((await params).id)
  const { version } = await searchParams
  const shop = await context()
  const sheet = readDefinitionPage(shop.db, id, version ? Number(version) : null)
  if (!sheet)
    return (
      <>
        <div />
        <Sheet left={<Title lead={id}>there is no such tool</Title>} />
      </>
    )
  const { definition: d, versions, tools, jobs, machines, names, profile } = sheet
  const size = ({ nominal, lower, upper }: Tolerance) =>
    `${formatLength(nominal, shop.unit)} ${unitMark(shop.unit)}  ${formatDeviation(lower, shop.unit)} / ${formatDeviation(upper, shop.unit)}`
  const isCurrent = versions[0].version === d.version
  const faults = sheet.faults.map((fault) => definitionFaultText(fault, shop.unit))
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <Title lead={`T${d.t}`}>
              {d.name} · {d.id}, version {d.version}
              {isCurrent ? '' : ' (superseded)'}
            </Title>
            {faults.map((fault) => (
              <Say key={fault} tone="off" lead="It cannot be built like this.">
                {fault}
              </Say>
            ))}
            <div className="grid grid-cols-[290px_1fr] gap-5 max-[760px]:grid-cols-1">
              <ToolDrawing
                profile={profile}
                unit={shop.unit}
                width={290}
                height={430}
                title={d.name}
                LF={d.LF.nominal}
                DC={d.DC.nominal}
                RE={d.RE?.nominal ?? null}
              />
              <div>
                <Row name="Length" symbol="LF">
                  {size(d.LF)}
                </Row>
                <Row name="Diameter" symbol="DC">
                  {size(d.DC)}
                </Row>
                {d.RE && (
                  <Row name="Corner radius" symbol="RE">
                    {size(d.RE)}
                  </Row>
                )}
                <Row name="Runout, radial and axial">
                  {formatDeviation(d.radialRunoutMax, shop.unit)}, {formatDeviation(d.axialRunoutMax, shop.unit)}
                </Row>
                <Row name="Edges · class">
                  {d.edges} · {d.toolClass}
                </Row>
                <Row name="Program speed">{d.programRpm.toLocaleString('en')} rev/min</Row>
                {d.balance && (
                  <Row name="Balance">
                    G{d.balance.grade} at {d.balance.rpm.toLocaleString('en')}
                  </Row>
                )}
                <Row name="Route">{d.route}</Row>
                {d.lifeMin !== null && <Row name="Life">{d.lifeMin} min</Row>}
                <Row name="Machines">{d.machines.map((key) => machines.get(key) ?? key).join(', ')}</Row>
                {d.parts.map((line) => (
                  <Row
                    key={`${line.role}-${line.component}`}
                    name={
                      <Link
                        className="text-act inline-flex min-h-11 items-center"
                        href={`/library/parts/${encodeURIComponent(line.component)}`}
                      >
                        {names.get(line.component)}
                      </Link>
                    }
                    symbol={line.role}
                  >
                    {line.count > 1 ? `${line.count} ×` : ''}{' '}
                    {line.alternatives.length ? `or ${line.alternatives.join(', ')}` : ''}
                  </Row>
                ))}
              </div>
            </div>
            {d.contour && (
              <>
                <h2 className="text-2xl font-bold">
                  Nominal contour <span className="text-soft font-medium">{d.contour.length} pieces</span>
                </h2>
                <Contour pieces={d.contour} width={420} height={220} />
              </>
            )}
            {isCurrent && (
              <details>
                <summary className="text-act font-head min-h-11 cursor-pointer py-2 text-lg font-semibold">
                  Change it: a new version
                </summary>
                <ToolForm definition={d} />
              </details>
            )}
          </>
        }
        right={
          <>
            <h2 className="text-2xl font-bold">Jobs that need it</h2>
            {jobs.map((job) => (
              <Link
                key={job.id}
                href={`/kit/${encodeURIComponent(job.id)}`}
                className="border-rule flex min-h-11 items-center justify-between border-b"
              >
                <b className="text-act">{job.id}</b> {job.state === 'open' ? formatWhen(job.dueAt) : job.state}
              </Link>
            ))}
            {jobs.length === 0 && <p className="text-soft">No job.</p>}
            <h2 className="mt-3 text-2xl font-bold">Tools built to it</h2>
            {tools.map((a) => (
              <Link
                key={a.id}
                href={`/tools/${a.serial}`}
                className="border-rule flex min-h-11 items-center justify-between border-b"
              >
                <b className="text-act">{a.serial}</b> {a.state}, version {a.definition?.version}
              </Link>
            ))}
            {tools.length === 0 && <p className="text-soft">None yet.</p>}
            <h2 className="mt-3 text-2xl font-bold">Versions</h2>
            {versions.map((v) => (
              <Link
                key={v.version}
                href={`/library/tools/${encodeURIComponent(d.id)}?version=${v.version}`}
                className="border-rule flex min-h-11 items-center border-b"
                aria-current={v.version === d.version ? 'page' : undefined}
              >
                {v.version} {v.version === versions[0].version ? '· current' : ''}
              </Link>
            ))}
            <div className="mt-4 flex gap-2.5">
              <a
                className="border-ink font-head flex h-11 flex-1 items-center justify-center rounded-[3px] border-[1.5px] text-lg font-semibold"
                href={`/api/definitions/${encodeURIComponent(d.id)}/archetype.xml`}
              >
                XML
              </a>
              <a
                className="border-ink font-head flex h-11 flex-1 items-center justify-center rounded-[3px] border-[1.5px] text-lg font-semibold"
                href={`/api/definitions/${encodeURIComponent(d.id)}/contour.dxf`}
              >
                DXF
              </a>
            </div>
          </>
        }
      />
    </>
  )
}
