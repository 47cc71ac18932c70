import { OtherPictures } from '@/ui/measure/other-pictures'
import { say } from '@/words/screens/camera'
import { signedIn } from '../../_server/context'

export const metadata = { title: say.measureFromFiles }

export default async function PicturesPage() {
  await signedIn()
  return (
    <>
      <div />
      <OtherPictures />
    </>
  )
}
