import { notFound } from 'next/navigation'
import { getJob } from '@/db/job/read'
import { lastMeasurement } from '@/db/measurement/read'
import { toolsOfJob } from '@/stations/measure/kit-run'
import { KitRun } from '@/ui/measure/kit-run'
import { StationPage } from '../../../_parts/station'
import { context } from '../../../_server/context'
import { plainText } from '../../../_server/params'

export const metadata = { title: 'Measure a kit' }

export default async function KitRunPage({ params }: { readonly params: Promise<{ job: string }> }) {
  const job = plainText((await params).job)
  const shop = await context()
  if (!getJob(shop.db, job)) notFound()
  const tools = toolsOfJob(shop.db, job)
  return (
    <StationPage station="measure" current={null}>
      <KitRun
        job={job}
        tools={tools.map((a) => ({
          serial: a.serial,
          t: a.t,
          name: a.name,
          coupling: a.coupling,
          state: a.state,
          verdict: a.state === 'built' ? null : (lastMeasurement(shop.db, a.id)?.verdict ?? null),
        }))}
      />
    </StationPage>
  )
}
