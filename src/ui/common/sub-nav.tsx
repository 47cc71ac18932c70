'use client'
import Link from 'next/link'
import { usePathname } from 'next/navigation'

export interface Tab {
  readonly href: string
  readonly name: string
  readonly count?: number
}

/** The sheets of a station or a room, side by side. */
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
  const path = usePathname()
  return (
    <>
      {heading && <h1 className="sr-only">{tabs.find(({ href }) => href === path)?.name ?? label}</h1>}
      <nav aria-label={label} className="border-rule -mx-[18px] -mt-3.5 flex shrink-0 overflow-x-auto border-b px-[18px]">
        {tabs.map(({ href, name, count }) => (
          <Link
            key={href}
            href={href}
            aria-current={path === href ? 'page' : undefined}
            className={`font-head flex h-12 shrink-0 items-center gap-2 px-3.5 text-[19px] font-semibold ${path === href ? 'border-act -mb-px border-b-[3px]' : 'text-soft'}`}
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
  { href: '/kit', name: 'Jobs' },
  { href: '/kit/ahead', name: 'Due list' },
  { href: '/kit/carts', name: 'Carts and racks' },
  { href: '/kit/slots', name: 'Slot displays' },
  { href: '/kit/now', name: 'Rush' },
  { href: '/kit/shift', name: 'Next shift' },
]
export const MEASURE_TABS: readonly Tab[] = [
  { href: '/measure', name: 'Tools' },
  { href: '/measure/programs', name: 'Programs' },
  { href: '/measure/masters', name: 'Masters' },
  { href: '/measure/pictures', name: 'Measure from files' },
]
export const HANDOVER_TABS: readonly Tab[] = [
  { href: '/hand-over', name: 'Tools' },
  { href: '/hand-over/labels', name: 'Labels' },
  { href: '/hand-over/posts', name: 'Posts' },
  { href: '/hand-over/tag', name: 'Read a tag' },
]
export const LOAD_TABS: readonly Tab[] = [
  { href: '/load', name: 'Load' },
  { href: '/load/rules', name: 'Rules' },
]
export const LIBRARY_TABS: readonly Tab[] = [
  { href: '/library', name: 'Parts' },
  { href: '/library/tools', name: 'Tools' },
  { href: '/library/holders', name: 'Holders' },
  { href: '/library/store', name: 'Store' },
  { href: '/library/stock', name: 'Stock' },
  { href: '/library/programs', name: 'Programs' },
  { href: '/library/steps', name: 'Steps' },
  { href: '/library/import', name: 'Import' },
]
