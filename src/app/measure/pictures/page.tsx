import { OtherPictures } from '@/ui/measure/other-pictures'

export const metadata = { title: 'Other pictures' }

export default function PicturesPage() {
  return (
    <>
      <div />
      <OtherPictures />
    </>
  )
}
