import { say } from '@/words/screens/balance'
import type { Tab } from '../common/sub-nav'

export const BALANCE_TABS: readonly Tab[] = [
  { href: '/balance', name: say.tools },
  { href: '/balance/calibration', name: say.calibration },
]
