import { readHooks } from '@/stations/outside/hooks'
import { readClients } from '@/stations/people/pages'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { ClientsStation } from '@/ui/settings/clients-station'
import { say } from '@/words/screens/settings'
import { signedIn } from '../../_server/context'
import { endClientAction, endHookAction, makeClientAction, makeHookAction, tellAgainAction } from '../actions'

export const metadata = { title: say.clients }

const ACT = { make: makeClientAction, end: endClientAction }
const HOOK_ACT = { make: makeHookAction, end: endHookAction, again: tellAgainAction }

export default async function ClientsPage() {
  const { db } = await signedIn()
  return (
    <>
      <KeepFresh />
      <div />
      <ClientsStation clients={readClients(db)} act={ACT} hooks={readHooks(db)} hookAct={HOOK_ACT} />
    </>
  )
}
