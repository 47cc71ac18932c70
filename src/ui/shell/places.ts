import { say } from '@/words/screens/shell'
export interface NavItem {
  readonly key: string
  readonly name: string
  readonly href: string
}

/** The bench line, in the order tools travel. */
export const STATIONS: readonly NavItem[] = [
  { key: 'kit', name: say.kit, href: '/kit' },
  { key: 'build', name: say.build, href: '/build' },
  { key: 'measure', name: say.measure, href: '/measure' },
  { key: 'balance', name: say.balance, href: '/balance' },
  { key: 'hand-over', name: say.handOver, href: '/hand-over' },
  { key: 'load', name: say.load, href: '/load' },
  { key: 'return', name: say.returnWord, href: '/return' },
]

export const OTHERS: readonly (NavItem & { readonly go: string })[] = [
  { key: 'plan', name: say.plan, href: '/plan', go: 'p' },
  { key: 'library', name: say.library, href: '/library', go: 'l' },
  { key: 'records', name: say.records, href: '/records', go: 'r' },
  { key: 'practice', name: say.practice, href: '/practice', go: 'c' },
  { key: 'settings', name: say.settings, href: '/settings', go: 's' },
]

export const GO_KEYS: Readonly<Record<string, string>> = Object.fromEntries(OTHERS.map(({ go, href }) => [go, href]))
