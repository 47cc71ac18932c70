import type { Practice } from './practice'

/** Typical properties at room temperature, from memory: data to be edited, not a standard's limits. */
export interface Material {
  readonly name: string
  /** Young's modulus, N/mm². */
  readonly E: number
  readonly nu: number
  /** Thermal expansion, 1/K. */
  readonly alpha: number
  /** Density, kg/mm³. */
  readonly rho: number
  /** Heat capacity, J/(kg·K). */
  readonly c: number
  /** Thermal conductivity, W/(m·K). */
  readonly k: number
}

export const MATERIALS = {
  'hot-work steel': { name: 'hot-work steel', E: 210e3, nu: 0.3, alpha: 11.7e-6, rho: 7.8e-6, c: 480, k: 25 },
  carbide: { name: 'carbide', E: 580e3, nu: 0.22, alpha: 5.4e-6, rho: 14.45e-6, c: 210, k: 85 },
  HSS: { name: 'HSS', E: 220e3, nu: 0.3, alpha: 11.2e-6, rho: 8.1e-6, c: 440, k: 23 },
} as const satisfies Record<string, Material>

export type MaterialName = keyof typeof MATERIALS
export type Materials = Readonly<Record<MaterialName, Material>>

/** With stiffness and expansion as the shop has them: what its holders' maker states may differ. */
export const materialsOf = (p: Practice): Materials => ({
  'hot-work steel': { ...MATERIALS['hot-work steel'], E: 1e3 * p.steelE, alpha: 1e-6 * p.steelAlpha },
  carbide: { ...MATERIALS.carbide, E: 1e3 * p.carbideE, alpha: 1e-6 * p.carbideAlpha },
  HSS: { ...MATERIALS.HSS, E: 1e3 * p.hssE, alpha: 1e-6 * p.hssAlpha },
})
