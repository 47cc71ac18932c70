import { readBalanceView } from '@/stations/balance/pages'
import { BalanceStation } from '@/ui/balance/balance-station'
import { Sheet, Title } from '@/ui/common/sheet'
import { refusalText } from '@/words/refusals'
import { say } from '@/words/screens/balance'
import { StationPage } from '../../_parts/station'
import { signedIn } from '../../_server/context'
import { serialOf } from '../../_server/params'
import { reallyDoAction, spindleHandAction } from '../../stand-in/actions'
import {
  chooseFitAction,
  computeFitsAction,
  confirmStepAction,
  dropBalanceAction,
  saveBalanceAction,
  setWantedAction,
  spindleStateAction,
  startSpinAction,
  takeSpinAction,
  typeBalanceAction,
} from '../actions'

export const metadata = { title: say.balance }

const ACTS = {
  spindle: spindleStateAction,
  wanted: setWantedAction,
  start: startSpinAction,
  take: takeSpinAction,
  compute: computeFitsAction,
  choose: chooseFitAction,
  confirm: confirmStepAction,
  save: saveBalanceAction,
  type: typeBalanceAction,
  drop: dropBalanceAction,
  hand: spindleHandAction,
  really: reallyDoAction,
}

export default async function BalanceToolPage({ params }: { readonly params: Promise<{ serial: string }> }) {
  const serial = serialOf((await params).serial)
  const { db, now, units, devices } = await signedIn()
  const read = readBalanceView(db, serial, now)
  if (!read)
    return (
      <StationPage station="balance" current={null}>
        <Sheet left={<Title lead={serial}>{say.thereIsNoToolOn}</Title>} />
      </StationPage>
    )
  const { refusal, ...view } = read
  return (
    <StationPage station="balance" current={serial}>
      <BalanceStation
        hasSpindle={devices().spindle !== 'none'}
        key={serial}
        view={{ ...view, refusal: refusal && { code: refusal.code, text: refusalText(refusal, units) } }}
        act={ACTS}
      />
    </StationPage>
  )
}
