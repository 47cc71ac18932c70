import { prepare, type Tx } from '../connection'
import type { ShopItself, SignInSetting } from './read'

/** @param version as it was read; 0: nothing was decided. @returns false when somebody else was first */
export function putSignInSetting(tx: Tx, { badgeAlone, askAgainMin, stayHours }: SignInSetting, version: number): boolean {
  const done = prepare(
    tx,
    `INSERT INTO shop_setting (name, body) VALUES ('sign-in', :body)
     ON CONFLICT (name) DO UPDATE SET body = excluded.body, version = version + 1 WHERE version = :version`,
  ).run({ body: JSON.stringify({ badgeAlone, askAgainMin, stayHours }), version })
  return done.changes === 1
}

export function putShopItself(tx: Tx, shop: ShopItself): void {
  prepare(
    tx,
    `INSERT INTO shop_setting (name, body) VALUES ('shop', :body)
     ON CONFLICT (name) DO UPDATE SET body = excluded.body, version = version + 1`,
  ).run({ body: JSON.stringify(shop) })
}
