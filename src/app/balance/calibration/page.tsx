import { readCalibrationPage } from '@/stations/balance/pages'
import { CalibrationStation } from '@/ui/balance/calibration-station'
import { say } from '@/words/screens/balance'
import { StationPage } from '../../_parts/station'
import { signedIn } from '../../_server/context'
import { spindleHandAction } from '../../stand-in/actions'
import {
  beginCalibrationAction,
  dropCalibrationAction,
  spindleStateAction,
  startCalibrationSpinAction,
  takeCalibrationSpinAction,
} from '../actions'

export const metadata = { title: say.calibration }

const ACTS = {
  spindle: spindleStateAction,
  begin: beginCalibrationAction,
  start: startCalibrationSpinAction,
  take: takeCalibrationSpinAction,
  drop: dropCalibrationAction,
  hand: spindleHandAction,
}

export default async function CalibrationPage() {
  const { db } = await signedIn()
  return (
    <StationPage station="balance" current={null}>
      <CalibrationStation view={readCalibrationPage(db)} act={ACTS} />
    </StationPage>
  )
}
