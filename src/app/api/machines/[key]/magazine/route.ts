import { findAssemblies } from '@/db/assembly/read'
import { currentHandover } from '@/db/handover/read'
import { getMachine } from '@/db/machine/read'
import { runtime } from '@/runtime'
import { plainText } from '../../../../_server/params'
import { guarded } from '../../../_api/guard'
import { problem } from '../../../_api/problem'

export const dynamic = 'force-dynamic'

/** Every pocket with what stands in it, for programmers. Lengths mm. */
export const GET = guarded((_request, { key }) => {
  const { db } = runtime()
  const machine = getMachine(db, plainText(key))
  if (!machine) return problem(404, 'UNKNOWN_MACHINE', `There is no machine ${plainText(key).slice(0, 20)}.`)
  const loaded = findAssemblies(db, { machine: machine.key, state: 'loaded' })
  const toolIn = (pocket: number) => {
    const tool = loaded.find((a) => a.pocket === pocket)
    if (!tool) return null
    const values = currentHandover(db, tool.serial)?.values
    return {
      serial: tool.serial,
      t: tool.t,
      name: tool.name,
      length: values?.lengthMm ?? null,
      radius: values?.radiusMm ?? null,
      lifeUsedMin: tool.lifeUsedMin,
      condition: tool.condition,
    }
  }
  return Response.json({
    machine: machine.key,
    pockets: Array.from({ length: machine.pockets }, (_, i) => ({ pocket: i + 1, tool: toolIn(i + 1) })),
  })
})
