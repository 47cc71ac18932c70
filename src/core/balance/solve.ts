import { absOf, type Complex } from '../numeric'
import { fail, ok, type Result } from '../units'
import { drillHoles, type Bit, type Hole } from './drill'
import { permittedGmm, sharesOf } from './grade'
import { setRings } from './rings'
import { setScrews } from './screws-together'

/** What a tool's unbalance is corrected with; planes are told by their place in the list. */
export type Correction =
  | {
      readonly kind: 'screws'
      readonly radiusMm: number
      readonly holes: readonly { readonly plane: number; readonly deg: number }[]
      readonly massesG: readonly number[]
    }
  | { readonly kind: 'rings'; readonly rings: readonly { readonly plane: number; readonly gmm: number }[] }
  | ({ readonly kind: 'drill' } & Bit)

export interface BalanceTask {
  readonly massKg: number
  readonly rpm: number
  readonly grade: number
  readonly cgZMm: number | null
  readonly planes: readonly { readonly zMm: number; readonly need: Complex }[]
  readonly correction: Correction
}

export type BalanceStep =
  | { readonly kind: 'screw'; readonly plane: number; readonly hole: number; readonly deg: number; readonly massG: number }
  | { readonly kind: 'ring'; readonly plane: number; readonly ring: number; readonly deg: number }
  | ({ readonly kind: 'drill'; readonly plane: number } & Hole)

export interface BalanceSolution {
  readonly planes: readonly { readonly permittedGmm: number; readonly residual: Complex }[]
  readonly steps: readonly BalanceStep[]
  readonly gradeReached: number
  readonly exact: boolean
}

/** Why a task cannot be worked on. */
export type BadBalance = 'mass' | 'speed' | 'grade' | 'planes' | 'same height' | 'rings' | 'plane' | 'screw' | 'ring' | 'drill'

function faultOf({ massKg, rpm, grade, planes, correction }: BalanceTask): BadBalance | null {
  if (!(massKg > 0)) return 'mass'
  if (!(rpm > 0)) return 'speed'
  if (!(grade > 0)) return 'grade'
  if (planes.length < 1 || planes.length > 2) return 'planes'
  if (planes.length === 2 && planes[0].zMm === planes[1].zMm) return 'same height'
  const isThere = ({ plane }: { readonly plane: number }) => plane in planes
  switch (correction.kind) {
    case 'screws':
      if (!correction.holes.every(isThere)) return 'plane'
      return correction.radiusMm > 0 && correction.massesG.every((m) => m > 0) ? null : 'screw'
    case 'rings':
      if (!correction.rings.every(isThere)) return 'plane'
      if (planes.some((_, plane) => correction.rings.filter((ring) => ring.plane === plane).length !== 2)) return 'rings'
      return correction.rings.every(({ gmm }) => gmm > 0) ? null : 'ring'
    case 'drill': {
      const { radiusMm, diameterMm, pointDeg, densityGcm3, maxDepthMm } = correction
      const sizes = [radiusMm, diameterMm, pointDeg, densityGcm3, maxDepthMm].every((x) => x > 0)
      return sizes && pointDeg < 180 && diameterMm <= radiusMm && maxDepthMm <= radiusMm ? null : 'drill'
    }
  }
}

/** The best correction of one or two planes: the least maximum over them of residual / permitted. */
export function solveBalance(task: BalanceTask): Result<BalanceSolution, BadBalance> {
  const wrong = faultOf(task)
  if (wrong) return fail(wrong)
  const whole = permittedGmm(task.grade, task.massKg, task.rpm)
  const shares = sharesOf(
    task.planes.map(({ zMm }) => zMm),
    task.cgZMm,
  )
  const permitted = shares.map((share) => share * whole)
  const { steps, residuals, exact } = corrected(task, permitted)
  return ok({
    planes: residuals.map((residual, plane) => ({ permittedGmm: permitted[plane], residual })),
    steps,
    gradeReached: task.grade * Math.max(...residuals.map((residual, plane) => absOf(residual) / permitted[plane])),
    exact,
  })
}

interface Corrected {
  readonly steps: readonly BalanceStep[]
  readonly residuals: readonly Complex[]
  readonly exact: boolean
}

function corrected({ planes, correction }: BalanceTask, permitted: readonly number[]): Corrected {
  switch (correction.kind) {
    case 'screws':
      return byScrews(planes, correction, permitted)
    case 'rings': {
      const fits = planes.map(({ need }, plane) => {
        const rings = correction.rings.flatMap((ring, at) => (ring.plane === plane ? [{ at, gmm: ring.gmm }] : []))
        const [fit] = setRings(need, [rings[0].gmm, rings[1].gmm])
        const steps = rings.map(({ at }, i): BalanceStep => ({ kind: 'ring', plane, ring: at, deg: fit.deg[i] }))
        return { steps, residual: fit.residual }
      })
      return { steps: fits.flatMap(({ steps }) => steps), residuals: fits.map(({ residual }) => residual), exact: true }
    }
    case 'drill': {
      const fits = planes.map(({ need }) => drillHoles({ ...correction, need }))
      const steps = fits.flatMap(({ holes }, plane) => holes.map((hole): BalanceStep => ({ kind: 'drill', plane, ...hole })))
      return { steps, residuals: fits.map(({ residual }) => residual), exact: true }
    }
  }
}

function byScrews(
  planes: BalanceTask['planes'],
  { radiusMm, holes, massesG }: Correction & { readonly kind: 'screws' },
  permitted: readonly number[],
): Corrected {
  const places = planes.map((_, plane) =>
    holes.flatMap((hole, at) => (hole.plane === plane ? [{ at, deg: hole.deg, radiusMm }] : [])),
  )
  const answer = setScrews(
    planes.map(({ need }, plane) => ({ need, holes: places[plane], massesG })),
    permitted,
  )
  const steps = answer.best.planes.flatMap(({ screws }, plane) =>
    screws.map(({ hole, mass }): BalanceStep => {
      const { at, deg } = places[plane][hole]
      return { kind: 'screw', plane, hole: at, deg, massG: massesG[mass] }
    }),
  )
  return { steps, residuals: answer.best.planes.map(({ residual }) => residual), exact: answer.exact }
}
