import { numberOf } from '@/core/tool'
import { listComponents } from '@/db/library/read'
import { listBalances, listLying } from '@/db/stock/read'
import { onHand } from '@/core/plan'
import { runtime } from '@/runtime'
import { guarded } from '../../_api/guard'

export const dynamic = 'force-dynamic'

/** Every part in one answer, short: what the table filters and sorts. Lengths mm. */
export const GET = guarded(() => {
  const { db } = runtime()
  const balances = listBalances(db)
  const places = new Map<string, string[]>()
  for (const { component, place } of listLying(db)) if (place) places.set(component, [...(places.get(component) ?? []), place])
  return Response.json(
    listComponents(db).map((c) => ({
      id: c.id,
      kind: c.kind,
      name: c.name,
      size: numberOf(c, 'DC') ?? numberOf(c, 'DCONWS') ?? numberOf(c, 'DCX') ?? numberOf(c, 'colletSize') ?? null,
      RE: numberOf(c, 'RE') ?? null,
      shank: numberOf(c, 'DMM') ?? null,
      length: numberOf(c, 'OAL') ?? numberOf(c, 'LPR') ?? numberOf(c, 'LF') ?? null,
      onHand: balances.has(c.id) ? onHand(balances.get(c.id)!) : null,
      least: c.leastStock ?? null,
      places: (places.get(c.id) ?? []).join(' '),
      maker: c.makerNumber ?? '',
      price: c.price ?? null,
    })),
  )
})
