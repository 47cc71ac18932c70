import type { Person } from '@/core/tool'
import { prepare, type Db } from '../connection'

export const listPeople = (db: Db): Person[] => prepare(db, 'SELECT id, name, role FROM person ORDER BY name').all() as Person[]

export const getPerson = (db: Db, id: string): Person | null =>
  (prepare(db, 'SELECT id, name, role FROM person WHERE id = ?').get(id) as Person | undefined) ?? null
