/**
 * What a shop does its own way: values with where the standard one comes from, which a lead changes. Lengths mm,
 * temperatures °C.
 */
export interface PracticeSpec {
  readonly name: string
  readonly unit: 'mm' | '°C' | '' | 'W' | 'W/(m²·K)' | 'sigma'
  readonly standard: number
  readonly min: number
  readonly max: number
  /** Where the standard value comes from. */
  readonly source: string
}

const COMMON = 'common practice, no source'

export const PRACTICE = {
  frictionMu: {
    name: 'Friction of shank and bore',
    unit: '',
    standard: 0.12,
    min: 0.02,
    max: 0.5,
    source: 'cautious for dry and clean, from memory',
  },
  unitPowerW: { name: 'Power of the shrink unit', unit: 'W', standard: 10_000, min: 500, max: 50_000, source: COMMON },
  unitEfficiency: { name: 'Share of it that heats the nose', unit: '', standard: 0.6, min: 0.05, max: 1, source: 'assumed' },
  contactH: {
    name: 'Contact cooling',
    unit: 'W/(m²·K)',
    standard: 1500,
    min: 100,
    max: 5000,
    source: 'from cooling times of 30 to 100 s, common practice',
  },
  cycleH: {
    name: 'Cooling cycle of a unit without contact',
    unit: 'W/(m²·K)',
    standard: 500,
    min: 50,
    max: 5000,
    source: 'from a fixed cycle of 100 s, common practice',
  },
  airH: {
    name: 'Cooling in still air',
    unit: 'W/(m²·K)',
    standard: 12,
    min: 3,
    max: 100,
    source: 'natural convection, from memory',
  },
  ambientC: { name: 'Temperature of the tool room', unit: '°C', standard: 20, min: 5, max: 40, source: 'ISO 1' },
  touchC: { name: 'Cool enough to touch', unit: '°C', standard: 45, min: 30, max: 60, source: COMMON },
  measureC: { name: 'Cool enough to measure', unit: '°C', standard: 21, min: 20, max: 30, source: COMMON },
  shrinkBackShare: {
    name: 'Share of L·α·ΔT by which the stop is set high',
    unit: '',
    standard: 0.8,
    min: 0.2,
    max: 1.2,
    source: COMMON,
  },
  warmedCarbide: {
    name: 'Share of the heat that a carbide shank takes on the way out',
    unit: '',
    standard: 0.4,
    min: 0,
    max: 1,
    source: 'assumed',
  },
  warmedSteel: {
    name: 'Share of the heat that a steel shank takes on the way out',
    unit: '',
    standard: 0.2,
    min: 0,
    max: 1,
    source: 'assumed: heat fast, pull at once',
  },
  lookBackMm: {
    name: 'Look back: a value that moved by more is told',
    unit: 'mm',
    standard: 0.005,
    min: 0.0005,
    max: 0.1,
    source: COMMON,
  },
  guardSigmas: {
    name: 'Guard band in standard deviations',
    unit: 'sigma',
    standard: 2,
    min: 0,
    max: 3,
    source: 'ISO 14253-1: expanded uncertainty, k = 2',
  },
} as const satisfies Record<string, PracticeSpec>

export type PracticeKey = keyof typeof PRACTICE
export const PRACTICE_KEYS = Object.keys(PRACTICE) as PracticeKey[]
export type Practice = Readonly<Record<PracticeKey, number>>

export const STANDARD_PRACTICE: Practice = Object.fromEntries(
  PRACTICE_KEYS.map((key) => [key, PRACTICE[key].standard]),
) as Record<PracticeKey, number>
