/** What this process is started with, and the shop that it opens. */
import 'server-only'
import { join } from 'node:path'
import { backupsFolder, dataFolder } from './data-folder'
import { drawFirstLabel } from './label-fonts'
import { openShop, type Shop } from './shop'

export { DRAWING_TYPES, type DrawingType } from './folders'
export { labelFonts } from './label-fonts'
export { freeBytes, storageState } from './storage-state'
export { clearRoom, isPracticeReady, practiceRoom } from './practice'
export { PRACTICE_HEADER } from './practice-header'
export type { Shop } from './shop'
export { dataFolder }

const held = globalThis as { boulderShop?: Shop }

/** The shop of this process: one database handle, one set of drivers. */
export function theShop(): Shop {
  if (!held.boulderShop) setImmediate(drawFirstLabel)
  return (held.boulderShop ??= openShop({
    folder: dataFolder(),
    backups: backupsFolder(dataFolder()),
    control: process.env.BOULDER_CONTROL ?? `http://127.0.0.1:${Number(process.env.PORT ?? 3000) + 1}`,
    lineBench: process.env.BOULDER_LINE_BENCH || null,
    standIns: process.env.BOULDER_STANDINS === '1',
    realTime: process.env.BOULDER_REAL_TIME === '1',
    migrations: join(process.cwd(), 'src/db/migrations'),
  }))
}
