/** What is said where a backup is made, kept or put back. */
import type { RestoreFault } from '@/core/backup'

export function restoreFaultText(fault: RestoreFault): string {
  switch (fault.code) {
    case 'NOT_A_BACKUP':
      return 'This file is no backup of Boulder.'
    case 'LATER_FORMAT':
      return 'This backup was made by a later Boulder. Install that one, then restore it.'
    case 'CUT_OFF':
      return 'This backup is not whole: its end is missing. Copy it again, or take another one.'
    case 'CHANGED':
      return 'This backup is damaged: what is in it is not what was put in. Copy it again, or take another one.'
    case 'FOREIGN_FILE':
      return `This backup holds a file that does not belong there: ${fault.name}`
    case 'IN_USE':
      return 'Boulder is running on this data folder. Stop it, then restore.'
    case 'OTHER_DATABASE':
      return 'The database in this backup is broken, or not the one that was backed up. Take another backup.'
    case 'LATER_SCHEMA':
      return `This backup comes from a later Boulder (${fault.migration}). Install that one, then restore it.`
  }
}

export const backupSay = {
  made: (file: string, size: string, files: number, entries: number) =>
    `Backup: ${file} (${size}, ${files} files). The record in it ends with entry ${entries}.`,
  noData: (folder: string) => `There is no database in ${folder}. Name the data folder in BOULDER_DATA.`,
  nameAFile: 'Say which backup to restore: npm run restore FILE',
  noSuchFile: (file: string) => `There is no file ${file}.`,
  restored: (file: string, madeAt: string, entries: number) =>
    `Restored ${file}, made on ${madeAt}. The record ends with entry ${entries}.`,
  replaced: (folder: string) => `What was there before lies in ${folder}. Delete it once you are sure.`,
  nameAFolder: 'Say where to: npm run export FOLDER',
  folderThere: (folder: string) => `There is something at ${folder} already. Name a folder that is not there yet.`,
  exported: (folder: string, tables: number, rows: number) =>
    `Exported to ${folder}: ${tables} tables with ${rows} rows, pictures and drawings.`,
  startIt: 'Start Boulder again, and look whether everything is there.',
}
