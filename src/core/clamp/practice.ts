/**
 * What a shop does its own way: values with where the standard one comes from, which a lead changes. Lengths mm,
 * temperatures °C.
 */
export interface PracticeSpec {
  readonly unit:
    | 'mm'
    | '°C'
    | ''
    | 'W'
    | 'N·m'
    | 'W/(m²·K)'
    | 'sigma'
    | '°'
    | 'µm'
    | 'rev/min'
    | 'days'
    | 'h'
    | 'min'
    | 'G'
    | 'kN/mm²'
    | '10⁻⁶/K'
  readonly standard: number
  readonly min: number
  readonly max: number
}

export const PRACTICE = {
  frictionMu: { unit: '', standard: 0.12, min: 0.02, max: 0.5 },
  unitPowerW: { unit: 'W', standard: 10_000, min: 500, max: 50_000 },
  unitEfficiency: { unit: '', standard: 0.6, min: 0.05, max: 1 },
  contactH: { unit: 'W/(m²·K)', standard: 1500, min: 100, max: 5000 },
  cycleH: { unit: 'W/(m²·K)', standard: 500, min: 50, max: 5000 },
  airH: { unit: 'W/(m²·K)', standard: 12, min: 3, max: 100 },
  ambientC: { unit: '°C', standard: 20, min: 5, max: 40 },
  touchC: { unit: '°C', standard: 45, min: 30, max: 60 },
  measureC: { unit: '°C', standard: 21, min: 20, max: 30 },
  shrinkBackShare: { unit: '', standard: 0.8, min: 0.2, max: 1.2 },
  warmedCarbide: { unit: '', standard: 0.4, min: 0, max: 1 },
  warmedSteel: { unit: '', standard: 0.2, min: 0, max: 1 },
  steelE: { unit: 'kN/mm²', standard: 210, min: 150, max: 250 },
  steelAlpha: { unit: '10⁻⁶/K', standard: 11.7, min: 8, max: 16 },
  carbideE: { unit: 'kN/mm²', standard: 580, min: 400, max: 720 },
  carbideAlpha: { unit: '10⁻⁶/K', standard: 5.4, min: 4, max: 8 },
  hssE: { unit: 'kN/mm²', standard: 220, min: 180, max: 250 },
  hssAlpha: { unit: '10⁻⁶/K', standard: 11.2, min: 8, max: 14 },
  tightenNm: { unit: 'N·m', standard: 300, min: 5, max: 300 },
  checkHours: { unit: 'h', standard: 8, min: 1, max: 24 },
  staleDays: { unit: 'days', standard: 14, min: 1, max: 365 },
  planPeople: { unit: '', standard: 1, min: 1, max: 20 },
  planCooling: { unit: '', standard: 2, min: 1, max: 40 },
  planAssembly: { unit: '', standard: 2, min: 1, max: 20 },
  planBenches: { unit: '', standard: 1, min: 1, max: 10 },
  planCarts: { unit: '', standard: 2, min: 1, max: 20 },
  adapterMin: { unit: 'min', standard: 8, min: 0, max: 60 },
  watchMin: { unit: 'min', standard: 10, min: 0, max: 1440 },
  lookBackMm: { unit: 'mm', standard: 0.005, min: 0.0005, max: 0.1 },
  balanceRpm: { unit: 'rev/min', standard: 1100, min: 200, max: 3000 },
  balanceGrade: { unit: 'G', standard: 2.5, min: 0.4, max: 100 },
  balanceBitMm: { unit: 'mm', standard: 6, min: 1, max: 20 },
  balancePointDeg: { unit: '°', standard: 118, min: 60, max: 170 },
  seatUm: { unit: 'µm', standard: 3, min: 0.1, max: 20 },
  calibrationDays: { unit: 'days', standard: 30, min: 1, max: 400 },
  guardSigmas: { unit: 'sigma', standard: 2, min: 0, max: 3 },
} as const satisfies Record<string, PracticeSpec>

export type PracticeKey = keyof typeof PRACTICE
export const PRACTICE_KEYS = Object.keys(PRACTICE) as PracticeKey[]
export type Practice = Readonly<Record<PracticeKey, number>>

export const STANDARD_PRACTICE: Practice = Object.fromEntries(
  PRACTICE_KEYS.map((key) => [key, PRACTICE[key].standard]),
) as Record<PracticeKey, number>
