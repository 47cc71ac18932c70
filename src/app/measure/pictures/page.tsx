import { OtherPictures } from '@/ui/measure/other-pictures'

export const metadata = { title: 'Measure from files' }

export default function PicturesPage() {
  return (
    <>
      <div />
      <OtherPictures />
    </>
  )
}
