import { CHECK_RS274 } from '@/codecs/check-block'
import { isLead } from '@/core/tool'
import { readAtMachine } from '@/stations/at-machine/note-touch-off'
import { AtMachineStation } from '@/ui/at-machine/at-machine-station'
import { LOAD_TABS } from '@/ui/common/sub-nav'
import { say } from '@/words/screens/at-machine'
import { NoMachine } from '../../_parts/no-machine'
import { signedIn } from '../../_server/context'
import { sweepPostAction } from '../../stand-in/actions'
import { changeInsertAction, checkBlockAction, keepCheckBlockAction, noteTouchOffAction, setStationAction } from './actions'

export const metadata = { title: say.setAtTheMachine }

export default async function AtMachinePage({
  searchParams,
}: {
  readonly searchParams: Promise<{ machine?: string | string[] }>
}) {
  const { machine: asked } = await searchParams
  const shop = await signedIn()
  const sheet = readAtMachine(shop.db, typeof asked === 'string' ? asked : null)
  if (!sheet) return <NoMachine lead={say.setAtTheMachine} tabs={LOAD_TABS} label={say.setAtTheMachine} />
  const { machine, machines, inside, lines } = sheet
  return (
    <>
      <div />
      <AtMachineStation
        machine={{
          ...{ key: machine.key, name: machine.name, kind: machine.kind, version: machine.version },
          ...{ sizeRegister: machine.sizeRegister, pockets: machine.pockets, stations: machine.stations ?? {} },
          ...{ template: machine.checkBlock ?? CHECK_RS274, ownTemplate: machine.checkBlock !== undefined },
        }}
        lead={isLead(shop.person)}
        machines={machines.map(({ key, name }) => ({ key, name }))}
        lines={lines}
        inside={inside}
        note={noteTouchOffAction}
        change={changeInsertAction}
        check={checkBlockAction}
        keepCheck={keepCheckBlockAction}
        station={setStationAction}
        sweep={shop.standIns ? sweepPostAction : null}
      />
    </>
  )
}
