import { listHandovers } from '@/stations/reads'
import { guarded } from '../_api/guard'

export const dynamic = 'force-dynamic'

export const GET = guarded(['read', 'hand over', 'load'], (shop, request) => {
  const serial = request.nextUrl.searchParams.get('serial')?.toUpperCase() || undefined
  return Response.json(
    listHandovers(shop.db, serial).map((h) => ({
      id: h.id,
      serial: h.values.serial,
      issue: h.values.issue,
      machine: h.values.machine,
      t: h.values.t,
      releasedAt: h.releasedAt,
      current: h.voidedAt === null,
    })),
  )
})
