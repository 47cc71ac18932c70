'use client'
import Link from './link'
import { usePage } from './going'
import { say } from '@/words/screens/shell'

export interface Tab {
  readonly href: string
  readonly name: string
  readonly count?: number
}

/** The sheets of a station or a room, side by side. */
/** More tabs than this stand closer together, so that all of them are seen on a small terminal. */
const MANY = 8

export function SubNav({
  tabs,
  label,
  heading = false,
}: {
  readonly tabs: readonly Tab[]
  readonly label: string
  /** Whether the sheet has no other heading: the tab in front is it then, for whoever does not see the tabs. */
  readonly heading?: boolean
}) {
  const path = usePage()
  // the sheet of one of its things belongs to the longest tab that leads there
  const front = tabs
    .filter(({ href }) => path === href || path.startsWith(`${href}/`))
    .reduce<Tab | null>((best, tab) => (best && best.href.length >= tab.href.length ? best : tab), null)
  return (
    <>
      {heading && <h1 className="sr-only">{tabs.find(({ href }) => href === path)?.name ?? label}</h1>}
      <nav aria-label={label} className="tabs -mx-[18px] -mt-3.5 shrink-0 overflow-x-auto px-[18px]">
        {tabs.map(({ href, name, count }) => (
          <Link
            key={href}
            href={href}
            aria-current={path === href ? 'page' : href === front?.href ? 'true' : undefined}
            className={`tab ${tabs.length > MANY ? 'px-2' : ''} ${href === front?.href ? 'tab-active' : ''}`}
          >
            {name}
            {count ? <small className="figures text-base">{count}</small> : null}
          </Link>
        ))}
      </nav>
    </>
  )
}

export const KIT_TABS: readonly Tab[] = [
  { href: '/kit', name: say.jobs },
  { href: '/kit/ahead', name: say.dueList },
  { href: '/kit/carts', name: say.cartsAndRacks },
  { href: '/kit/slots', name: say.slotDisplays },
  { href: '/kit/now', name: say.rush },
  { href: '/kit/shift', name: say.nextShift },
]
export const SETTINGS_TABS: readonly Tab[] = [
  { href: '/settings', name: say.shop },
  { href: '/settings/people', name: say.people },
  { href: '/settings/machines', name: say.machines },
  { href: '/settings/couplings', name: say.couplings },
  { href: '/settings/masters', name: say.masters },
  { href: '/settings/adapters', name: say.adapters },
  { href: '/settings/devices', name: say.devices },
  { href: '/settings/clients', name: say.clients },
  { href: '/settings/import', name: say.importWord },
]
export const PLAN_TABS: readonly Tab[] = [
  { href: '/plan', name: say.today },
  { href: '/plan/magazine', name: say.magazine },
  { href: '/plan/machines', name: say.machines },
  { href: '/plan/what-if', name: say.whatIf },
]
export const RECORDS_TABS: readonly Tab[] = [
  { href: '/records', name: say.records },
  { href: '/records/quality', name: say.quality },
  { href: '/records/wear', name: say.wear },
  { href: '/records/returns', name: say.returns },
  { href: '/records/learned', name: say.learned },
  { href: '/records/study', name: say.study },
  { href: '/records/that-day', name: say.thatDay },
  { href: '/records/watch', name: say.watch },
  { href: '/records/worth', name: say.worth },
]
export const PRACTICE_TABS: readonly Tab[] = [
  { href: '/practice', name: say.tryOut },
  { href: '/practice/lessons', name: say.lessons },
  { href: '/practice/edges', name: say.readTheEdges },
  { href: '/practice/teach', name: say.teaching },
]
export const MEASURE_TABS: readonly Tab[] = [
  { href: '/measure', name: say.tools },
  { href: '/measure/programs', name: say.programs },
  { href: '/measure/masters', name: say.masters },
  { href: '/measure/pictures', name: say.measureFromFiles },
]
export const HANDOVER_TABS: readonly Tab[] = [
  { href: '/hand-over', name: say.tools },
  { href: '/hand-over/labels', name: say.labels },
  { href: '/hand-over/posts', name: say.posts },
  { href: '/hand-over/tag', name: say.readATag },
]
export const LOAD_TABS: readonly Tab[] = [
  { href: '/load', name: say.load },
  { href: '/load/at-machine', name: say.setAtMachine },
  { href: '/load/rules', name: say.rules },
]
export const LIBRARY_TABS: readonly Tab[] = [
  { href: '/library', name: say.parts },
  { href: '/library/tools', name: say.tools },
  { href: '/library/holders', name: say.holders },
  { href: '/library/store', name: say.store },
  { href: '/library/stock', name: say.stock },
  { href: '/library/programs', name: say.programs },
  { href: '/library/steps', name: say.steps },
  { href: '/library/import', name: say.importWord },
]
