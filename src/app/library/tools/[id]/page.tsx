import Link, { FileLink } from '@/ui/common/link'
import { formatDeviation, formatLength, unitMark } from '@/core/units'
import type { Assembly, Definition, Tolerance, ToolProfile } from '@/core/tool'
import { definitionFaultText } from '@/words/refusals/library'
import { readDefinitionPage } from '@/stations/library/pages'
import { Row, Say, Sheet, Title } from '@/ui/common/sheet'
import { Contour } from '@/ui/drawing/contour'
import { ToolDrawing } from '@/ui/drawing/tool-drawing'
import { formatWhen } from '@/ui/format/due'
import { ToolForm } from '../../../_parts/definition-form'
import { signedIn, type Context } from '../../../_server/context'
import { plainText } from '../../../_server/params'
import { say } from '@/words/screens/library'
import type { Job } from '@/core/plan'

export const metadata = { title: say.toolTitle }

export default async function DefinitionPage({
  params,
  searchParams,
}: {
  readonly params: Promise<{ id: string }>
  readonly searchParams: Promise<{ version?: string }>
}) {
  const id = plainText((await params).id)
  const { version } = await searchParams
  const shop = await signedIn()
  const sheet = readDefinitionPage(shop.db, id, version ? Number(version) : null)
  if (!sheet)
    return (
      <>
        <div />
        <Sheet left={<Title lead={id}>{say.thereIsNoSuchTool}</Title>} />
      </>
    )
  const { definition: d, versions, tools, jobs, machines, names, profile } = sheet
  const size = ({ nominal, lower, upper }: Tolerance) =>
    `${formatLength(nominal, shop.unit)} ${unitMark(shop.unit)}  ${formatDeviation(lower, shop.unit)} / ${formatDeviation(upper, shop.unit)}`
  const isCurrent = versions[0].version === d.version
  const faults = sheet.faults.map((fault) => definitionFaultText(fault, shop.units))
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <Title lead={`T${d.t}`}>{say.versionNameId(d.name, d.id, d.version, isCurrent ? '' : say.superseded)}</Title>
            {faults.map((fault) => (
              <Say key={fault} tone="off" lead={say.itCannotBeBuiltLike}>
                {fault}
              </Say>
            ))}
            <div className="grid grid-cols-[290px_1fr] gap-5 max-[760px]:grid-cols-1">
              <Drawn profile={profile} shop={shop} d={d} />
              <Wanted size={size} d={d} shop={shop} machines={machines} names={names} />
            </div>
            {d.contour && (
              <>
                <h2 className="text-2xl font-bold">
                  {say.nominalContour} <span className="text-soft font-medium">{say.contourPieces(d.contour.length)}</span>
                </h2>
                <Contour pieces={d.contour} width={420} height={220} />
              </>
            )}
            {isCurrent && (
              <details>
                <summary className="fold">{say.changeItANewVersion}</summary>
                <ToolForm definition={d} />
              </details>
            )}
          </>
        }
        right={<Users jobs={jobs} tools={tools} versions={versions} d={d} />}
      />
    </>
  )
}

/** Jobs that need it, tools built to it, its versions. */
function Users({
  jobs,
  tools,
  versions,
  d,
}: {
  readonly jobs: readonly Job[]
  readonly tools: readonly Assembly[]
  readonly versions: readonly Definition[]
  readonly d: Definition
}) {
  return (
    <>
      <h2 className="text-2xl font-bold">{say.jobsThatNeedIt}</h2>
      {jobs.map((job) => (
        <Link
          key={job.id}
          href={`/kit/${encodeURIComponent(job.id)}`}
          className="border-rule flex min-h-11 items-center justify-between border-b"
        >
          <b className="text-act">{job.id}</b> {job.state === 'open' ? formatWhen(job.dueAt) : job.state}
        </Link>
      ))}
      {jobs.length === 0 && <p className="text-soft">{say.noJob}</p>}
      <h2 className="mt-3 text-2xl font-bold">{say.toolsBuiltToIt}</h2>
      {tools.map((a) => (
        <Link key={a.id} href={`/tools/${a.serial}`} className="border-rule flex min-h-11 items-center justify-between border-b">
          <b className="text-act">{a.serial}</b> {say.versionState(a.state)} {a.definition?.version}
        </Link>
      ))}
      {tools.length === 0 && <p className="text-soft">{say.noneYet}</p>}
      <h2 className="mt-3 text-2xl font-bold">{say.versions}</h2>
      {versions.map((v) => (
        <Link
          key={v.version}
          href={`/library/tools/${encodeURIComponent(d.id)}?version=${v.version}`}
          className="border-rule flex min-h-11 items-center border-b"
          aria-current={v.version === d.version ? 'page' : undefined}
        >
          {v.version} {v.version === versions[0].version ? say.current : ''}
        </Link>
      ))}
      <div className="mt-4 flex gap-2.5">
        <FileLink className="btn btn-outline flex-1" href={`/api/definitions/${encodeURIComponent(d.id)}/archetype.xml`}>
          {say.xml}
        </FileLink>
        <FileLink className="btn btn-outline flex-1" href={`/api/definitions/${encodeURIComponent(d.id)}/contour.dxf`}>
          {say.dxf}
        </FileLink>
      </div>
    </>
  )
}

function Drawn({ profile, shop, d }: { readonly profile: ToolProfile; readonly shop: Context; readonly d: Definition }) {
  return (
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
  )
}

/** What the tool shall be. */
function Wanted({
  size,
  d,
  shop,
  machines,
  names,
}: {
  readonly size: ({ nominal, lower, upper }: Tolerance) => string
  readonly d: Definition
  readonly shop: Context
  readonly machines: ReadonlyMap<string, string>
  readonly names: ReadonlyMap<string, string>
}) {
  return (
    <div>
      <Row name={say.length} symbol="LF">
        {size(d.LF)}
      </Row>
      <Row name={say.diameter} symbol="DC">
        {size(d.DC)}
      </Row>
      {d.RE && (
        <Row name={say.cornerRadius} symbol="RE">
          {size(d.RE)}
        </Row>
      )}
      <Row name={say.runoutRadialAndAxial}>
        {formatDeviation(d.radialRunoutMax, shop.unit)}, {formatDeviation(d.axialRunoutMax, shop.unit)}
      </Row>
      <Row name={say.edgesClass}>
        {d.edges} · {d.toolClass}
      </Row>
      <Row name={say.programSpeed}>{d.programRpm.toLocaleString('en')} rev/min</Row>
      {d.balance && <Row name={say.balance}>{say.gAt(d.balance.grade, d.balance.rpm.toLocaleString('en'))}</Row>}
      <Row name={say.route}>{d.route}</Row>
      {d.lifeMin !== null && <Row name={say.life}>{d.lifeMin} min</Row>}
      <Row name={say.machines}>{d.machines.map((key) => machines.get(key) ?? key).join(', ')}</Row>
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
          {line.alternatives.length ? say.orAlternatives(line.alternatives.join(', ')) : ''}
        </Row>
      ))}
    </div>
  )
}
