import { ASK_AGAIN_MIN, STAY_HOURS, isWeakPin, type Person } from '@/core/tool'
import { fail, type LengthUnit, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { insertPerson, putPinHash } from '@/db/person/write'
import { turnSession } from '@/db/session/write'
import { isNewShop } from '@/db/shop/read'
import { putShopItself, putSignInSetting } from '@/db/shop/write'
import type { Refusal } from '../refusals'
import { must, write } from '../write'
import type { PinKeeper } from './sign-in'

interface Begin {
  readonly code: string
  readonly shop: string
  readonly unit: LengthUnit
  readonly zone: string
  readonly id: string
  readonly name: string
  readonly pin: string
  readonly sessionId: string
  readonly newSessionId: string
}

/**
 * The first run: whoever reads the code in the window in which Boulder was started becomes the first administrator, and nobody else
 * on the network.
 */
export async function beginShop(
  {
    db,
    now,
    pins,
    isFirstCode,
  }: { readonly db: Db; readonly now: string; readonly pins: PinKeeper; readonly isFirstCode: (code: string) => boolean },
  { code, shop, unit, zone, id, name, pin, sessionId, newSessionId }: Begin,
): Promise<Result<{ readonly id: string }, Refusal>> {
  if (!isNewShop(db)) return fail({ code: 'NOT_NEW' })
  if (!isFirstCode(code)) return fail({ code: 'WRONG_CODE' })
  if (isWeakPin(pin)) return fail({ code: 'WEAK_PIN' })
  const hash = await pins.hash(pin)
  const person: Person = { id, name, role: 'administrator' }
  return write({ db, now, person }, { entry: { code: 'SHOP_BEGUN', shop, name } }, (tx) => {
    must(isNewShop(tx.db), { code: 'NOT_NEW' })
    insertPerson(tx.db, person)
    putPinHash(tx.db, id, hash)
    putShopItself(tx.db, { name: shop, unit, zone })
    must(putSignInSetting(tx.db, { badgeAlone: false, askAgainMin: ASK_AGAIN_MIN, stayHours: STAY_HOURS }, 0), {
      code: 'NOT_NEW',
    })
    turnSession(tx.db, sessionId, newSessionId, id, now)
    return { id }
  })
}
