import { Later } from '../_parts/later'
import { say } from '@/words/screens/shell'
import { signedIn } from '../_server/context'

export const metadata = { title: say.practice }

export default async function PracticePage() {
  await signedIn()
  return <Later name={say.practice} will={say.practiceWillLetANewcomer} />
}
