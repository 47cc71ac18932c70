import { join, resolve } from 'node:path'

/** Where everything that belongs to this tool room is kept. */
export const dataFolder = (): string => resolve(/*turbopackIgnore: true*/ process.env.BOULDER_DATA ?? './data')

/** Where copies are kept: best on another disk. */
export const backupsFolder = (folder: string): string =>
  process.env.BOULDER_BACKUPS ? resolve(/*turbopackIgnore: true*/ process.env.BOULDER_BACKUPS) : join(folder, 'backups')
