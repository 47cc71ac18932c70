import { notFound } from 'next/navigation'
import { readKitRun } from '@/stations/measure/pages'
import { KitRun } from '@/ui/measure/kit-run'
import { StationPage } from '../../../_parts/station'
import { signedIn } from '../../../_server/context'
import { plainText } from '../../../_server/params'
import { say } from '@/words/screens/measure'

export const metadata = { title: say.measureAKit }

export default async function KitRunPage({ params }: { readonly params: Promise<{ job: string }> }) {
  const job = plainText((await params).job)
  const shop = await signedIn()
  const tools = readKitRun(shop.db, job)
  if (!tools) notFound()
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
          verdict: a.verdict,
        }))}
      />
    </StationPage>
  )
}
