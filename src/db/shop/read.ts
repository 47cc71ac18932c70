import { ASK_AGAIN_MIN, STAY_HOURS } from '@/core/tool'
import type { LengthUnit } from '@/core/units'
import { prepare, type Db } from '../connection'

/** Whether a badge, or a tap on a name, is enough to sign in for whoever has no PIN. */
export interface SignInSetting {
  readonly badgeAlone: boolean
  /** Minutes without anything done at a terminal after which what writes to a machine asks who is there; 0: never. */
  readonly askAgainMin: number
  /** Hours without anything done after which nobody is signed in at a terminal any more; 0: it stays. */
  readonly stayHours: number
}

/** @returns version 0 where nothing was decided yet: a PIN is asked for */
export function signInSetting(db: Db): SignInSetting & { readonly version: number } {
  const row = prepare(db, "SELECT body, version FROM shop_setting WHERE name = 'sign-in'").get() as
    { body: string; version: number } | undefined
  const standard: SignInSetting = { badgeAlone: false, askAgainMin: ASK_AGAIN_MIN, stayHours: STAY_HOURS }
  return { ...standard, ...(row ? (JSON.parse(row.body) as Partial<SignInSetting>) : {}), version: row?.version ?? 0 }
}

/** What the shop is called, and in which unit a terminal begins. */
export interface ShopItself {
  readonly name: string
  readonly unit: LengthUnit
  /** IANA name; empty or left out: as the computer has it. */
  readonly zone?: string
}

/** null before the first run, and in a demo whose name comes from outside */
export function shopItself(db: Db): ShopItself | null {
  const row = prepare(db, "SELECT body FROM shop_setting WHERE name = 'shop'").get() as { body: string } | undefined
  return row ? (JSON.parse(row.body) as ShopItself) : null
}

/** @returns 0 where nobody said yet what the shop is called */
export const shopVersion = (db: Db): number =>
  (prepare(db, "SELECT version FROM shop_setting WHERE name = 'shop'").get() as { version: number } | undefined)?.version ?? 0

/** Whether nobody has ever worked here. */
export const isNewShop = (db: Db): boolean => prepare(db, 'SELECT 1 FROM person LIMIT 1').get() === undefined
