import type { Scope } from '@/core/tool'
import { prepare, type Tx } from '../connection'

interface NewClient {
  readonly name: string
  readonly scopes: readonly Scope[]
  readonly hash: string
  readonly by: string
  readonly at: string
}

export function insertClient(tx: Tx, { name, scopes, hash, by, at }: NewClient): number {
  const done = prepare(
    tx,
    'INSERT INTO client (name, scopes, hash, made_by, made_at) VALUES (:name, :scopes, :hash, :by, :at)',
  ).run({ name, scopes: JSON.stringify(scopes), hash, by, at })
  return Number(done.lastInsertRowid)
}

/** @returns false where it had ended before */
export const endClient = (tx: Tx, id: number, at: string): boolean =>
  prepare(tx, 'UPDATE client SET ended_at = :at WHERE id = :id AND ended_at IS NULL').run({ id, at }).changes === 1

export function noteUse(tx: Tx, id: number, at: string): void {
  prepare(tx, 'UPDATE client SET used_at = :at WHERE id = :id').run({ id, at })
}
