import { readWear } from '@/stations/records/wear'
import { WearStation } from '@/ui/records/wear-station'
import { say } from '@/words/screens/wear'
import { signedIn } from '../../_server/context'

export const metadata = { title: say.wear }

export default async function WearPage({ searchParams }: { readonly searchParams: Promise<{ tool?: string | string[] }> }) {
  const { tool } = await searchParams
  const { db } = await signedIn()
  const tools = readWear(db)
  const chosen = tools.find(({ serial }) => serial === tool) ?? tools[0] ?? null
  return (
    <>
      <div />
      <WearStation tools={tools} chosen={chosen} />
    </>
  )
}
