import { listMachines } from '@/db/machine/read'
import { runtime } from '@/runtime'
import { guarded } from '../_api/guard'

export const dynamic = 'force-dynamic'

export const GET = guarded(() => Response.json(listMachines(runtime().db)))
