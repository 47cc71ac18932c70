import type { Machine } from '@/core/tool'
import type { Db } from '../connection'

export function insertMachine(db: Db, machine: Machine): void {
  db.prepare('INSERT INTO machine (key, body) VALUES (?, ?)').run(machine.key, JSON.stringify(machine))
}

export function insertPost(db: Db, name: string, template: string): void {
  db.prepare('INSERT INTO post (name, template) VALUES (?, ?)').run(name, template)
}

/** A shop's own post, new or changed. */
export function putPost(db: Db, name: string, template: string): void {
  db.prepare('INSERT INTO post (name, template) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET template = excluded.template').run(
    name,
    template,
  )
}

export function updateMachine(db: Db, machine: Machine): void {
  db.prepare('UPDATE machine SET body = ? WHERE key = ?').run(JSON.stringify(machine), machine.key)
}
