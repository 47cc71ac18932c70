/** npm run verify-record: says whether the record is whole, and where it is not. Ends with 1 when it is not. */
import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { openDatabase } from '@/db/connection'
import { verifyChain } from '@/db/record/read'

const file = join(resolve(process.env.BOULDER_DATA ?? 'data'), 'boulder.sqlite')
if (!existsSync(file)) {
  console.error(`There is no database at ${file}. Name its folder in BOULDER_DATA.`)
  process.exit(2)
}
const db = openDatabase(file)
const chain = verifyChain(db, (entries) => process.stderr.write(`\r${entries} entries hold so far`))
db.close()
process.stderr.write('\r')
if (chain.whole) console.log(`The record is whole: ${chain.entries} entries, head ${chain.head}`)
else {
  console.error(
    `The record is not whole: entry ${chain.seq} ${chain.fault === 'missing' ? 'is missing' : chain.fault === 'changed' ? 'was changed' : 'has no hash'}.`,
  )
  process.exit(1)
}
