/** The log of faults of our own: so many a minute in full, the rest counted, so that nobody can fill a disk with it. */
const MOST_A_MINUTE = 20
const held = globalThis as { boulderLog?: { minute: number; told: number; kept: number } }

const oneLine = (text: string) => text.replace(/[\u0000-\u001f\u007f]/g, ' ').slice(0, 200)

/** @param where path or sentence */
export function logFault(where: string, error: unknown): void {
  const minute = Math.floor(Date.now() / 60_000)
  const log = (held.boulderLog ??= { minute, told: 0, kept: 0 })
  if (log.minute !== minute) {
    if (log.kept) console.error(`${log.kept} more faults in that minute are not shown.`)
    Object.assign(log, { minute, told: 0, kept: 0 })
  }
  if (log.told++ < MOST_A_MINUTE) console.error(oneLine(where), error)
  else log.kept++
}
