import type { Machine } from '@/core/tool'
import { prepare, type Tx } from '../connection'
import type { PostRead } from './read'

/** The version has a column of its own. */
const bodyOf = (machine: Machine): string => JSON.stringify({ ...machine, version: undefined })

export function insertMachine(tx: Tx, machine: Machine): void {
  prepare(tx, 'INSERT INTO machine (key, body) VALUES (?, ?)').run(machine.key, bodyOf(machine))
}

export function insertPost(tx: Tx, name: string, template: string): void {
  prepare(tx, 'INSERT INTO post (name, template) VALUES (?, ?)').run(name, template)
}

/** A changed post. @returns false when somebody else has changed it since */
export const updatePost = (tx: Tx, asRead: PostRead, template: string): boolean =>
  prepare(tx, 'UPDATE post SET template = ?, version = version + 1 WHERE name = ? AND version = ?').run(
    template,
    asRead.name,
    asRead.version,
  ).changes === 1

/** @returns false when somebody else has changed it since it was read */
export const retireMachine = (tx: Tx, { key, version }: Machine, retired: boolean): boolean =>
  prepare(tx, 'UPDATE machine SET retired = ?, version = version + 1 WHERE key = ? AND version = ?').run(
    retired ? 1 : 0,
    key,
    version,
  ).changes === 1

/** @returns false when somebody else has changed it since it was read */
export const updateMachine = (tx: Tx, asRead: Machine, change: Partial<Machine>): boolean =>
  prepare(tx, 'UPDATE machine SET body = ?, version = version + 1 WHERE key = ? AND version = ?').run(
    bodyOf({ ...asRead, ...change }),
    asRead.key,
    asRead.version,
  ).changes === 1
