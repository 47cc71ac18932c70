/** Who measures which tool next in a study of the bench, so that nobody measures the same one twice in a row. */
import { seededRandom } from '../numeric'

export interface Turn {
  readonly person: string
  readonly serial: string
  /** From 1. */
  readonly repeat: number
}

/** Every turn of a study in an order of chance: each repeat through all tools by all people before the next one begins. */
export function turnsOf(
  {
    people,
    serials,
    repeats,
  }: { readonly people: readonly string[]; readonly serials: readonly string[]; readonly repeats: number },
  seed: number,
): Turn[] {
  const { uniform } = seededRandom(seed)
  const shuffled = <T>(all: readonly T[]): T[] => {
    const left = [...all]
    for (let i = left.length - 1; i > 0; i--) {
      const j = Math.min(i, Math.floor(uniform() * (i + 1)))
      ;[left[i], left[j]] = [left[j], left[i]]
    }
    return left
  }
  return Array.from({ length: repeats }, (_, k) =>
    shuffled(people).flatMap((person) => shuffled(serials).map((serial): Turn => ({ person, serial, repeat: k + 1 }))),
  ).flat()
}

export interface Reading {
  readonly person: string
  readonly serial: string
  readonly value: number
}

/** The next turn that has no reading yet; null when all have theirs. @param readings in the order in which they were made */
export function nextTurn(turns: readonly Turn[], readings: readonly Reading[]): Turn | null {
  const count = (t: Turn) => readings.filter((r) => r.person === t.person && r.serial === t.serial).length
  return turns.find((turn) => count(turn) < turn.repeat) ?? null
}

/** [person][tool][repeat] as a study of variance wants them; null while some are missing. */
export function tableOfReadings(
  {
    people,
    serials,
    repeats,
  }: { readonly people: readonly string[]; readonly serials: readonly string[]; readonly repeats: number },
  readings: readonly Reading[],
): number[][][] | null {
  const table = people.map((person) =>
    serials.map((serial) =>
      readings
        .filter((r) => r.person === person && r.serial === serial)
        .slice(0, repeats)
        .map((r) => r.value),
    ),
  )
  return table.every((tools) => tools.every((values) => values.length === repeats)) ? table : null
}
