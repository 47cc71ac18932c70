/** Puts faults into the world of a practice room: on its tools, on the zero of its bench, on the time. */
import 'server-only'
import { seededRandom } from '@/core/numeric'
import type { Definition } from '@/core/tool'
import { getAssembly } from '@/db/assembly/read'
import { inTransaction } from '@/db/connection'
import { getDefinition } from '@/db/library/read'
import { putThing, putTicket } from '@/db/truth/write'
import { planted, sound, WORLD_FAULTS, type WorldFault } from '@/devices/world/planted'
import { fromTicket, toTicket, type ToolTruth } from '@/devices/world/tool-truth'
import { benchTicket, PLANTED_ZERO } from './bench-ticket'
import type { Shop } from './shop'

/** Smallest and largest that is planted, mm; rad for a lean. Lengths and diameters go past what is allowed by so many times it. */
const SIZES: Readonly<Record<Exclude<WorldFault, 'LENGTH_NOT_SET' | 'WRONG_CUTTER' | 'OTHER_NOSE'>, readonly [number, number]>> =
  {
    OFF_CENTRE: [0.015, 0.04],
    TILTED: [0.12e-3, 0.3e-3],
    EDGE_HIGH: [0.018, 0.05],
    EDGE_LOW: [0.018, 0.05],
    WORN: [0.025, 0.05],
    CREPT: [0.08, 0.6],
    CHIP_ON_EDGE: [0.05, 0.1],
  }
const [ZERO_LEAST_MM, ZERO_MOST_MM] = [0.012, 0.04]
const between = ([least, most]: readonly [number, number], size: number) => least * (most / least) ** size

function amountOf(fault: WorldFault, { LF, DC, RE }: Definition, size: number): number {
  switch (fault) {
    case 'LENGTH_NOT_SET':
      return (2 + 4 * size) * LF.upper
    case 'WRONG_CUTTER':
      return Math.max(0.5, 4 * DC.upper)
    case 'OTHER_NOSE':
      return (RE?.nominal ?? 1) / 2
    default:
      return between(SIZES[fault], size)
  }
}

/** What a lesson may do to the world of its room. */
export function planterOf({ db, clock }: Shop) {
  const change = (serial: string, make: (truth: ToolTruth, definition: Definition) => ToolTruth) => {
    const assembly = getAssembly(db, serial)
    const definition = assembly?.definition && getDefinition(db, assembly.definition.id, assembly.definition.version)
    if (!assembly || !definition) throw new Error(`no tool with a definition on ${serial}`)
    const ticket = toTicket(make(fromTicket(benchTicket(db, assembly)), definition))
    inTransaction(db, (tx) => putTicket(tx, assembly.id, ticket))
  }
  const sized = (truth: ToolTruth, { LF, DC }: Definition) => sound(truth, { LF: LF.nominal, DC: DC.nominal })
  return {
    sound: (serial: string) => change(serial, sized),
    onTool: (serial: string, faults: readonly string[], size: number, seed: number) => {
      const known = WORLD_FAULTS.filter((one) => faults.includes(one))
      change(serial, (truth, definition) =>
        known.reduce(
          (tool, fault, i) => planted(tool, fault, amountOf(fault, definition, size), seed + i),
          sized(truth, definition),
        ),
      )
    },
    moveZero: (size: number, seed: number) => {
      const { uniform } = seededRandom(seed)
      const by = (uniform() < 0.5 ? -1 : 1) * between([ZERO_LEAST_MM, ZERO_MOST_MM], size)
      inTransaction(db, (tx) => putThing(tx, PLANTED_ZERO, JSON.stringify(uniform() < 0.5 ? { x: by, z: 0 } : { x: 0, z: by })))
    },
    letTimePass: (hours: number) => clock.forward?.(3_600_000 * hours),
  }
}
