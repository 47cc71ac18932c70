/** npm run backup [FILE]: everything that a shop keeps, as one file; Boulder may go on working meanwhile. */
import { existsSync, statSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { makeBackup } from '@/runtime/backup'
import { backupsFolder } from '@/runtime/data-folder'
import { backupSay as say } from '@/words/backup'
import { version } from '../package.json'

const folder = resolve(process.env.BOULDER_DATA ?? 'data')
if (!existsSync(join(folder, 'boulder.sqlite'))) {
  console.error(say.noData(folder))
  process.exit(2)
}
const now = new Date().toISOString()
const asked = process.argv[2] === undefined ? backupsFolder(folder) : resolve(process.argv[2])
const name = `boulder-${now.slice(0, 19).replace(/:/g, '-')}.tar`
const isFolder = process.argv[2] === undefined || (existsSync(asked) && statSync(asked).isDirectory())
const { file, bytes, files, head } = await makeBackup(folder, isFolder ? join(asked, name) : asked, now, version)
console.log(say.made(file, `${(bytes / 1e6).toFixed(1)} MB`, files, head.heads.record.seq))
