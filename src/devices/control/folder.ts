/**
 * A control that takes its files from a folder, and writes its offset table back into it as `table.csv`. Somebody runs the file at
 * the machine: an order is done when a table is there that is younger than its file.
 */
import { createHash } from 'node:crypto'
import { readFileSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { readOffsetTable } from '@/codecs/offset-table-csv'
import { SILENT, type MachineState } from '@/core/load'
import { fail, ok, type Result } from '@/core/units'
import type { Control, ControlError, ControlTable } from './port'

/** An older table says what the control held then. */
export const FRESH_MS = 10 * 60_000
const LOOK_MS = 200

interface FolderRoom {
  readonly folder: string
  /** Puts a whole file there or none, and has it on the disk. */
  readonly put: (path: string, text: string) => void
  /** Runs a file on an empty table. */
  readonly tryFile: (text: string) => Promise<Result<ControlTable, ControlError>>
  /** What else is known of the machine; left out: nothing. */
  readonly state?: () => Promise<Result<MachineState, ControlError>>
  /** How long an order waits for the table. */
  readonly waitMs: number
  readonly nowMs: () => number
}

/** When a file was written; null where it is not there. */
function writtenMs(file: string): number | null {
  const found = statSync(file, { throwIfNoEntry: false })
  return found ? found.mtimeMs : null
}

export function folderControl({ folder, put, tryFile, state, waitMs, nowMs }: FolderRoom): Control {
  const tableFile = join(folder, 'table.csv')
  const read = (): Result<ControlTable, ControlError> => {
    const table = readOffsetTable(readFileSync(tableFile, 'utf8'))
    return table.ok ? table : fail({ code: 'BAD_TABLE', fault: table.error })
  }
  const told = state ?? (() => Promise.resolve(ok(SILENT)))
  return {
    table: () => {
      const at = writtenMs(tableFile)
      if (at === null) return Promise.resolve(fail({ code: 'NO_TABLE' }))
      if (nowMs() - at > FRESH_MS) return Promise.resolve(fail({ code: 'OLD_TABLE', at: new Date(at).toISOString() }))
      return Promise.resolve(read())
    },
    tryFile: (_machine, text) => tryFile(text),
    run: async (_machine, text) => {
      const name = `offsets-${createHash('sha256').update(text).digest('hex').slice(0, 8)}.nc`
      const file = join(folder, name)
      let sentMs = writtenMs(file)
      if (sentMs === null) {
        put(file, text)
        sentMs = writtenMs(file) ?? nowMs()
      }
      for (let left = waitMs; ; left -= LOOK_MS) {
        const at = writtenMs(tableFile)
        if (at !== null && at > sentMs) {
          const table = read()
          // the order is done: nobody shall run it once more
          if (table.ok) rmSync(file, { force: true })
          return table
        }
        if (left <= 0) return fail({ code: 'WAITS', file: name })
        await new Promise((later) => setTimeout(later, LOOK_MS))
      }
    },
    state: told,
    // it has no list that could be written: people put tools where they say
    turnTo: told,
    assign: told,
  }
}
