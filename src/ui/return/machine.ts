/** What the sheet of Return is in: what next with a tool, what is still missing for it, and which page comes after. Pure. */
import { typedNumber } from '@/core/units'
import type { Disposition } from '@/stations/return/contract'

export interface ReturnForm {
  readonly disposition: Disposition
  readonly reason: string
  /** Minutes cut, as typed. */
  readonly minutes: string
  /** The machine it goes to. */
  readonly to: string
  readonly wear: 'kept' | 'cleared' | null
}

export type ReturnFault = 'MINUTES' | 'REASON' | 'MACHINE' | 'WEAR'

/** Shorter than this says nothing. */
const LEAST_LETTERS = 3

export const minutesOf = (text: string): number => (text.trim() === '' ? 0 : typedNumber(text))

/** Whether it is used again as it is: then its wear has to be decided. */
export const isUsedOn = (disposition: Disposition): boolean => disposition === 'again' || disposition === 'other'

/** What is missing first; null when it may be taken out. */
export function returnFault(form: ReturnForm, worn: boolean): ReturnFault | null {
  const minutes = minutesOf(form.minutes)
  if (!Number.isFinite(minutes) || minutes < 0) return 'MINUTES'
  if (form.reason.trim().length < LEAST_LETTERS) return 'REASON'
  if (form.disposition === 'other' && !form.to) return 'MACHINE'
  return isUsedOn(form.disposition) && worn && !form.wear ? 'WEAR' : null
}

/** The page that comes after: a tool that is used on with corrected wear needs a new hand-over. */
export function pageAfter(disposition: Disposition, serial: string, worn: boolean): string {
  switch (disposition) {
    case 'again':
      return worn ? `/hand-over/${serial}` : `/tools/${serial}`
    case 'other':
      return `/hand-over/${serial}`
    case 'measure':
      return `/measure/${serial}`
    case 'broken':
      return '/kit/now'
    case 'apart':
    case 'scrap':
      return `/tools/${serial}`
  }
}
