/** A balancing spindle with tools for it, as the stand-in makes them: measured, corrected from a drawer, held against the truth. */
import {
  calibrate,
  chooseScrews,
  inStep,
  moved,
  parted,
  permittedGmm,
  sharesOf,
  unbalanceFrom,
  type Answer,
  type Influence,
  type Parted,
  type ScrewHole,
  type ScrewIn,
} from '@/core/balance'
import { absOf, polar, seededRandom, type Complex } from '@/core/numeric'
import { degToRad } from '@/core/units'
import { simulatedSpindle } from '@/devices/spindle/simulated'
import {
  fromUnbalanceTicket,
  makeUnbalance,
  toUnbalanceTicket,
  without,
  withScrew,
  type UnbalanceTruth,
} from '@/devices/world/unbalance-truth'

/** What lies in the drawer of the demo: grams, and how many. */
const DRAWER = {
  massesG: [0.2, 0.3, 0.4, 0.55, 0.75, 1, 1.4, 1.9, 2.6, 3.5, 4.7, 6.3],
  stock: [8, 8, 8, 8, 8, 8, 8, 8, 6, 6, 4, 4],
}
const ORDER = { rpm: 1100, turns: 300 }

export function spindleRoom() {
  let state: string | null = null
  let nowMs = 1_700_000_000_000
  const truths = new Map<string, string>()
  const spindle = simulatedSpindle({
    get: () => state,
    put: (next) => (state = next),
    nowMs: () => nowMs,
    truthOf: (serial) => truths.get(serial) ?? '',
  })
  const run = async (serial: string, seat: 0 | 180): Promise<readonly Answer[]> => {
    await spindle.hands.guard('open')
    await spindle.hands.put(serial, seat)
    await spindle.hands.guard('shut')
    const started = await spindle.start(ORDER)
    if (!started.ok) throw new Error(started.error.code)
    nowMs += 30_000
    const spin = await spindle.record()
    if (!spin.ok) throw new Error(spin.error.code)
    const found = inStep(spin.value)
    if (!found.ok) throw new Error(found.error.code)
    return found.value.answers
  }
  return {
    spindle,
    put: (serial: string, truth: UnbalanceTruth) => truths.set(serial, toUnbalanceTicket(truth)),
    truth: (serial: string) => fromUnbalanceTicket(truths.get(serial)!),
    wait: (ms: number) => (nowMs += ms),
    /** Both runs, parted from the spindle. */
    async parted(serial: string): Promise<readonly Parted[]> {
      const at0 = await run(serial, 0)
      const at180 = await run(serial, 180)
      return at0.map((answer, i) => parted(answer, at180[i]))
    },
    async measure(serial: string): Promise<readonly Answer[]> {
      return (await this.parted(serial)).map(({ tool }) => tool)
    },
  }
}

type Room = ReturnType<typeof spindleRoom>
const PLANES: readonly [number, number] = [25, 95]

/** With a rotor that is as good as balanced, and a mass in each of its planes. */
export async function calibrated(room: Room): Promise<Influence> {
  const rotor = makeUnbalance([{ seed: 4, what: 'rotor', massKg: 3, zMm: 60, offUm: 0 }])
  const hole = (plane: number, deg: number) => ({ name: `trial ${plane}`, zMm: PLANES[plane], radiusMm: 30, deg })
  room.put('ROTOR', rotor)
  const alone = await room.parted('ROTOR')
  // trial masses are weighed to a tenth of a percent: here they are as certified
  const trial = (plane: number, deg: number) => {
    const { x, y } = polarXy(150, deg)
    room.put('ROTOR', { ...rotor, off: [...rotor.off, { what: hole(plane, deg).name, zMm: PLANES[plane], x, y }] })
  }
  trial(0, 0)
  const first = await room.parted('ROTOR')
  trial(1, 90)
  const second = await room.parted('ROTOR')
  const made = calibrate(
    { alone, first, second },
    PLANES,
    [polar(150, 0), polar(150, Math.PI / 2)],
    [
      { re: 0, im: 0 },
      { re: 0, im: 0 },
    ],
  )
  if (!made.ok) throw new Error(made.error.code)
  return made.value.influence
}

const polarXy = (gmm: number, deg: number) => ({ x: gmm * Math.cos(degToRad(deg)), y: gmm * Math.sin(degToRad(deg)) })

interface BalanceCase {
  readonly truth: UnbalanceTruth
  readonly planes: readonly { readonly zMm: number; readonly holes: readonly ScrewHole[] }[]
  readonly permitted: readonly number[]
  /** How many times the permitted it starts with. */
  readonly times: number
}

/** What the truth comes to in the correction planes. */
export const trueUnbalance = ({ off }: UnbalanceTruth, zMm: readonly number[]): readonly Complex[] =>
  moved({ zMm: off.map((o) => o.zMm), at: off.map(({ x, y }) => ({ re: x, im: y })) }, zMm)

