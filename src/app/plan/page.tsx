import { Later } from '../_parts/later'
import { say } from '@/words/screens/shell'
import { signedIn } from '../_server/context'

export const metadata = { title: say.plan }

export default async function PlanPage() {
  await signedIn()
  return <Later name={say.plan} will={say.planWillShowWhichMachine} />
}
