import { readPeople } from '@/stations/people/pages'
import { PeopleStation } from '@/ui/settings/people-station'
import { say } from '@/words/screens/settings'
import { signedIn } from '../../_server/context'
import { endSessionsAction, putPersonAction, setPinAction, putShopAction, setSignInAction } from '../actions'

export const metadata = { title: say.people }

const ACT = { put: putPersonAction, pin: setPinAction, rule: setSignInAction, shop: putShopAction, end: endSessionsAction }

export default async function PeoplePage() {
  const { db } = await signedIn()
  return (
    <>
      <div />
      <PeopleStation view={readPeople(db)} act={ACT} zones={Intl.supportedValuesOf('timeZone')} />
    </>
  )
}
