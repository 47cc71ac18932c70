import { warmExcessMm } from '@/core/clamp'
import { around, USUAL_BENCH, type BenchUncertainty, type Feature, type LimitSet, type SavedMeasurement } from '@/core/measure'
import type { Assembly, Definition } from '@/core/tool'
import { getAssembly } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { getDefinition } from '@/db/library/read'
import { lastMeasurement } from '@/db/measurement/read'

export interface MeasureSheet {
  readonly assembly: Assembly
  readonly definition: Definition | null
  readonly limits: LimitSet
  readonly features: readonly Feature[]
  readonly last: SavedMeasurement | null
  readonly bench: BenchUncertainty
}

export function limitsOf(definition: Definition | null): LimitSet {
  if (!definition) return {}
  const { LF, DC, RE } = definition
  return {
    LF: around(LF.nominal, LF.lower, LF.upper),
    DC: around(DC.nominal, DC.lower, DC.upper),
    ...(RE ? { RE: around(RE.nominal, RE.lower, RE.upper) } : {}),
    radialRunout: { min: null, max: definition.radialRunoutMax },
    axialRunout: { min: null, max: definition.axialRunoutMax },
  }
}

/** A free measurement asks for everything and judges nothing. */
export const featuresOf = (definition: Definition | null): readonly Feature[] => (definition && !definition.RE ? ['LF', 'DC'] : ['LF', 'DC', 'RE'])

/** What the bench knows of itself, and how warm this tool may still be. */
export function benchFor({ heat }: Assembly, now: string): BenchUncertainty {
  if (!heat) return USUAL_BENCH
  const seconds = (Date.parse(now) - Date.parse(heat.endedAt)) / 1000
  const warmMm = warmExcessMm(heat.heatedMm, heat.fromC, heat.ambientC, heat.tauS, seconds)
  return { ...USUAL_BENCH, warmMm: warmMm < 1e-4 ? 0 : warmMm }
}

export function readMeasure(db: Db, serial: string, now: string): MeasureSheet | null {
  const assembly = getAssembly(db, serial)
  if (!assembly) return null
  const definition = assembly.definition ? getDefinition(db, assembly.definition.id, assembly.definition.version) : null
  return {
    assembly,
    definition,
    limits: limitsOf(definition),
    features: featuresOf(definition),
    last: lastMeasurement(db, assembly.id),
    bench: benchFor(assembly, now),
  }
}
