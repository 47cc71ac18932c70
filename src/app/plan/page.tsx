import { readDay } from '@/stations/plan/room-day'
import { namesFor } from '@/stations/kit/pages'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { standingText } from '@/ui/kit/standing'
import { DayStation } from '@/ui/plan/day-station'
import { machineNames } from '@/stations/names'
import { refusalText } from '@/words/refusals'
import { say } from '@/words/screens/plan'
import { Say, Sheet } from '@/ui/common/sheet'
import { signedIn } from '../_server/context'

export const metadata = { title: say.plan }

export default async function PlanPage() {
  const { db, heavy, now, units } = await signedIn()
  const day = await readDay(db, heavy, now)
  if (!day.ok)
    return (
      <>
        <KeepFresh />
        <div />
        <Sheet
          left={
            <Say tone="off" lead={say.notPlanned}>
              {refusalText(day.error, units)}
            </Say>
          }
        />
      </>
    )
  const view = day.value
  const names = namesFor(
    db,
    view.blocked.map(({ netted }) => netted),
  )
  const blocked = view.blocked.map(({ tool, netted, noAdapter }) => ({
    tool,
    text: noAdapter === null ? standingText(netted, names) : say.noAdapter(noAdapter),
  }))
  return (
    <>
      <KeepFresh />
      <div />
      <DayStation
        key={view.toDo.tools.map(({ id, steps }) => `${id} ${steps.length}`).join()}
        view={{ ...view, blocked: [] }}
        machines={Object.fromEntries(machineNames(db))}
        blocked={blocked}
      />
    </>
  )
}
