import { voidText } from '@/words/hand-over'
import { isTyped } from '@/core/tool'
import { getMachine } from '@/stations/reads'
import { theShop } from '@/runtime'
import { guarded } from '../../../_api/guard'
import { handoverOf } from '../../../_api/label'
import { problem } from '../../../_api/problem'

export const dynamic = 'force-dynamic'

/** The very file that the control tried; never for another machine, never when its check differs, never out of date. */
export const GET = guarded((request, { id }) => {
  const handover = handoverOf(id)
  if (handover instanceof Response) return handover
  const { values } = handover
  const key = request.nextUrl.searchParams.get('machine') ?? values.machine
  const machine = getMachine(theShop().db, key)
  if (!machine) return problem(404, 'UNKNOWN_MACHINE', `There is no machine ${key.slice(0, 20)}.`)
  if (isTyped(machine)) return problem(422, 'NO_POST', `${machine.name} takes no files: its figures are typed.`)
  if (machine.key !== values.machine)
    return problem(
      409,
      'VALUES_DIFFER',
      `Hand-over ${values.issue} of ${values.serial} was made for ${values.machine}, not for ${machine.key}.`,
    )
  if (handover.voidedAt)
    return problem(
      409,
      'SUPERSEDED',
      `Hand-over ${values.issue} of ${values.serial} is out of date: ${voidText(handover.voidReason)}.`,
    )
  if (!handover.check.same) return problem(409, 'VALUES_DIFFER', 'The control gets other values than were measured.')
  return new Response(handover.postText, {
    headers: {
      'content-type': 'text/plain; charset=utf-8',
      'content-disposition': `attachment; filename="${handover.postFile}"`,
    },
  })
})
