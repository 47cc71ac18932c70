import { notFound } from 'next/navigation'
import { readValuesBench, valuesHeldBack } from '@/stations/measure/check-values'
import { readMeasure } from '@/stations/measure/measure-sheet'
import { FiguresForm } from '@/ui/measure/figures-form'
import { StationPage } from '../../../_parts/station'
import { signedIn } from '../../../_server/context'
import { serialOf } from '../../../_server/params'
import { refusalText } from '@/words/refusals'
import { readLineAction, saveFiguresAction, saveLineAction, saveValuesCheckAction } from '../../actions'
import { say } from '@/words/screens/measure'

export const metadata = { title: say.figures }

export default async function FiguresPage({ params }: { readonly params: Promise<{ serial: string }> }) {
  const serial = serialOf((await params).serial)
  const shop = await signedIn()
  const sheet = readMeasure(shop.db, serial)
  if (!sheet) notFound()
  const { assembly, limits, last } = sheet
  const bench = readValuesBench(shop.db, assembly.coupling, shop.now, shop.devices().benchAddress)
  const held = valuesHeldBack(bench)
  return (
    <StationPage station="measure" current={serial}>
      <FiguresForm
        key={`${serial}-${last?.id ?? 0}`}
        serial={serial}
        title={assembly.t === null ? serial : `T${assembly.t}`}
        about={assembly.name}
        limits={{ LF: limits.LF ?? null, DC: limits.DC ?? null, RE: limits.RE ?? null }}
        before={last?.summary ?? null}
        check={{
          coupling: assembly.coupling,
          master: bench.master && { mark: bench.master.mark, name: bench.master.name },
          due: held && refusalText(held, shop.units),
          save: saveValuesCheckAction,
        }}
        dial={sheet.made.divisionMm !== null}
        save={saveFiguresAction}
        line={shop.lineBench ? { read: readLineAction, save: saveLineAction } : null}
      />
    </StationPage>
  )
}
