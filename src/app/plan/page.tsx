import { Later } from '../_parts/later'
import { say } from '@/words/screens/shell'

export const metadata = { title: say.plan }

export default function PlanPage() {
  return <Later name={say.plan} will={say.planWillShowWhichMachine} />
}
