import type { HookEvent } from '@/core/tool'
import type { Entry } from '../entries'
import { outerCode } from '../refusals'

/** What other programs are told of an entry; null where it is nothing to them. */
export function toldOutside(entry: Entry): { readonly event: HookEvent; readonly data: object } | null {
  switch (entry.code) {
    case 'RELEASED':
      return { event: 'released', data: { issue: entry.issue } }
    case 'LOADED':
      return { event: 'loaded', data: { issue: entry.issue, pocket: entry.pocket } }
    case 'UNLOADED':
      return { event: 'returned', data: { pocket: entry.pocket, disposition: entry.disposition } }
    case 'REFUSED':
      return { event: 'refused', data: { where: entry.where, why: outerCode(entry.refusal) } }
    default:
      return null
  }
}
