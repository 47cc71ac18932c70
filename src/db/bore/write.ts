import { prepare, type Tx } from '../connection'
import type { BoreBody, DialBody } from './read'

interface Added {
  readonly assemblyId: number
  readonly head: string
  readonly series: number
  readonly at: string
  readonly personId: string
}

const insert = (
  tx: Tx,
  kind: 'dial' | 'bore',
  { assemblyId, head, series, at, personId }: Added,
  body: DialBody | BoreBody,
): void => {
  prepare(tx, 'INSERT INTO bore_event (assembly_id, head, series, kind, at, person_id, body) VALUES (?, ?, ?, ?, ?, ?, ?)').run(
    assemblyId,
    head,
    series,
    kind,
    at,
    personId,
    JSON.stringify(body),
  )
}

export const insertDial = (tx: Tx, added: Added, body: DialBody): void => insert(tx, 'dial', added, body)
export const insertBore = (tx: Tx, added: Added, body: BoreBody): void => insert(tx, 'bore', added, body)
