import { Later } from '../_parts/later'

export const metadata = { title: 'Plan' }

export default function PlanPage() {
  return <Later name="Plan" will="Plan will show which machine needs which tools by when, and what the bench should do next." />
}
