import { Later } from '../_parts/later'

export const metadata = { title: 'Practice' }

export default function PracticePage() {
  return (
    <Later
      name="Practice"
      will="Practice will let a newcomer measure, balance and hand over made-up tools without touching anything real."
    />
  )
}