/** One of many tools: 0.8 to 6 kg, one or two planes, 2 to 40 times what is permitted. */
export function balanceCase(seed: number): BalanceCase {
  const { uniform } = seededRandom(seed * 31 + 5)
  const massKg = 0.8 * (6 / 0.8) ** uniform()
  const single = uniform() < 0.3
  const radiusMm = 18 + 5 * massKg ** 0.8 + 4 * uniform()
  const holes = (start: number) => Array.from({ length: 8 }, (_, i) => ({ deg: start + 45 * i, radiusMm }))
  const planes = single
    ? [{ zMm: 22, holes: holes(0) }]
    : [
        { zMm: 18, holes: holes(0) },
        { zMm: 18 + 30 + 40 * uniform(), holes: holes(22.5) },
      ]
  // heavy tools do not turn as fast as light ones
  const rpm = (24_000 - 16_000 * uniform()) / massKg ** 0.5
  const grade = uniform() < 0.6 ? 2.5 : 6.3
  const made = makeUnbalance([
    { seed: 4 * seed + 0, what: 'holder', massKg: 0.7 * massKg, zMm: 15, offUm: 10 },
    { seed: 4 * seed + 1, what: 'nut', massKg: 0.12 * massKg, zMm: 60, offUm: 20 },
    { seed: 4 * seed + 2, what: 'cutter', massKg: 0.12 * massKg, zMm: 90, offUm: 15 },
    { seed: 4 * seed + 3, what: 'stud', massKg: 0.06 * massKg, zMm: -45, offUm: 20 },
  ])
  const zMm = planes.map((p) => p.zMm)
  const whole = permittedGmm(grade, massKg, rpm)
  const permitted = sharesOf(zMm, single ? null : made.cgZMm).map((share) => share * whole)
  const ratio = (truth: UnbalanceTruth) => Math.max(...trueUnbalance(truth, zMm).map((u, p) => absOf(u) / permitted[p]))
  const times = 2 * 20 ** uniform()
  const by = times / ratio(made)
  const truth = { ...made, off: made.off.map((o) => ({ ...o, x: o.x * by, y: o.y * by })) }
  return { truth, planes, permitted, times }
}

/** Measured, corrected, at most so many times; @returns what is truly left / permitted, and after how many corrections */
async function balanced(room: Room, influence: Influence, one: BalanceCase, most = 2) {
  const serial = 'TOOL'
  const zMm = one.planes.map((p) => p.zMm)
  room.put(serial, one.truth)
  let filled: readonly (readonly ScrewIn[])[] = one.planes.map(() => [])
  let stock = DRAWER.stock
  for (let corrections = 0; ; corrections++) {
    const found = unbalanceFrom(influence, await room.measure(serial))
    const needs = moved({ zMm: influence.zMm, at: found.planes }, zMm)
    const worst = Math.max(...needs.map((need, p) => absOf(need) / one.permitted[p]))
    const left = Math.max(...trueUnbalance(room.truth(serial), zMm).map((u, p) => absOf(u) / one.permitted[p]))
    if (worst <= 1 || corrections === most) return { left, measured: worst, corrections }
    const sigma = Math.max(...one.permitted.map((permitted) => Math.max(...found.sigma) / permitted))
    const planes = one.planes.map(({ holes }, p) => ({ need: needs[p], holes, filled: filled[p] }))
    const { best } = chooseScrews(planes, { ...DRAWER, stock }, one.permitted, Math.max(0.15, 2 * sigma))
    let truth = room.truth(serial)
    best.planes.forEach((change, p) => {
      const name = (s: ScrewIn) => `${p}/${s.hole}`
      for (const s of change.out) truth = without(truth, name(s))
      for (const s of change.in) {
        const hole = { name: name(s), zMm: zMm[p], ...one.planes[p].holes[s.hole] }
        truth = withScrew(truth, hole, DRAWER.massesG[s.mass], s.hole * 97 + s.mass * 13 + p + corrections * 1009)
      }
    })
    room.put(serial, truth)
    filled = filled.map((now, p) => [
      ...now.filter((s) => !best.planes[p].out.some((o) => o.hole === s.hole)),
      ...best.planes[p].in,
    ])
    const used = DRAWER.massesG.map((_, m) => filled.flat().filter((s) => s.mass === m).length)
    stock = DRAWER.stock.map((n, m) => n - used[m])
  }
}

/** Whether the drawer could do it for somebody who knows the truth. */
function inReach(one: BalanceCase): boolean {
  const needs = trueUnbalance(
    one.truth,
    one.planes.map((p) => p.zMm),
  )
  const planes = one.planes.map(({ holes }, p) => ({ need: needs[p], holes, filled: [] }))
  return chooseScrews(planes, DRAWER, one.permitted).best.worst <= 1
}

export interface Balanced {
  /** Tools that the drawer could have done, and that are not as wanted: each in words. */
  readonly missed: readonly string[]
  /** Tools that the drawer cannot do, even for somebody who knows the truth. */
  readonly beyond: number
}

/** Tools 1 to `count`, each corrected at most twice, judged by the truth. */
export async function balanceAll(room: Room, influence: Influence, count: number): Promise<Balanced> {
  const missed: string[] = []
  let beyond = 0
  for (let seed = 1; seed <= count; seed++) {
    const one = balanceCase(seed)
    const { left, corrections } = await balanced(room, influence, one)
    if (left <= 1) continue
    if (!inReach(one)) beyond++
    else missed.push(`tool ${seed}: ${left.toFixed(2)} of what is permitted after ${corrections}, ${one.times.toFixed(1)} before`)
  }
  return { missed, beyond }
}
