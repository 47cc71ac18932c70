import type { Scope } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { clientWith, getClient, type Client } from '@/db/client/read'
import { endClient as end, insertClient, noteUse } from '@/db/client/write'
import { inTransaction, type Db } from '@/db/connection'
import { storageFault } from '../storage'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'

/** A program may ask from now on. @param secret its new token, and what is kept of it */
export function makeClient(
  work: Work,
  secret: { readonly token: string; readonly hash: string },
  { name, scopes }: { readonly name: string; readonly scopes: readonly Scope[] },
): Result<{ readonly token: string }, Refusal> {
  return write(work, { entry: { code: 'CLIENT_MADE', name, scopes } }, (tx) => {
    insertClient(tx.db, { name, scopes, hash: secret.hash, by: tx.person.id, at: tx.now })
    return { token: secret.token }
  })
}

/** A program may not ask any more, from its next question on. */
export function endClient(work: Work, id: number): Result<null, Refusal> {
  const client = getClient(work.db, id)
  if (!client) return fail({ code: 'UNKNOWN_CLIENT' })
  return write(work, { entry: { code: 'CLIENT_ENDED', name: client.name } }, (tx) => {
    must(end(tx.db, id, tx.now), { code: 'UNKNOWN_CLIENT' })
    return null
  })
}

const HOUR_MS = 3_600_000

/** Who asks with this token; null: nobody who may. Notes once an hour that it was used. */
export function clientOf(db: Db, hash: string, now: string): Client | null {
  const client = clientWith(db, hash)
  if (client && Date.parse(now) - Date.parse(client.usedAt ?? '1970-01-01') > HOUR_MS) {
    try {
      inTransaction(db, (tx) => noteUse(tx, client.id, now))
    } catch (error) {
      // a question is answered all the same
      if (!storageFault(error)) throw error
    }
  }
  return client
}
