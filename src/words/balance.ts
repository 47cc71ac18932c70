/** What Balance says: corrections, step by step, and what they come to. */
import type { LengthUnit } from '@/core/units'
import type { BadBalance, BalanceSolution, BalanceStep, BalanceTask, FitStep, PlaneName } from '@/core/balance'
import { sized } from './size'

/** `2.5`, `0.93`, `11.6`. */
export const gradeNumber = (grade: number): string => grade.toFixed(grade >= 1 ? 1 : 2)
export const gradeText = (grade: number): string => `G ${gradeNumber(grade)}`
/** A whole number of turns, with its thousands told apart. */
export const speedText = (rpm: number): string => `${Math.round(rpm).toLocaleString('en')} rev/min`
/** Grams of a screw. */
export const massText = (g: number): string => `${g.toFixed(2)} g`
export const angleText = (deg: number): string => `${Math.round(deg) % 360}°`
/** Unbalance times its lever; never without its unit either. */
export const coupleText = (gmm2: number): string => `${Math.round(gmm2).toLocaleString('en')} g·mm²`
/** Unbalance: never without its unit, so that nobody takes it for a mass. */
export const unbalanceText = (gmm: number): string => `${gmm.toFixed(gmm >= 10 ? 0 : gmm >= 1 ? 1 : 2)} g·mm`

const PLANES: Readonly<Record<PlaneName, string>> = { front: 'front', back: 'back' }
export const planeText = (plane: PlaneName): string => PLANES[plane]
const RINGS = ['first', 'second'] as const

/** What is done at the holder, as an order. */
export function fitStepText(step: FitStep, unit: LengthUnit): string {
  const where = `${planeText(step.plane)}, ${angleText(step.deg)}`
  switch (step.type) {
    case 'screw in':
      return `Put a ${massText(step.massG)} screw in: ${where}`
    case 'screw out':
      return `Take the ${massText(step.massG)} screw out: ${where}`
    case 'ring':
      return `Turn the ${RINGS[step.ring]} ${planeText(step.plane)} ring to ${angleText(step.deg)}`
    case 'drill':
      return `Drill ${sized(step.depthMm, unit, unit === 'mm' ? 1 : 3)} deep to the tip: ${where}`
    case 'add':
      return `Put ${massText(step.massG)} on: ${where}`
  }
}

export function badBalanceText(why: BadBalance): string {
  switch (why) {
    case 'mass':
      return 'The tool’s mass must be above 0 kg.'
    case 'speed':
      return 'The speed must be above 0 rev/min.'
    case 'grade':
      return 'The grade must be above 0.'
    case 'planes':
      return 'Give one or two planes.'
    case 'same height':
      return 'Both planes are at the same height. Give two heights, or one plane.'
    case 'rings':
      return 'Give exactly two rings for each plane.'
    case 'plane':
      return 'A hole or ring names a plane that is not there. Planes count from 0.'
    case 'screw':
      return 'The radius and every mass must be above 0.'
    case 'ring':
      return 'Every ring needs an unbalance above 0 g·mm.'
    case 'drill':
      return 'Radius, drill, point angle, density and depth must be above 0; the drill and the depth at most the radius, the point below 180°.'
  }
}

function stepText(step: BalanceStep, task: BalanceTask): string {
  const where = task.planes.length === 1 ? '' : ` in the plane at ${Number(task.planes[step.plane].zMm.toFixed(1))} mm`
  switch (step.kind) {
    case 'screw':
      return `Put a ${massText(step.massG)} screw into the hole at ${angleText(step.deg)}${where}.`
    case 'ring':
      return `Turn ring ${step.ring + 1}${where} with its heavy place to ${angleText(step.deg)}.`
    case 'drill':
      return `Drill at ${angleText(step.deg)}${where}, ${step.depthMm.toFixed(2)} mm to the tip: that takes off ${massText(step.removedG)}.`
  }
}

/** Steps, and what they come to. */
export function solutionText(solution: BalanceSolution, task: BalanceTask): string {
  const steps = solution.steps.map((step) => stepText(step, task))
  const reached = `${gradeText(solution.gradeReached)} at ${speedText(task.rpm)}`
  const within = solution.gradeReached <= task.grade * (1 + 1e-9)
  const end = within
    ? `${steps.length ? 'Then it is' : 'It is'} ${reached}; ${gradeText(task.grade)} is wanted.`
    : `More than ${reached} is not possible with this: ${gradeText(task.grade)} is wanted.`
  return [...steps, end].join(' ')
}
