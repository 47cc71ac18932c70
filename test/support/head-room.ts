/** Simulated boring heads set by Boulder's dial, and what they really cut. */
import { firstDial, learnShare, nextDial, type BoringHead } from '@/core/boring'
import { seededRandom } from '@/core/numeric'
import { boreOf, makeHead, turned, type OnHead } from '@/devices/world/head-truth'

const WANTED_MM = 25
const LIMITS = { min: WANTED_MM - 0.0001, max: WANTED_MM + 0.0001 }
const LEAVE_MM = 0.127
/** How well a bore is measured, mm. */
const MEASURED_SIGMA_MM = 0.0015
const NOSES_MM = [0.2, 0.4, 0.8]

/** How far the second test cut of a head is from what was wanted, mm on diameter, as it really is. */
export function secondCut(seed: number): number {
  const { uniform, normal } = seededRandom(7919 * seed + 1)
  const noseMm = NOSES_MM[Math.floor(uniform() * NOSES_MM.length)]
  const seat = { KAPR: 90 + Math.round(5 * uniform()), EPSR: uniform() < 0.5 ? 60 : 80 }
  const on: OnHead = { zeroMm: 20, nominalNoseMm: 0.4, noseMm, ...seat }
  const head: BoringHead = {
    ...{ zeroMm: on.zeroMm, noseMm: on.nominalNoseMm, divisionMm: 0.01, backlashMm: 0.03, seat },
    range: { min: 20, max: 30 },
  }
  const first = firstDial(head, { wantedMm: WANTED_MM, noseMm, leaveMm: LEAVE_MM })
  if (!first.ok) throw new Error(JSON.stringify(first.error))
  let really = turned(makeHead(seed), first.value.dialMm)
  const step = { dialMm: first.value.dialMm, boreMm: boreOf(really, on, MEASURED_SIGMA_MM * normal()) }
  const next = nextDial(head, step, WANTED_MM, LIMITS, learnShare([]))
  if (!next.ok || next.value.type === 'done') return step.boreMm - WANTED_MM
  if (next.value.type === 'too large') really = turned(really, next.value.dialMm - next.value.backMm)
  really = turned(really, next.value.dialMm)
  return boreOf(really, on, 0) - WANTED_MM
}
