import { notFound } from 'next/navigation'
import { readBoreView } from '@/stations/bore/pages'
import type { Refusal } from '@/stations/refusals'
import { BoreStation } from '@/ui/bore/bore-station'
import { refusalText } from '@/words/refusals'
import { say } from '@/words/screens/bore'
import { StationPage } from '../../../_parts/station'
import { signedIn } from '../../../_server/context'
import { serialOf } from '../../../_server/params'
import { cutBoreAction } from '../../../stand-in/actions'
import { moveDialAction, saveBoreAction, setDialAction } from './actions'

export const metadata = { title: say.dial }

export default async function BorePage({ params }: { readonly params: Promise<{ serial: string }> }) {
  const serial = serialOf((await params).serial)
  const { db, units, standIns } = await signedIn()
  const read = readBoreView(db, serial)
  if (!read.ok) notFound()
  const inWords = (refusal: Refusal | null) => refusal && { code: refusal.code, text: refusalText(refusal, units) }
  const view = { ...read.value, refusal: inWords(read.value.refusal), fault: inWords(read.value.fault) }
  return (
    <StationPage station="measure" current={serial}>
      <BoreStation
        view={view}
        act={{ set: setDialAction, move: moveDialAction, bore: saveBoreAction, cut: standIns ? cutBoreAction : null }}
      />
    </StationPage>
  )
}
