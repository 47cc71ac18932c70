import type { Person } from '@/core/tool'
import type { Db } from '../connection'

export function insertPerson(db: Db, { id, name, role }: Person): void {
  db.prepare('INSERT INTO person (id, name, role) VALUES (?, ?, ?)').run(id, name, role)
}
