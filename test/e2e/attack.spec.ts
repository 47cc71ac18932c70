/** Two thousand requests of all kinds at every route and every action: an answer to each, and nothing broken behind it. */
import { join } from 'node:path'
import { openDatabase } from '@/db/connection'
import { verifyChain } from '@/db/record/read'
import { verifySeals } from '@/db/record/seal'
import { attack, signedIn } from '../support/attack'
import { expect, test } from './room'

const COUNT = 2000
const SEED = 20_261_129

test('every door answers whatever comes, and record, seals and database are whole after it', async ({ room }) => {
  test.setTimeout(1_800_000)
  const done = await attack({ url: room.url, cookie: await signedIn(room.url, 'oda'), count: COUNT, seed: SEED })
  expect(done.broken).toEqual([])
  expect(done.doors).toBeGreaterThan(100)
  const db = openDatabase(join(room.data, 'boulder.sqlite'))
  try {
    expect(db.pragma('integrity_check', { simple: true })).toBe('ok')
    expect(db.pragma('foreign_key_check')).toEqual([])
    expect(verifyChain(db)).toMatchObject({ whole: true })
    expect(verifySeals(db)).toMatchObject({ whole: true })
  } finally {
    db.close()
  }
})
