/** npm run export FOLDER: everything that a shop has as files that any program reads; Boulder may go on working meanwhile. */
import { existsSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { exportAll } from '@/runtime/export'
import { backupSay as say } from '@/words/backup'
import { version } from '../package.json'

function stop(text: string): never {
  console.error(text)
  process.exit(2)
}

const folder = resolve(process.env.BOULDER_DATA ?? 'data')
if (!existsSync(join(folder, 'boulder.sqlite'))) stop(say.noData(folder))
const asked = process.argv[2]
if (asked === undefined) stop(say.nameAFolder)
const to = resolve(asked)
if (existsSync(to)) stop(say.folderThere(to))
const { tables } = exportAll(folder, to, new Date().toISOString(), version)
const rows = Object.values(tables).reduce((sum, count) => sum + count, 0)
console.log(say.exported(to, Object.keys(tables).length, rows))
