export interface NavItem {
  readonly key: string
  readonly name: string
  readonly href: string
}

/** The bench line, in the order tools travel. */
export const STATIONS: readonly NavItem[] = [
  { key: 'kit', name: 'Kit', href: '/kit' },
  { key: 'build', name: 'Build', href: '/build' },
  { key: 'measure', name: 'Measure', href: '/measure' },
  { key: 'balance', name: 'Balance', href: '/balance' },
  { key: 'hand-over', name: 'Hand over', href: '/hand-over' },
  { key: 'load', name: 'Load', href: '/load' },
  { key: 'return', name: 'Return', href: '/return' },
]

export const OTHERS: readonly (NavItem & { readonly go: string })[] = [
  { key: 'plan', name: 'Plan', href: '/plan', go: 'p' },
  { key: 'library', name: 'Library', href: '/library', go: 'l' },
  { key: 'records', name: 'Records', href: '/records', go: 'r' },
  { key: 'practice', name: 'Practice', href: '/practice', go: 'c' },
  { key: 'settings', name: 'Settings', href: '/settings', go: 's' },
]

export const GO_KEYS: Readonly<Record<string, string>> = Object.fromEntries(OTHERS.map(({ go, href }) => [go, href]))
