import { anglesOf, arcsOf, numberOf, valueOf, type Component } from '../tool'
import type { Arc } from '../tool'
import type { ScrewHole } from './screws'

/** Where a holder can be balanced, by what with: one or two planes, the back one (nearer to the gauge line) first. */
export interface Provision {
  readonly thread: string | null
  readonly screws: readonly { readonly name: PlaneName; readonly zMm: number; readonly holes: readonly ScrewHole[] }[]
  /** Two equal rings a plane. */
  readonly rings: readonly { readonly name: PlaneName; readonly zMm: number; readonly gmm: number }[]
  readonly drill: readonly {
    readonly name: PlaneName
    readonly zMm: number
    readonly radiusMm: number
    readonly maxDepthMm: number
  }[]
  readonly never: readonly Arc[]
  /** Places where mass can be put on for good, up to so much at each. */
  readonly add: readonly {
    readonly name: PlaneName
    readonly zMm: number
    readonly radiusMm: number
    readonly mostG: number
    readonly angles: readonly number[]
  }[]
}

export type PlaneName = 'back' | 'front'
const NAMES = ['back', 'front'] as const

const KEYS = {
  back: {
    angles: 'backAngles',
    radius: 'backRadiusMm',
    height: 'backHeightMm',
    ring: 'backRingGmm',
    ringHeight: 'backRingHeightMm',
    drill: 'drillBackMm',
    add: 'addBackMm',
  },
  front: {
    angles: 'frontAngles',
    radius: 'frontRadiusMm',
    height: 'frontHeightMm',
    ring: 'frontRingGmm',
    ringHeight: 'frontRingHeightMm',
    drill: 'drillFrontMm',
    add: 'addFrontMm',
  },
} as const

/** Nearer to each other two planes cannot be told apart (common practice, no source). */
const LEAST_APART_MM = 5

/** Two planes at one height are none: the back one counts. */
const apart = <P extends { readonly zMm: number }>(planes: readonly P[]): readonly P[] =>
  planes.filter(({ zMm }, i) => i === 0 || Math.abs(zMm - planes[0].zMm) >= LEAST_APART_MM)

/** What a holder's own description says of it; a row that is described by half is none. */
export function provisionOf(holder: Component): Provision {
  const angles = (key: 'backAngles' | 'frontAngles' | 'addAngles') => anglesOf(String(valueOf(holder, key) ?? ''))
  const screws = NAMES.flatMap((name) => {
    const [all, radiusMm, zMm] = [
      angles(KEYS[name].angles),
      numberOf(holder, KEYS[name].radius),
      numberOf(holder, KEYS[name].height),
    ]
    return all && radiusMm !== undefined && zMm !== undefined ? [{ name, zMm, holes: all.map((deg) => ({ deg, radiusMm })) }] : []
  })
  const rings = NAMES.flatMap((name) => {
    const [gmm, zMm] = [numberOf(holder, KEYS[name].ring), numberOf(holder, KEYS[name].ringHeight)]
    return gmm !== undefined && zMm !== undefined ? [{ name, zMm, gmm }] : []
  })
  const [radiusMm, maxDepthMm] = [numberOf(holder, 'drillRadiusMm'), numberOf(holder, 'drillDepthMm')]
  const drill = NAMES.flatMap((name) => {
    const zMm = numberOf(holder, KEYS[name].drill)
    return zMm !== undefined && radiusMm !== undefined && maxDepthMm !== undefined ? [{ name, zMm, radiusMm, maxDepthMm }] : []
  })
  const add = NAMES.flatMap((name) => {
    const [zMm, at] = [numberOf(holder, KEYS[name].add), angles('addAngles')]
    const [radius, mostG] = [numberOf(holder, 'addRadiusMm'), numberOf(holder, 'addMostG')]
    const known = zMm !== undefined && radius !== undefined && mostG !== undefined
    return known && at ? [{ name, zMm, radiusMm: radius, mostG, angles: at }] : []
  })
  const thread = valueOf(holder, 'balanceThread')
  return {
    thread: typeof thread === 'string' ? thread : null,
    screws: apart(screws),
    rings: apart(rings),
    drill: apart(drill),
    add: apart(add),
    never: arcsOf(String(valueOf(holder, 'drillNever') ?? '')) ?? [],
  }
}
