import { z } from 'zod'
import { FEATURE_KEYS } from '@/core/judge'
import { QUALITY_BY } from '@/stations/records/contract'
import { readQuality } from '@/stations/records/quality'
import { QualityStation } from '@/ui/records/quality-station'
import { say } from '@/words/screens/quality'
import { signedIn } from '../../_server/context'

export const metadata = { title: say.quality }

const Asked = z.object({
  by: z.enum(QUALITY_BY).catch('tool'),
  feature: z.enum(FEATURE_KEYS).catch('DC'),
  days: z.coerce.number().int().min(1).max(3650).catch(90),
  group: z.string().max(80).optional().catch(undefined),
})

export default async function QualityPage({ searchParams }: { readonly searchParams: Promise<Record<string, unknown>> }) {
  const { group, ...asked } = Asked.parse(await searchParams)
  const { db, now } = await signedIn()
  const view = readQuality(db, now, asked)
  const chosen = view.groups.find((g) => g.key === group) ?? view.groups[0] ?? null
  return (
    <>
      <div />
      <QualityStation view={view} chosen={chosen} />
    </>
  )
}
