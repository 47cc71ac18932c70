import { Later } from '../_parts/later'
import { say } from '@/words/screens/shell'

export const metadata = { title: say.practice }

export default function PracticePage() {
  return <Later name={say.practice} will={say.practiceWillLetANewcomer} />
}
