/** Keeps the ends of record and seals in a file beside the database that is only added to, at most one line a minute. */
import 'server-only'
import { appendFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Db } from '@/db/connection'
import { headLine, headsOf } from '@/db/record/heads'
import { logFault } from './log'

const HEADS_FILE = 'record.heads'
const EVERY_MS = 60_000

export interface HeadKeeper {
  /** Called after anything was written; writes at once, or when the minute is over. */
  wrote(): void
  /** Nothing is written any more: the database is about to be shut. */
  stop(): void
}

export function headKeeper(db: Db, folder: string, now: () => string): HeadKeeper {
  const file = join(folder, HEADS_FILE)
  let kept = ''
  let lastMs = 0
  let timer: NodeJS.Timeout | null = null
  const keep = () => {
    timer = null
    lastMs = Date.now()
    try {
      const heads = headsOf(db)
      const ends = `${heads.record.hash} ${heads.seals.hash}`
      if (ends === kept) return
      appendFileSync(file, headLine(now(), heads))
      kept = ends
    } catch (error) {
      // a disk that is full is told wherever something is saved
      logFault(HEADS_FILE, error)
    }
  }
  return {
    wrote() {
      if (timer) return
      const left = lastMs + EVERY_MS - Date.now()
      if (left <= 0) keep()
      else timer = setTimeout(keep, left).unref()
    },
    stop() {
      if (timer) clearTimeout(timer)
      timer = null
    },
  }
}
