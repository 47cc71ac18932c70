import { voidText } from '@/words/hand-over'
import { isTyped } from '@/core/tool'
import { getMachine } from '@/stations/reads'
import { guarded } from '../../../_api/guard'
import { handoverOf } from '../../../_api/label'
import { problem } from '../../../_api/problem'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

/** The very file that the control tried; never for another machine, never when its check differs, never out of date. */
export const GET = guarded(['hand over', 'load'], (shop, request, { id }) => {
  const handover = handoverOf(shop.db, id)
  if (handover instanceof Response) return handover
  const { values } = handover
  const key = request.nextUrl.searchParams.get('machine') ?? values.machine
  const machine = getMachine(shop.db, key)
  if (!machine) return problem(404, 'UNKNOWN_MACHINE', say.thereIsNoMachine(key.slice(0, 20)))
  if (isTyped(machine)) return problem(422, 'NO_POST', say.takesNoFiles(machine.name))
  if (machine.key !== values.machine)
    return problem(409, 'VALUES_DIFFER', say.handOverOfWasMade(values.issue, values.serial, values.machine, machine.key))
  if (handover.voidedAt)
    return problem(409, 'SUPERSEDED', say.handOverOfIsOut(values.issue, values.serial, voidText(handover.voidReason)))
  if (!handover.check.same) return problem(409, 'VALUES_DIFFER', say.theControlGetsOtherValues)
  return new Response(handover.postText, {
    headers: {
      'content-type': 'text/plain; charset=utf-8',
      'content-disposition': `attachment; filename="${handover.postFile}"`,
    },
  })
})
