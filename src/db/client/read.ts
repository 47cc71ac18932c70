import { SCOPES, type Scope } from '@/core/tool'
import { prepare, type Db } from '../connection'

/** A program that asks by the API; its token itself is known to nobody but the program. */
export interface Client {
  readonly id: number
  readonly name: string
  readonly scopes: readonly Scope[]
  readonly madeAt: string
  readonly madeBy: string
  /** When it last asked, to the hour; null: never. */
  readonly usedAt: string | null
  /** Since then its token is worth nothing. */
  readonly endedAt: string | null
}

const CLIENT = 'SELECT id, name, scopes, made_at AS madeAt, made_by AS madeBy, used_at AS usedAt, ended_at AS endedAt FROM client'

const clientOf = (found: unknown): Client => {
  const row = found as Omit<Client, 'scopes'> & { readonly scopes: string }
  const kept = JSON.parse(row.scopes) as string[]
  return { ...row, scopes: SCOPES.filter((scope) => kept.includes(scope)) }
}

/** Those that may ask, then those that may not any more. */
export const listClients = (db: Db): Client[] =>
  prepare(db, `${CLIENT} ORDER BY ended_at IS NOT NULL, name, id`).all().map(clientOf)

export function getClient(db: Db, id: number): Client | null {
  const found = prepare(db, `${CLIENT} WHERE id = ?`).get(id)
  return found ? clientOf(found) : null
}

/** @param hash of the token. @returns null for one that has ended, too */
export function clientWith(db: Db, hash: string): Client | null {
  const found = prepare(db, `${CLIENT} WHERE hash = ? AND ended_at IS NULL`).get(hash)
  return found ? clientOf(found) : null
}
