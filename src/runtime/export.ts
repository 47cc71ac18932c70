/** Everything that a shop has as files that any program reads: a folder of JSON lines, pictures and drawings. */
import 'server-only'
import { closeSync, cpSync, existsSync, mkdirSync, openSync, writeFileSync, writeSync } from 'node:fs'
import { join } from 'node:path'
import { atOneMoment } from '@/db/export'

/** Rows that are written at once. */
const TOGETHER = 500
const FILES = ['evidence', 'drawings'] as const

export interface Exported {
  /** Rows of each table. */
  readonly tables: Readonly<Record<string, number>>
}

/**
 * @param folder data folder, in which a server may be at work: all tables are as they were at one moment
 * @param to a folder that is not there yet
 * @throws what the disk says
 */
export function exportAll(folder: string, to: string, now: string, program: string): Exported {
  mkdirSync(join(to, 'tables'), { recursive: true })
  const tables: Record<string, number> = {}
  atOneMoment(join(folder, 'boulder.sqlite'), (all) => {
    for (const { name, rows } of all) {
      const file = openSync(join(to, 'tables', `${name}.jsonl`), 'wx')
      try {
        tables[name] = 0
        let lines: string[] = []
        const flush = () => {
          if (lines.length) writeSync(file, `${lines.join('\n')}\n`)
          tables[name] += lines.length
          lines = []
        }
        for (const row of rows()) if (lines.push(JSON.stringify(row)) >= TOGETHER) flush()
        flush()
      } finally {
        closeSync(file)
      }
    }
  })
  for (const name of FILES) if (existsSync(join(folder, name))) cpSync(join(folder, name), join(to, name), { recursive: true })
  const about = { format: 'boulder-export', version: 1, madeAt: now, program, tables }
  writeFileSync(join(to, 'export.json'), `${JSON.stringify(about, null, 2)}\n`)
  return { tables }
}
