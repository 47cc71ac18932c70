import { readDevicesPage } from '@/stations/devices/put-devices'
import { DevicesStation } from '@/ui/settings/devices-station'
import { say } from '@/words/screens/settings'
import { signedIn } from '../../_server/context'
import { putDevicesAction, putOwnDevicesAction, tryDeviceAction } from '../actions'

export const metadata = { title: say.devices }

export default async function DevicesPage() {
  const { db, standIns, lineBench, own } = await signedIn()
  const view = readDevicesPage(db, standIns, lineBench !== null, own)
  return (
    <>
      <div />
      <DevicesStation key={view.version} view={view} put={putDevicesAction} putOwn={putOwnDevicesAction} ask={tryDeviceAction} />
    </>
  )
}
