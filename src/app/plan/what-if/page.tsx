import { z } from 'zod'
import { machineNames } from '@/stations/names'
import type { WhatIf } from '@/stations/plan/contract'
import { readBreakable, readDay } from '@/stations/plan/room-day'
import { Say, Sheet } from '@/ui/common/sheet'
import { WhatIfStation } from '@/ui/plan/what-if-station'
import { refusalText } from '@/words/refusals'
import { say } from '@/words/screens/plan'
import { signedIn } from '../../_server/context'

export const metadata = { title: say.whatIf }

/** A name and minutes: `HP-2207*60`. */
const Minutes = z
  .string()
  .max(80)
  .regex(/^.+\*\d{1,5}(\.\d+)?$/)
  .transform((text) => {
    const at = text.lastIndexOf('*')
    return { name: text.slice(0, at), minutes: Number(text.slice(at + 1)) }
  })
const Asked = z.object({
  people: z.coerce.number().int().min(1).max(50).optional().catch(undefined),
  later: Minutes.optional().catch(undefined),
  comes: Minutes.optional().catch(undefined),
  broken: z.string().max(40).optional().catch(undefined),
})

export default async function WhatIfPage({ searchParams }: { readonly searchParams: Promise<Record<string, unknown>> }) {
  const { people, later, comes, broken } = Asked.parse(await searchParams)
  const { db, heavy, now, units } = await signedIn()
  const asked: WhatIf = {
    ...(people === undefined ? {} : { people }),
    ...(later ? { later: { job: later.name, minutes: later.minutes } } : {}),
    ...(comes ? { comes: { tool: comes.name, minutes: comes.minutes } } : {}),
    ...(broken === undefined ? {} : { broken }),
  }
  const asIs = await readDay(db, heavy, now)
  const ifSo = Object.keys(asked).length > 0 ? await readDay(db, heavy, now, asked) : null
  const fault = !asIs.ok ? asIs.error : ifSo && !ifSo.ok ? ifSo.error : null
  if (!asIs.ok || fault)
    return (
      <>
        <div />
        <Sheet
          left={
            <Say tone="off" lead={say.notPlanned}>
              {fault && refusalText(fault, units)}
            </Say>
          }
        />
      </>
    )
  return (
    <>
      <div />
      <WhatIfStation
        key={JSON.stringify(asked)}
        asIs={{ ...asIs.value, blocked: [] }}
        ifSo={ifSo?.ok ? { ...ifSo.value, blocked: [] } : null}
        asked={asked}
        machines={Object.fromEntries(machineNames(db))}
        waiting={asIs.value.blocked.flatMap(({ tool, netted }) => (netted.standing.type === 'cannot-build' ? [tool] : []))}
        breakable={readBreakable(db)}
      />
    </>
  )
}
