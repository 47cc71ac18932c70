/** The log: one line of JSON for whatever was asked and done, and for faults of our own. It tells no PIN, token or figure. */
import 'server-only'
import { randomUUID } from 'node:crypto'
import pino from 'pino'

/** Faults that are told in full in a minute; the rest is counted, so that nobody can fill a disk with them. */
const MOST_A_MINUTE = 20
const held = globalThis as { boulderLog?: { minute: number; told: number; kept: number }; boulderLogger?: pino.Logger }

/** `BOULDER_LOG` is `info` (everything), `warn` (faults alone) or `silent`. */
const logger = (): pino.Logger =>
  (held.boulderLogger ??= pino(
    {
      level: ['info', 'warn', 'silent'].find((level) => level === process.env.BOULDER_LOG) ?? 'info',
      base: undefined,
      timestamp: pino.stdTimeFunctions.isoTime,
    },
    pino.destination({ fd: 2, sync: true }),
  ))

const oneLine = (text: string) => text.replace(/[\u0000-\u001f\u007f]/g, ' ').slice(0, 200)

/** What was asked and how it ended. */
export interface Asked {
  readonly verb?: string
  readonly route?: string
  readonly method?: string
  /** Who is signed in, or which program asked. */
  readonly who: string | null
  /** `ok`, the code of a refusal, or the status of an answer. */
  readonly end: string | number
}

/** Begins to take the time of a request. @returns to be called at its end */
export function logged(): (asked: Asked) => void {
  const request = randomUUID()
  const from = performance.now()
  return ({ verb, route, method, who, end }) =>
    logger().info({ request, verb, method, route: route && oneLine(route), who, end, ms: Math.round(performance.now() - from) })
}

/** @param where path or sentence */
export function logFault(where: string, error: unknown): void {
  const minute = Math.floor(Date.now() / 60_000)
  const log = (held.boulderLog ??= { minute, told: 0, kept: 0 })
  if (log.minute !== minute) {
    if (log.kept) logger().error(`${log.kept} more faults in that minute are not shown.`)
    Object.assign(log, { minute, told: 0, kept: 0 })
  }
  if (log.told++ < MOST_A_MINUTE) logger().error({ where: oneLine(where), err: error })
  else log.kept++
}
