import { Later } from '../_parts/later'
import { say } from '@/words/screens/shell'

export const metadata = { title: say.balance }

export default function BalancePage() {
  return <Later name={say.balance} will={say.balanceWillMeasureTheComplete} />
}
