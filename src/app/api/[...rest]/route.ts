import { guarded } from '../_api/guard'
import { problem } from '../_api/problem'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

const unknown = guarded(['read'], (_shop, request) =>
  problem(404, 'UNKNOWN_ROUTE', say.thereIsNo(request.method, request.nextUrl.pathname)),
)

export { unknown as DELETE, unknown as GET, unknown as PATCH, unknown as POST, unknown as PUT }
