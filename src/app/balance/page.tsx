import { Later } from '../_parts/later'

export const metadata = { title: 'Balance' }

export default function BalancePage() {
  return (
    <Later
      name="Balance"
      will="Balance will measure the complete assembly at a safe speed, tell its own unbalance from the spindle’s, and say which screw goes where."
    />
  )
}
