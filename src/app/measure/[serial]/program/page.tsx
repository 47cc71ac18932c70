import { notFound } from 'next/navigation'
import { heldBack, readBench } from '@/stations/measure/bench-state'
import { readMeasure } from '@/stations/measure/measure-sheet'
import { ProgramStation } from '@/ui/measure/program-station'
import { StationPage } from '../../../_parts/station'
import { openTool } from '../../../_server/bench'
import { signedIn } from '../../../_server/context'
import { serialOf } from '../../../_server/params'
import { refusalText } from '@/words/refusals'
import { keepProgramAction } from '../../actions'
import { say } from '@/words/screens/measure'

export const metadata = { title: say.measuringProgram }

export default async function ProgramPage({ params }: { readonly params: Promise<{ serial: string }> }) {
  const serial = serialOf((await params).serial)
  const shop = await signedIn()
  const sheet = readMeasure(shop.db, serial)
  if (!sheet?.definition || sheet.assembly.state === 'loaded' || shop.devices().bench !== 'stand-in') notFound()
  const bench = readBench(shop.db, shop.now)
  const held = heldBack(bench, sheet.assembly.coupling)
  return (
    <StationPage station="measure" current={serial}>
      <ProgramStation
        key={`${serial}-${sheet.program?.version ?? 0}`}
        serial={serial}
        title={`T${sheet.definition.t}`}
        about={sheet.definition.name}
        tool={openTool(shop, sheet, bench)}
        base={sheet.program?.version ?? 0}
        held={held && refusalText(held, shop.units)}
        keep={keepProgramAction}
      />
    </StationPage>
  )
}
