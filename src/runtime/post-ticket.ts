import 'server-only'
import { inTransaction, type Db } from '@/db/connection'
import { getThing } from '@/db/truth/read'
import { putThing } from '@/db/truth/write'
import { makePost, movedPost, sweptPost, type PostTruth, type Readings } from '@/devices/world/post-truth'

const FIRST_SEED = 4711
const nameOf = (machine: string) => `post ${machine}`

function seedOf(machine: string): number {
  let seed = FIRST_SEED
  for (const c of machine) seed = (Math.imul(seed, 31) + c.charCodeAt(0)) >>> 0
  return seed
}

function postOf(db: Db, machine: string): PostTruth {
  const known = getThing(db, nameOf(machine))
  return known === null ? makePost(seedOf(machine)) : (JSON.parse(known) as PostTruth)
}
const keep = (db: Db, machine: string, post: PostTruth) =>
  inTransaction(db, (tx) => putThing(tx, nameOf(machine), JSON.stringify(post)))

/** A hand turns the indicator of a stand-in dial round the bore. */
export function sweepPost(db: Db, machine: string): Readings {
  const { readings, post } = sweptPost(postOf(db, machine), seedOf(machine))
  keep(db, machine, post)
  return readings
}

/** A hand moves the holder on the tool post of a stand-in. */
export function movePost(db: Db, machine: string, axis: 'across' | 'height', byMm: number): void {
  keep(db, machine, movedPost(postOf(db, machine), axis, byMm, seedOf(machine)))
}
