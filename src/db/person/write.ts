import type { Person } from '@/core/tool'
import { prepare, type Tx } from '../connection'

export function insertPerson(tx: Tx, { id, name, role }: Person): void {
  prepare(tx, 'INSERT INTO person (id, name, role) VALUES (?, ?, ?)').run(id, name, role)
}
