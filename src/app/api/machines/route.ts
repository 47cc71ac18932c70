import { listMachines } from '@/stations/reads'
import { guarded } from '../_api/guard'

export const dynamic = 'force-dynamic'

export const GET = guarded(['read', 'load'], (shop) => Response.json(listMachines(shop.db)))
