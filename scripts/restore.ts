/** npm run restore FILE: puts a backup in place of the data folder's content, which is kept aside. Boulder must not run. */
import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { restoreBackup } from '@/runtime/backup'
import { backupSay as say, restoreFaultText } from '@/words/backup'

function stop(text: string, code: number): never {
  console.error(text)
  process.exit(code)
}

const asked = process.argv[2]
if (asked === undefined) stop(say.nameAFile, 2)
const file = resolve(asked)
if (!existsSync(file)) stop(say.noSuchFile(file), 2)
const folder = resolve(process.env.BOULDER_DATA ?? 'data')
const done = await restoreBackup(file, folder, join(import.meta.dirname, '../src/db/migrations'), new Date().toISOString())
if (!done.ok) stop(restoreFaultText(done.error), 1)
const { head, replaced } = done.value
console.log(say.restored(file, head.madeAt, head.heads.record.seq))
if (replaced) console.log(say.replaced(replaced))
console.log(say.startIt)
