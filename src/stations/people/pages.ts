import type { Db } from '@/db/connection'
import { listClients } from '@/db/client/read'
import { listPersonRows } from '@/db/person/read'
import { isNewShop, shopItself, shopVersion, signInSetting } from '@/db/shop/read'
import type { ClientView, PeopleView } from './contract'

/** Whoever works here, and how they sign in. */
export function readPeople(db: Db): PeopleView {
  const shop = shopItself(db)
  return {
    shop: shop && { shop: shop.name, unit: shop.unit, zone: shop.zone ?? '', version: shopVersion(db) },
    people: listPersonRows(db),
    signIn: signInSetting(db),
  }
}

/** Programs that have, or had, a token. */
export const readClients = (db: Db): readonly ClientView[] =>
  listClients(db).map(({ id, name, scopes, madeAt, usedAt, endedAt }) => ({
    id,
    name,
    scopes,
    madeAt,
    usedAt,
    ended: endedAt !== null,
  }))

/** What the shop is called; null where nobody said. */
export const shopName = (db: Db): string | null => shopItself(db)?.name ?? null
/** Whether nobody has ever worked here: the first run comes before anything else. */
export const isNew = (db: Db): boolean => isNewShop(db)
