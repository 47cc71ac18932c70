import { differenceInMinutes } from 'date-fns'
import { notFound } from 'next/navigation'
import type { Standing } from '@/core/plan'
import { readKit } from '@/stations/kit/kit-sheet'
import { Say, Sheet, Title } from '@/ui/common/sheet'
import { formatDue, span } from '@/ui/format/due'
import { GoTo } from '@/ui/kit/kit-next'
import { KitTable } from '@/ui/kit/kit-table'
import { StationPage } from '../../_parts/station'
import { context } from '../../_server/context'
import { plainText } from '../../_server/params'

export const metadata = { title: 'Kit' }

const SHARES: readonly { readonly types: readonly Standing['type'][]; readonly text: string; readonly look: string }[] = [
  { types: ['in-machine', 'ready'], text: 'in the machine or ready', look: 'bg-holds text-paper' },
  { types: ['in-work'], text: 'in work', look: 'bg-unsure text-paper' },
  { types: ['to-build'], text: 'to build', look: 'bg-act text-act-ink' },
  { types: ['unknown-t'], text: 'unknown T', look: 'bg-off text-paper' },
]

export default async function JobPage({
  params,
  searchParams,
}: {
  readonly params: Promise<{ job: string }>
  readonly searchParams: Promise<{ t?: string }>
}) {
  const { job: id } = await params
  const { t } = await searchParams
  const house = await context()
  const sheet = readKit(house.db, plainText(id))
  if (!sheet) notFound()
  const { job, machine, tools } = sheet
  const now = new Date(house.now)
  const due = formatDue(job.dueAt, now)
  const minutes = differenceInMinutes(new Date(job.dueAt), now)
  const count = (types: readonly string[]) => tools.filter((tool) => types.includes(tool.standing.type)).length
  const toBuild = tools.filter((tool) => tool.standing.type === 'to-build')
  const chosen = toBuild.find((tool) => String(tool.wanted.t) === t) ?? toBuild[0]
  const { warnings } = job.program
  return (
    <StationPage station="kit" current={t ? `${job.id}-${t}` : null} job={job.id}>
      <Sheet
        left={
          <>
            <Title lead={job.id}>
              {job.name} · for <b className="text-ink">{machine.name}</b> · starts{' '}
              <span className={due.late ? 'text-off font-bold' : ''}>
                {due.text}
                {minutes > 0 && `, in ${span(minutes)}`}
              </span>
            </Title>
            <div
              className="font-head flex h-[34px] text-lg font-semibold"
              role="img"
              aria-label={SHARES.map((s) => `${count(s.types)} ${s.text}`).join(', ')}
            >
              {SHARES.filter((s) => count(s.types) > 0).map((s) => (
                <div
                  key={s.text}
                  className={`flex items-center overflow-hidden px-3 whitespace-nowrap ${s.look}`}
                  style={{ flexGrow: count(s.types), flexBasis: 90 }}
                >
                  {count(s.types)} {s.text}
                </div>
              ))}
            </div>
            <div className="overflow-x-auto" tabIndex={0}>
              <KitTable job={job.id} machine={machine.name} tools={tools} chosenT={chosen?.wanted.t ?? null} />
            </div>
            {tools.length === 0 && <p className="text-lg">This program changes to no tool.</p>}
          </>
        }
        right={
          <>
            <h2 className="text-2xl font-bold">The program</h2>
            <p className="text-soft">
              {job.programName} ·{' '}
              {job.program.units === 'inch' ? 'inch (G20)' : job.program.units === 'mm' ? 'mm (G21)' : 'says no unit'} · SHA-256{' '}
              {job.programHash.slice(0, 8)}
            </p>
            <ul className="mt-2 overflow-auto">
              {warnings.map((w, i) => (
                <li key={i} className="border-rule grid grid-cols-[70px_1fr] gap-2 border-b py-2">
                  <span className="figures text-soft text-[17px]">line {w.line}</span>
                  <span>
                    <b className="text-unsure">◐</b> {w.text}
                  </span>
                </li>
              ))}
              {warnings.length === 0 && <li className="text-holds py-2 font-semibold">● Nothing to warn of.</li>}
            </ul>
            <div className="mt-auto">
              {chosen?.definition ? (
                <>
                  <Say tone="todo" lead={`T${chosen.wanted.t} is next.`}>
                    {chosen.definition.name}. Fetch holder and cutter, or scan a free holder of its type.
                  </Say>
                  <GoTo
                    href={`/build?job=${encodeURIComponent(job.id)}&t=${chosen.wanted.t}`}
                  >{`Build T${chosen.wanted.t}`}</GoTo>
                </>
              ) : (
                <Say tone="holds" lead="Nothing left to build.">
                  {count(['in-work']) > 0
                    ? 'What stands still has to be measured.'
                    : 'Every tool that has a definition stands or is in the machine.'}
                </Say>
              )}
            </div>
          </>
        }
      />
    </StationPage>
  )
}
