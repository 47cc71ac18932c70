import {
  around,
  type LimitSet,
  type MeasuringProgram,
  type ProgramStep,
  type SavedMeasurement,
  type ToolMade,
} from '@/core/judge'
import type { Feature } from '@/core/features'
import { clampingOf, partIn } from '@/core/fits'
import { numberOf, type Assembly, type Definition } from '@/core/tool'
import { getAssembly } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { getComponent, getDefinition } from '@/db/library/read'
import { getMachine } from '@/db/machine/read'
import { lastMeasurement } from '@/db/measurement/read'
import { listRecord } from '@/db/record/read'
import { getProgram } from '@/db/program/read'

export interface MeasureSheet {
  readonly assembly: Assembly
  readonly definition: Definition | null
  readonly limits: LimitSet
  /** What is measured: by the definition's program, or freely; the tool itself first. */
  readonly steps: readonly ProgramStep[]
  readonly program: MeasuringProgram | null
  readonly last: SavedMeasurement | null
  /** How it is held and set, for what to do about it. */
  readonly made: ToolMade
  /** The machine it stood in since it was last measured; null when it stood in none. */
  readonly wasIn: string | null
}

export function tolerancesOf(definition: Definition | null): LimitSet {
  if (!definition) return {}
  const { LF, DC, RE, regroundDC } = definition
  return {
    LF: around(LF.nominal, LF.lower, LF.upper),
    // a reground cutter is as good, as far down as its definition says
    DC: { ...around(DC.nominal, DC.lower, DC.upper), ...(regroundDC === undefined ? {} : { min: regroundDC }) },
    ...(RE ? { RE: around(RE.nominal, RE.lower, RE.upper) } : {}),
    // one edge has nothing to run out against: what cannot exist is not judged
    ...(definition.edges > 1
      ? {
          radialRunout: { min: null, max: definition.radialRunoutMax },
          axialRunout: { min: null, max: definition.axialRunoutMax },
        }
      : {}),
  }
}

/** A free measurement asks for everything and judges nothing. */
const featuresOf = (definition: Definition | null): readonly Feature[] => (definition ? definition.measure : ['LF', 'DC', 'RE'])

/** Without a program the tool itself is the only step. */
export const freeSteps = (definition: Definition | null): readonly ProgramStep[] => [
  { name: 'Tool', at: null, features: featuresOf(definition), limits: {} },
]

export function readMeasure(db: Db, serial: string): MeasureSheet | null {
  const assembly = getAssembly(db, serial)
  return assembly && readMeasureOf(db, assembly, lastMeasurement(db, assembly.id))
}

/** The same for any tool there was, with one of its measurements. */
export function readMeasureOf(db: Db, assembly: Assembly, last: SavedMeasurement | null): MeasureSheet {
  const definition = assembly.definition ? getDefinition(db, assembly.definition.id, assembly.definition.version) : null
  const program = definition && getProgram(db, definition.id)
  const steps = program?.steps ?? freeSteps(definition)
  return {
    assembly,
    definition,
    limits: { ...tolerancesOf(definition), ...steps[0].limits },
    steps,
    program,
    last,
    made: madeOf(db, assembly),
    wasIn: last && machineSince(db, assembly.serial, last.at),
  }
}

function madeOf(db: Db, { parts }: Assembly): ToolMade {
  const stack = parts.flatMap(({ component, count }) => {
    const part = getComponent(db, component)
    return part ? [{ component: part, count }] : []
  })
  const cutter = partIn(stack, 'cutter')
  return { clamping: clampingOf(stack), divisionMm: (cutter && numberOf(cutter, 'divisionMm')) ?? null }
}

/** The machine a tool stood in since then, by its name. */
function machineSince(db: Db, serial: string, at: string): string | null {
  const [loaded] = listRecord(db, { serial, what: 'loaded', from: at, limit: 1 })
  return loaded?.machine ? (getMachine(db, loaded.machine)?.name ?? loaded.machine) : null
}
