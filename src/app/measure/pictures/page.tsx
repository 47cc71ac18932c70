import { OtherPictures } from '@/ui/measure/other-pictures'
import { say } from '@/words/screens/measure'

export const metadata = { title: say.measureFromFiles }

export default function PicturesPage() {
  return (
    <>
      <div />
      <OtherPictures />
    </>
  )
}
