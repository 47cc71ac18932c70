import type { NextRequest } from 'next/server'
import { schemaVersion } from '@/stations/reads'
import { storageFault } from '@/stations/storage'
import { dataFolder, freeBytes, storageState, theShop } from '@/runtime'
import { logFault } from '@/runtime/log'
import { watchRecord } from '../../_server/watch-record'
import { watchSnapshots } from '../../_server/watch-snapshots'
import { whoEnters } from '../_api/guard'
import { problem } from '../_api/problem'
import { refused } from '../_api/refused'
import version from '../../../../package.json'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

/** Answers once the database does, and says why nothing can be saved; to whoever may come in also how its copies stand. */
export function GET(request: NextRequest): Response {
  try {
    const schema = schemaVersion(theShop().db)
    const fault = storageState(dataFolder())
    if (fault) return refused({ code: fault })
    const said = { status: 'ok', schema, version: version.version }
    return Response.json(whoEnters(request) ? { ...said, ...more() } : said)
  } catch (error) {
    const fault = storageFault(error)
    if (fault) return refused({ code: fault })
    logFault('health', error)
    return problem(500, 'INTERNAL', say.theDatabaseDoesNotAnswer)
  }
}

function more() {
  const shop = theShop()
  const [copy] = shop.snapshots.list().filter(({ before }) => before === null)
  const { last } = watchRecord(shop)
  return {
    freeBytes: freeBytes(dataFolder()),
    copy: copy ? { at: new Date(copy.atMs).toISOString(), bytes: copy.bytes } : null,
    copyFault: watchSnapshots(shop).fault,
    record: last ? { whole: last.chain.whole && last.seals.whole, at: last.at } : null,
  }
}
