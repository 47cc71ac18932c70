import type { LengthUnit, Result } from '@/core/units'
import { shopItself, shopVersion } from '@/db/shop/read'
import { putShopItself } from '@/db/shop/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'

export interface ShopNamed {
  readonly shop: string
  readonly unit: LengthUnit
  readonly zone: string
  /** As it was read. */
  readonly version: number
}

/** What the shop is called, in which unit its terminals begin, and in which zone times are told. */
export function putShop(work: Work, { shop, unit, zone, version }: ShopNamed): Result<null, Refusal> {
  const before = shopItself(work.db)
  return write(work, { entry: { code: 'SHOP_NAMED', shop, unit, zone }, before, after: { shop, unit, zone } }, (tx) => {
    must(shopVersion(tx.db) === version, { code: 'CHANGED', what: 'practice' })
    putShopItself(tx.db, { name: shop, unit, zone })
    return null
  })
}
