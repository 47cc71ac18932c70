import { currentHandover, getAssembly, getMachine } from '@/stations/reads'
import { askControl } from '@/stations/load/ask-control'
import { settleUnloads } from '@/stations/return/settle'
import { readMagazine } from '@/stations/load/magazine'
import { plainText } from '../../../../_server/params'
import { guarded } from '../../../_api/guard'
import { problem } from '../../../_api/problem'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

/** Every pocket with what stands in it by our record and by the control's list, for programmers. Lengths mm. */
export const GET = guarded(['read', 'load'], async ({ db, control, clock }, _request, { key }) => {
  const machine = getMachine(db, plainText(key))
  if (!machine) return problem(404, 'UNKNOWN_MACHINE', say.thereIsNoMachine(plainText(key).slice(0, 20)))
  await settleUnloads(db, control, clock.now())
  const { state, table } = await askControl(control, machine)
  const { standing } = readMagazine(db, machine, state, table)
  const toolIn = (pocket: number) => {
    const here = standing.find((s) => s.pocket === pocket)
    if (!here) return null
    const tool = here.serial === null ? null : getAssembly(db, here.serial)
    const values = tool && currentHandover(db, tool.serial)?.values
    return {
      serial: here.serial,
      t: here.t,
      name: tool?.name ?? null,
      length: values?.lengthMm ?? null,
      radius: values?.radiusMm ?? null,
      lifeUsedMin: tool?.lifeUsedMin ?? null,
      condition: tool?.condition ?? null,
    }
  }
  return Response.json({
    machine: machine.key,
    pockets: Array.from({ length: machine.pockets }, (_, i) => ({ pocket: i + 1, tool: toolIn(i + 1) })),
    spindle: toolIn(0),
  })
})
