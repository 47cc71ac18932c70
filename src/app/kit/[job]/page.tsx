import { programWarningText } from '@/words/kit'
import { differenceInMinutes } from 'date-fns'
import Link from '@/ui/common/link'
import { notFound } from 'next/navigation'
import type { Job, NettedTool, StandingType } from '@/core/plan'
import { readJobPage } from '@/stations/kit/pages'
import { FLOOR } from '@/stations/store/plan'
import { Say, Sheet, Title } from '@/ui/common/sheet'
import { formatDue, span } from '@/ui/format/due'
import { JobFoot } from '@/ui/kit/job-foot'
import { GoTo } from '@/ui/kit/kit-next'
import { KitTable } from '@/ui/kit/kit-table'
import { PickPanel } from '@/ui/kit/pick-panel'
import { StationPage } from '../../_parts/station'
import { signedIn } from '../../_server/context'
import { plainText } from '../../_server/params'
import {
  addToolsAction,
  changeJobAction,
  closeJobAction,
  copyJobAction,
  mapToolAction,
  putBackAction,
  reopenJobAction,
  shortPickAction,
  takeBackNowAction,
  takePartAction,
} from '../actions'
import { say } from '@/words/screens/kit'

export const metadata = { title: say.kit }

const SHARES: readonly { readonly types: readonly StandingType[]; readonly text: string; readonly look: string }[] = [
  { types: ['in-machine', 'ready', 'left-out'], text: 'ready', look: 'bg-holds text-paper' },
  { types: ['stale', 'in-other-machine'], text: say.toMeasureAgainLower, look: 'bg-unsure text-paper' },
  { types: ['in-work', 'under-way'], text: say.inProgressLower, look: 'bg-unsure text-paper' },
  { types: ['to-build'], text: say.toBuildLower, look: 'bg-act text-act-ink' },
  { types: ['cannot-build'], text: 'blocked', look: 'bg-off text-paper' },
  { types: ['ask'], text: say.toCheckLower, look: 'bg-unsure text-paper' },
  { types: ['unknown-t'], text: say.unknownTLower, look: 'bg-off text-paper' },
]

// eslint-disable-next-line max-lines-per-function -- one sheet from left to right; what it shows are components already
export default async function JobPage({
  params,
  searchParams,
}: {
  readonly params: Promise<{ job: string }>
  readonly searchParams: Promise<{ t?: string }>
}) {
  const { job: id } = await params
  const { t } = await searchParams
  const shop = await signedIn()
  const page = readJobPage(shop.db, plainText(id), shop.now)
  if (!page) notFound()
  const { pick, names, definitions } = page
  const { job, machine, tools } = page.sheet
  const now = new Date(shop.now)
  const due = formatDue(job.dueAt, now)
  const minutes = differenceInMinutes(new Date(job.dueAt), now)
  const count = (types: readonly string[]) => tools.filter((tool) => types.includes(tool.standing.type)).length
  const toBuild = tools.filter(({ standing }) => standing.type === 'to-build' || standing.type === 'under-way')
  const chosen = toBuild.find((tool) => String(tool.wanted.t) === t) ?? toBuild[0]
  const toFetch = pick.list.lines.some((l) => !pick.holders[l.component])
  return (
    <StationPage station="kit" current={t ? `${job.id}-${t}` : null} job={job.id}>
      <Sheet
        left={
          <>
            <Title lead={job.id}>
              {say.forName(job.name)} <b className="text-ink">{machine.name}</b> ·{' '}
              <span className={due.late || job.urgentFor ? 'text-off font-bold' : ''}>
                {job.urgentFor ? say.rush : say.startsIn(due.text)}
                {minutes > 0 && say.inMinutes(span(minutes))}
              </span>{' '}
              · {job.quantity} {job.quantity === 1 ? say.part : say.parts}
            </Title>
            {job.state !== 'open' && (
              <Say tone="unsure" lead={say.thisJobIs(job.state)}>
                {say.itNeedsNoToolsAny}
              </Say>
            )}
            <Shares count={count} />
            <div className="shrink-0 overflow-x-auto" tabIndex={0} aria-label={say.wantedTools} role="region">
              <KitTable
                job={job.id}
                version={job.version}
                names={names}
                tools={tools}
                chosenT={chosen?.wanted.t ?? null}
                machine={machine.key}
                definitions={definitions}
                map={mapToolAction}
              />
            </div>
            {tools.length === 0 && job.state === 'open' && <p className="text-lg">{say.thisJobNeedsNoTool}</p>}
            <Programs job={job} />
            <JobFoot
              job={job}
              addTools={addToolsAction}
              close={closeJobAction}
              change={changeJobAction}
              copy={copyJobAction}
              reopen={reopenJobAction}
              takeBack={takeBackNowAction}
            />
          </>
        }
        right={
          <>
            <PickPanel
              job={job.id}
              complete={pick.complete}
              list={pick.list}
              names={pick.names}
              taken={pick.taken}
              units={pick.units}
              floor={FLOOR}
              holders={pick.holders}
              take={takePartAction}
              putBack={putBackAction}
              short={shortPickAction}
            />
            <Chosen toFetch={toFetch} chosen={chosen} job={job} count={count} />
          </>
        }
      />
    </StationPage>
  )
}

