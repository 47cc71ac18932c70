import { readMagazine } from '@/stations/plan/magazine-sheet'
import { Say, Sheet } from '@/ui/common/sheet'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { PLAN_TABS } from '@/ui/common/sub-nav'
import { MagazineStation } from '@/ui/plan/magazine-station'
import { refusalText } from '@/words/refusals'
import { say } from '@/words/screens/plan'
import { NoMachine } from '../../_parts/no-machine'
import { signedIn } from '../../_server/context'

export const metadata = { title: say.magazine }

export default async function MagazinePage({
  searchParams,
}: {
  readonly searchParams: Promise<{ machine?: string | string[] }>
}) {
  const { machine } = await searchParams
  const { db, heavy, now, units } = await signedIn()
  const sheet = await readMagazine(db, heavy, now, typeof machine === 'string' ? machine : null)
  if (!sheet) return <NoMachine lead={say.magazine} tabs={PLAN_TABS} label={say.plan} />
  return (
    <>
      <KeepFresh />
      <div />
      {sheet.ok ? (
        <MagazineStation key={sheet.value.machine.key} sheet={sheet.value} now={now} />
      ) : (
        <Sheet
          left={
            <Say tone="off" lead={say.notPlanned}>
              {refusalText(sheet.error, units)}
            </Say>
          }
        />
      )}
    </>
  )
}
