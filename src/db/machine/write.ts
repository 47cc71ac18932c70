import type { Machine } from '@/core/tool'
import type { Db } from '../connection'

export function insertMachine(db: Db, machine: Machine): void {
  db.prepare('INSERT INTO machine (key, body) VALUES (?, ?)').run(machine.key, JSON.stringify(machine))
}

export function insertPost(db: Db, name: string, template: string): void {
  db.prepare('INSERT INTO post (name, template) VALUES (?, ?)').run(name, template)
}
