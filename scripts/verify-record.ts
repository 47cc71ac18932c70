/**
 * npm run verify-record: says whether the record is whole, whether what nobody may change is as it was written, and whether
 * the ends that were kept outside of the database are still in it. Ends with 1 when anything is not.
 */
import { existsSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { openDatabase } from '@/db/connection'
import { holdsHeads, readHeadLine } from '@/db/record/heads'
import { verifyChain } from '@/db/record/read'
import { verifySeals } from '@/db/record/seal'

const folder = resolve(process.env.BOULDER_DATA ?? 'data')
const file = join(folder, 'boulder.sqlite')
if (!existsSync(file)) {
  console.error(`There is no database at ${file}. Name its folder in BOULDER_DATA.`)
  process.exit(2)
}
const db = openDatabase(file)
if (!db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'seal'").get()) {
  console.error('This database is from an older Boulder. Start Boulder once, then check it again.')
  process.exit(2)
}
const chain = verifyChain(db, (entries) => process.stderr.write(`\r${entries} entries hold so far`))
process.stderr.write('\r')
const faults: string[] = []
if (chain.whole) console.log(`The record is whole: ${chain.entries} entries, head ${chain.head}`)
else {
  const said = { missing: 'is missing', changed: 'was changed', 'not chained': 'has no hash' }[chain.fault]
  faults.push(`The record is not whole: entry ${chain.seq} ${said}.`)
}
const seals = verifySeals(db, (rows) => process.stderr.write(`\r${rows} sealed rows hold so far`))
process.stderr.write('\r')
if (seals.whole) console.log(`Every sealed row is as it was written: ${seals.rows}, head ${seals.head}`)
else {
  const said = { missing: 'is missing', changed: 'was changed', 'not sealed': 'has no seal' }[seals.fault]
  faults.push(`A row that nobody may change is not as it was: ${seals.table} ${seals.id} ${said}.`)
}
const heads = join(folder, 'record.heads')
if (existsSync(heads)) {
  const lines = readFileSync(heads, 'utf8')
    .split('\n')
    .flatMap((line) => readHeadLine(line) ?? [])
  const lost = lines.find((line) => !holdsHeads(db, line))
  if (lost)
    faults.push(
      `The end of the record was cut off or written anew: what stood there at ${lost.at} (entry ${lost.record.seq}) is not there any more.`,
    )
  else console.log(`All ${lines.length} ends that were kept in record.heads are still there.`)
}
db.close()
if (faults.length) {
  for (const fault of faults) console.error(fault)
  process.exit(1)
}