/** How far the tools of the job are. */
function Shares({ count }: { readonly count: (types: readonly string[]) => number }) {
  return (
    <div
      className="font-head flex h-[34px] shrink-0 text-lg font-semibold"
      role="img"
      aria-label={SHARES.map((s) => `${count(s.types)} ${s.text}`).join(', ')}
    >
      {SHARES.filter((s) => count(s.types) > 0).map((s) => (
        <div
          key={s.text}
          className={`border-paper flex items-center overflow-hidden border-r-2 px-3 whitespace-nowrap last:border-r-0 ${s.look}`}
          style={{ flexGrow: count(s.types), flexBasis: 'auto' }}
        >
          {count(s.types)} {s.text}
        </div>
      ))}
    </div>
  )
}

/** The tool of the list that was chosen. */
function Chosen({
  toFetch,
  chosen,
  job,
  count,
}: {
  readonly toFetch: boolean
  readonly chosen: NettedTool
  readonly job: Job
  readonly count: (types: readonly string[]) => number
}) {
  return (
    !toFetch && (
      <div className="mt-2">
        {chosen?.definition ? (
          <>
            <Say tone="todo" lead={say.tIsNext(chosen.wanted.t)}>
              {say.everythingForItIsPicked(chosen.definition.name)}
            </Say>
            <GoTo href={`/build?job=${encodeURIComponent(job.id)}&t=${chosen.wanted.t}`}>{say.buildT(chosen.wanted.t)}</GoTo>
          </>
        ) : (
          <Say tone="holds" lead={say.nothingLeftToBuild}>
            {count(['in-work']) > 0
              ? say.builtToolsStillHaveTo
              : count(['cannot-build', 'unknown-t']) > 0
                ? say.blockedToolsNeedPartsOr
                : say.everyToolIsReadyOr}
          </Say>
        )}
        <Link className="row-link text-lg" href={`/kit/${encodeURIComponent(job.id)}/setup`}>
          {say.setupSheet}
        </Link>
      </div>
    )
  )
}

function Programs({ job }: { readonly job: Job }) {
  return job.programs.map(({ name, hash, program }) => (
    <details key={name} open={program.warnings.length > 0 && job.programs.length === 1} className="shrink-0">
      <summary className="min-h-11 cursor-pointer py-2">
        <b>{name}</b>{' '}
        <span className="text-soft">
          {say.programHash(
            program.units === 'inch' ? say.inchG20 : program.units === 'mm' ? say.mmG21 : say.noUnitInTheProgram,
            hash.slice(0, 8),
          )}
        </span>{' '}
        {program.warnings.length > 0 ? (
          <b className="text-unsure">
            ◐ {program.warnings.length} {program.warnings.length === 1 ? say.warning : say.warnings}
          </b>
        ) : (
          <b className="text-holds">{say.noWarnings}</b>
        )}
      </summary>
      <ul>
        {program.warnings.map((w, i) => (
          <li key={i} className="border-rule grid grid-cols-[70px_1fr] gap-2 border-t py-1.5">
            <span className="figures text-soft text-[17px]">{say.lineNumber(w.line)}</span>
            <span>{programWarningText(w)}</span>
          </li>
        ))}
      </ul>
    </details>
  ))
}
