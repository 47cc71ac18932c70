import Link, { FileLink } from '@/ui/common/link'
import { notFound } from 'next/navigation'
import { readSetup } from '@/stations/kit/setup-sheet'
import { Sheet, Title } from '@/ui/common/sheet'
import { Silhouette } from '@/ui/drawing/silhouette'
import { formatWhen } from '@/ui/format/due'
import { PrintButton } from '@/ui/common/print-button'
import { setupRows } from '../../../_parts/setup-rows'
import { signedIn } from '../../../_server/context'
import { plainText } from '../../../_server/params'
import { say } from '@/words/screens/kit'

export const metadata = { title: say.setupSheet }

export default async function SetupPage({ params }: { readonly params: Promise<{ job: string }> }) {
  const { job: id } = await params
  const shop = await signedIn()
  const sheet = readSetup(shop.db, plainText(id), shop.now)
  if (!sheet) notFound()
  const { job, machine } = sheet
  const rows = setupRows(shop.db, sheet)
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
              <div className="min-w-0 flex-1">
                <Title lead={say.setupSheetId(job.id)}>{say.startsAt(job.name, machine.name, formatWhen(job.dueAt))}</Title>
                <p className="text-soft">
                  {say.lengthsFromTheGaugeLine(job.quantity, job.quantity === 1 ? say.part : say.parts, machine.unit)}
                </p>
              </div>
              <div className="flex gap-2.5 print:hidden">
                <Link className="row-link px-2 text-lg" href={`/kit/${encodeURIComponent(job.id)}`}>
                  {say.backToTheJob}
                </Link>
                <FileLink
                  className="btn btn-outline"
                  href={`/api/jobs/${encodeURIComponent(job.id)}/setup-sheet.pdf`}
                  target="_blank"
                >
                  {say.pdf}
                </FileLink>
                <PrintButton />
              </div>
            </div>
            <ul>
              {rows.map((row, i) => (
                <li
                  key={i}
                  className="border-rule grid min-h-[104px] break-inside-avoid grid-cols-[72px_1fr_110px] items-center gap-x-4 border-b"
                >
                  <span className="figures text-[32px] leading-none font-bold">{row.t}</span>
                  <div className="min-w-0 py-2">
                    <div className="flex flex-wrap items-baseline gap-x-3">
                      <b className="font-head text-[21px]">{row.name}</b>
                      <span className="text-soft">{row.holder}</span>
                    </div>
                    <dl className="mt-1 grid grid-cols-5 gap-x-4 max-[900px]:grid-cols-3">
                      {row.figures.map(([name, value]) => (
                        <div key={name}>
                          <dt className="text-soft text-[14px] leading-tight">{name}</dt>
                          <dd className="figures text-[21px] leading-tight font-semibold whitespace-nowrap">{value}</dd>
                        </div>
                      ))}
                    </dl>
                    <span className="mt-1 block">{row.standing}</span>
                  </div>
                  {row.profile ? <Silhouette profile={row.profile} width={108} height={96} mmPerHeight={300} /> : <span />}
                </li>
              ))}
            </ul>
            {rows.length === 0 && <p className="text-lg">{say.thisJobNeedsNoTool}</p>}
          </>
        }
      />
    </>
  )
}
