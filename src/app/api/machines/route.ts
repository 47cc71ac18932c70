import { listMachines } from '@/stations/reads'
import { theShop } from '@/runtime'
import { guarded } from '../_api/guard'

export const dynamic = 'force-dynamic'

export const GET = guarded(['read', 'load'], () => Response.json(listMachines(theShop().db)))
