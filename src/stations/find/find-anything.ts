import { listAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { listJobs } from '@/db/job/read'
import { listDefinitions, listHolderPage, listHolderTypes } from '@/db/library/read'
import { listMachines } from '@/db/machine/read'
import { readParts } from '../library/parts-list'
import type { Found, FoundKind } from './contract'

/** Most that are told of one kind: whoever sees more of them does not look through them, but types another letter. */
const MOST = 6

/** @param words all of them must stand in the number or the name, anywhere, in any case */
export function findAnything(db: Db, words: string): Found[] {
  const asked = words.toLowerCase().split(/\s+/).filter(Boolean)
  if (asked.length === 0) return []
  const some = <T>(kind: FoundKind, all: readonly T[], one: (item: T) => Omit<Found, 'kind'>): Found[] =>
    all
      .map((item) => ({ kind, ...one(item) }))
      .filter(({ id, name }) => asked.every((word) => `${id} ${name}`.toLowerCase().includes(word)))
      .slice(0, MOST)
  const at = encodeURIComponent
  const types = listHolderTypes(db)
  return [
    ...some('tool', listAssemblies(db), ({ serial, t, name, machine }) => ({
      id: serial,
      name: [t === null ? '' : `T${t}`, name, machine ?? ''].filter(Boolean).join(' '),
      href: `/tools/${at(serial)}`,
    })),
    ...some('job', listJobs(db), ({ id, name, machine }) => ({ id, name: `${name} ${machine}`, href: `/kit/${at(id)}` })),
    ...some('machine', listMachines(db), ({ key, name }) => ({ id: key, name, href: `/load?machine=${at(key)}` })),
    ...some('definition', listDefinitions(db), ({ id, t, name }) => ({
      id,
      name: `T${t} ${name}`,
      href: `/library/tools/${at(id)}`,
    })),
    ...some('part', readParts(db, { words, count: MOST }).rows, ({ id, name }) => ({
      id,
      name,
      href: `/library/parts/${at(id)}`,
    })),
    // the database has looked for the words of their types
    ...listHolderPage(db, { words: asked, limit: MOST }).map(({ serial, component, coupling }): Found => ({
      kind: 'holder',
      id: serial,
      name: types.get(component ?? '')?.name ?? coupling,
      href: `/tools/${at(serial)}`,
    })),
  ]
}
