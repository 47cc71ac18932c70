/**
 * Simulated tools with one fault or none, and how likely their readings are under each fault. It draws its readings by itself, integrates by
 * looking ever closer at where the likelihood is, and takes nothing from what judges causes but the form in which a case is handed over.
 * Faults, sizes and priors as the format of advice states them.
 */
import { seededRandom } from '@/core/numeric'
import type { CauseCase, CauseCode } from '@/core/causes'

/** What the format leaves open; tools are drawn both ways. */
export interface World {
  /** Lengths scatter like radii; a lean shows on the face; wear shortens; an edge is as high below as at its tip. */
  readonly rich: boolean
}

interface Setting {
  readonly world: World
  readonly given: CauseCase
}
/** Shifts of radius, length and corner radius of one edge, and of its radius at the second height; and of what was measured before. */
interface Shift {
  readonly x: number
  readonly z: number
  readonly re: number
  readonly below: number
}
type Fault = (i: number, size: number, phase: number) => Shift

const NONE: Shift = { x: 0, z: 0, re: 0, below: 0 }
const mid = ([a, b]: readonly [number, number]) => 0.5 * (a + b)
const NOSES = [0.2, 0.4, 0.8, 1.2, 1.6, 2, 2.5, 3.2]
const CUTTERS = [4, 5, 6, 8, 10, 12, 16, 20, 25, 32, 40, 50, 63, 80, 100]

/** From … to, log-uniform; `turns` whether it has a direction, `signed` whether both signs. */
interface Sizes {
  readonly from: number
  readonly to: number
  readonly turns?: boolean
  readonly signed?: boolean
}

interface Model {
  readonly sizes: Sizes | null
  readonly fault: Fault
}

/** Every way in which a fault can be; each is as likely as the others. */
function models(code: CauseCode, { world, given }: Setting): readonly Model[] {
  const LF = mid(given.limits.LF)
  const R = mid(given.limits.DC) / 2
  const angle = (i: number) => (given.edges[i].deg / 180) * Math.PI
  const below = given.second ? (LF - given.second.heightMm) / LF : 1
  switch (code) {
    case 'NOTHING':
      return [{ sizes: null, fault: () => NONE }]
    case 'OFF_CENTRE':
      return [
        {
          sizes: { from: 0.005, to: 0.1, turns: true },
          fault: (i, e, phase) => {
            const x = e * Math.cos(angle(i) - phase)
            return { ...NONE, x, below: x }
          },
        },
      ]
    case 'TILTED':
      return [
        {
          sizes: { from: 0.05e-3, to: 0.5e-3, turns: true },
          fault: (i, rad, phase) => {
            const c = rad * Math.cos(angle(i) - phase)
            return { ...NONE, x: c * LF, below: c * LF * below, z: world.rich ? -c * R : 0 }
          },
        },
      ]
    case 'EDGE_HIGH':
    case 'EDGE_LOW': {
      const s = code === 'EDGE_HIGH' ? 1 : -1
      return given.edges.map((_, k) => ({
        sizes: { from: 0.005, to: 0.06 },
        fault: (i: number, size: number) => (i === k ? { ...NONE, x: s * size, below: world.rich ? s * size : 0 } : NONE),
      }))
    }
    case 'WORN':
      return [{ sizes: { from: 0.005, to: 0.05 }, fault: (_, w) => ({ ...NONE, x: -w, below: -w, z: world.rich ? -w : 0 }) }]
    case 'WARM': {
      const z = 11.7e-6 * (given.heatedMm ?? 0) * (given.warmK ?? 0)
      return [{ sizes: null, fault: () => ({ ...NONE, z }) }]
    }
    case 'LENGTH_NOT_SET':
      return [{ sizes: { from: 0.05, to: 3, signed: true }, fault: (_, d) => ({ ...NONE, z: d }) }]
    case 'CREPT':
      return [{ sizes: { from: 0.02, to: 1 }, fault: (_, d) => ({ ...NONE, z: d }) }]
    case 'WRONG_NOSE': {
      const at = NOSES.indexOf(mid(given.limits.RE ?? [0.8, 0.8]))
      return [NOSES[at - 1], NOSES[at + 1]]
        .filter((r) => r !== undefined)
        .map((r) => ({ sizes: null, fault: () => ({ ...NONE, re: r - NOSES[at] }) }))
    }
    case 'WRONG_CUTTER': {
      const at = CUTTERS.indexOf(2 * R)
      return [CUTTERS[at - 1], CUTTERS[at + 1]]
        .filter((d) => d !== undefined)
        .map((d) => ({ sizes: null, fault: () => ({ ...NONE, x: d / 2 - R, below: d / 2 - R }) }))
    }
    case 'ZERO_MOVED':
      return [
        { sizes: { from: 0.003, to: 0.05, signed: true }, fault: (_, d) => ({ ...NONE, x: d, below: d }) },
        { sizes: { from: 0.003, to: 0.05, signed: true }, fault: (_, d) => ({ ...NONE, z: d }) },
      ]
  }
}

export function possible({ limits, warmK, minutesCut, before, clamping }: CauseCase): readonly CauseCode[] {
  const all: CauseCode[] = ['OFF_CENTRE', 'TILTED', 'EDGE_HIGH', 'EDGE_LOW', 'LENGTH_NOT_SET', 'WRONG_CUTTER', 'ZERO_MOVED']
  if (limits.RE) all.push('WRONG_NOSE')
  if (warmK !== undefined) all.push('WARM')
  if (minutesCut !== 0) all.push('WORN')
  if (before && ['collet', 'hydraulic', 'side-lock'].includes(clamping ?? '')) all.push('CREPT')
  return all
}

export interface Drawn {
  readonly given: CauseCase
  readonly truth: CauseCode
  /** Number of the edge that is high or low. */
  readonly edge: number | null
  readonly world: World
}

type Chance = ReturnType<typeof seededRandom>
const of = <T>({ uniform }: Chance, all: readonly T[]): T => all[Math.min(all.length - 1, Math.floor(uniform() * all.length))]
const between = ({ uniform }: Chance, from: number, to: number) => from + (to - from) * uniform()
const logBetween = (chance: Chance, from: number, to: number) => from * (to / from) ** chance.uniform()

/** A tool as it would be without a fault, before its readings are drawn. */
function blank(chance: Chance, leastEdges: number): CauseCase {
  const kind = of(chance, ['solid', 'inserts', 'boring', 'drill', 'shell'] as const)
  const [few, many] = { solid: [2, 8], inserts: [1, 6], boring: [1, 3], drill: [2, 3], shell: [3, 8] }[kind]
  const n = Math.max(leastEdges, Math.round(between(chance, few, many)))
  const DC = of(chance, kind === 'shell' ? CUTTERS.slice(-5, -1) : CUTTERS.slice(2, -4))
  const LF = Math.round(between(chance, 70, 190))
  const RE = kind !== 'drill' && chance.uniform() < 0.6 ? of(chance, NOSES.slice(1, -1)) : null
  const clamping = of(chance, ['shrink', 'collet', 'hydraulic', 'side-lock', 'arbor', 'head', null] as const)
  const start = 360 * chance.uniform()
  const edges = Array.from({ length: n }, (_, i) => ({
    ...{ edge: i + 1, deg: (start + (360 * i) / n) % 360, x: DC / 2, z: LF },
    ...(RE !== null && { re: RE }),
  }))
  const sigma = { x: between(chance, 0.0005, 0.0015), z: between(chance, 0.0008, 0.002), re: between(chance, 0.003, 0.008) }
  return {
    ...{ kind, clamping, edges, sigma },
    limits: {
      ...{ LF: [LF - 0.1, LF + 0.1] as const, DC: [DC - 0.03, DC + 0.03] as const, runout: 0.015 },
      ...(RE !== null && { RE: [RE - 0.05, RE + 0.05] as const }),
    },
    ...(chance.uniform() < 0.6 && {
      second: { heightMm: Math.round(between(chance, 0.3, 0.55) * LF), edges: edges.map(({ edge, x }) => ({ edge, x })) },
    }),
    ...(chance.uniform() < 0.5 && { before: { LF, DC, ...(RE !== null && { RE }) } }),
    ...(chance.uniform() < 0.3 && { warmK: between(chance, 5, 30), heatedMm: between(chance, 30, 60) }),
    ...(chance.uniform() < 0.6 && { minutesCut: of(chance, [0, 20, 60]) }),
  }
}

/** How far a fault stands out of everything that scatters, standard deviations. */
function standsOut({ given, world }: Setting, ground: number, fault: (i: number) => Shift): number {
  const vx = ground ** 2 + given.sigma.x ** 2
  const vz = (world.rich ? ground ** 2 : 0) + given.sigma.z ** 2
  const squares = given.edges.map((e, i) => {
    const s = fault(i)
    return s.x ** 2 / vx + s.z ** 2 / vz + (e.re === undefined ? 0 : (s.re / given.sigma.re!) ** 2)
  })
  return Math.sqrt(squares.reduce((sum, q) => sum + q, 0))
}
/** Smaller ones do not matter: nobody could tell them from scatter, nor mend them. */
const LEAST = 6

/** One tool: good in half of all, else with one of the faults that it can have, as large as it has to be to matter. */
export function drawTool(seed: number, world: World, leastEdges = 1): Drawn {
  const chance = seededRandom(seed)
  for (;;) {
    const drawn = drawOnce(chance, world, leastEdges)
    if (drawn) return drawn
  }
}

function drawOnce(chance: Chance, world: World, leastEdges: number): Drawn | null {
  const given = blank(chance, leastEdges)
  const truth: CauseCode = chance.uniform() < 0.5 ? 'NOTHING' : of(chance, possible(given))
  const [least, most] = SCATTER[given.kind]
  const ground = between(chance, least, most)
  // a fault of its own size: drawn again until it matters, so that as many tools are good as were meant to be
  for (let tries = 0; tries < 200; tries++) {
    const ways = models(truth, { world, given })
    const way = of(chance, ways)
    const { sizes, fault } = way
    const sign = sizes?.signed && chance.uniform() < 0.5 ? -1 : 1
    const size = sizes ? sign * logBetween(chance, sizes.from, sizes.to) : 0
    const phase = 2 * Math.PI * chance.uniform()
    const shown = (i: number) => fault(i, size, phase)
    if (truth !== 'NOTHING' && standsOut({ given, world }, ground, shown) < LEAST) continue
    const edge = truth === 'EDGE_HIGH' || truth === 'EDGE_LOW' ? ways.indexOf(way) + 1 : null
    return { given: readingsOf(chance, given, world, ground, shown), truth, edge, world }
  }
  return null
}

/** What is read of it. */
function readingsOf(chance: Chance, given: CauseCase, world: World, ground: number, fault: (i: number) => Shift): CauseCase {
  const { sigma, second, before } = given
  const own = given.edges.map(() => ground * chance.normal())
  const edges = given.edges.map((e, i) => {
    const s = fault(i)
    return {
      ...e,
      x: e.x + own[i] + s.x + sigma.x * chance.normal(),
      z: e.z + s.z + (world.rich ? ground * chance.normal() : 0) + sigma.z * chance.normal(),
      ...(e.re !== undefined && { re: e.re + s.re + sigma.re! * chance.normal() }),
    }
  })
  return {
    ...{ ...given, edges },
    ...(second && {
      second: {
        ...second,
        edges: second.edges.map((e, i) => ({
          edge: e.edge,
          x: e.x + (world.rich ? own[i] : ground * chance.normal()) + fault(i).below + sigma.x * chance.normal(),
        })),
      },
    }),
    ...(before && {
      before: { ...before, LF: before.LF + sigma.z * chance.normal(), DC: before.DC + 2 * sigma.x * chance.normal() },
    }),
  }
}

/** mm, one standard deviation; as the format states them. */
const SCATTER = {
  solid: [0.001, 0.003],
  drill: [0.001, 0.003],
  inserts: [0.002, 0.006],
  boring: [0.002, 0.006],
  shell: [0.002, 0.006],
} as const
const SCATTERS = 5

/** Logarithm of how likely these readings are with this fault, averaged over its sizes. */
export function logLikelihood(code: CauseCode, { given, world }: Drawn): number {
  const setting = { world, given }
  const [least, most] = SCATTER[given.kind]
  const all: number[] = []
  for (let k = 0; k < SCATTERS; k++) {
    const ground = least + ((most - least) * (k + 0.5)) / SCATTERS
    for (const { sizes, fault } of models(code, setting)) {
      const at = (size: number, phase: number) => logDensity(setting, ground, fault, size, phase)
      all.push(sizes === null ? at(0, 0) : sizes.turns ? overPlane(at, sizes) : overLine(at, sizes))
    }
  }
  return logMean(all)
}

const logMean = (logs: readonly number[]) => {
  const top = Math.max(...logs)
  if (top === -Infinity) return top
  let sum = 0
  for (const l of logs) sum += Math.exp(l - top)
  return top + Math.log(sum / logs.length)
}
const normal = (r: number, v: number) => -0.5 * (Math.log(2 * Math.PI * v) + (r * r) / v)

/** Readings of a tool with this fault: of each edge a pair of radii that may share the edge's own error, a length and a corner radius. */
function logDensity({ world, given }: Setting, ground: number, fault: Fault, size: number, phase: number): number {
  const { edges, sigma, second, limits } = given
  const R = mid(limits.DC) / 2
  const LF = mid(limits.LF)
  const g2 = ground * ground
  const v = g2 + sigma.x ** 2
  let log = 0
  edges.forEach((e, i) => {
    const s = fault(i, size, phase)
    const dx = e.x - R - s.x
    if (second) {
      const db = second.edges[i].x - R - s.below
      if (world.rich) {
        // two readings that share the edge's own error: their mean and half their difference do not
        log += normal((dx + db) / 2, g2 + sigma.x ** 2 / 2) + normal((dx - db) / 2, sigma.x ** 2 / 2) - Math.LN2
      } else log += normal(dx, v) + normal(db, v)
    } else log += normal(dx, v)
    log += normal(e.z - LF - s.z, (world.rich ? g2 : 0) + sigma.z ** 2)
    if (e.re !== undefined && limits.RE) log += normal(e.re - mid(limits.RE) - s.re, (sigma.re ?? 1) ** 2)
  })
  return log
}

const [ZOOMS, LOOKS, NEAR] = [4, 16, 30]

/** Over sizes of one sign or both, by their logarithm: looks closer and closer at where it is most likely. */
function overLine(at: (size: number, phase: number) => number, { from, to, signed }: Sizes): number {
  const half = (sign: number) => {
    let [a, b] = [Math.log(from), Math.log(to)]
    const whole = b - a
    for (let zoom = 0; ; zoom++) {
      const n = 4 * LOOKS
      const step = (b - a) / n
      const logs = Array.from({ length: n }, (_, i) => at(sign * Math.exp(a + (i + 0.5) * step), 0))
      if (zoom === ZOOMS) return logMean(logs) + Math.log((b - a) / whole)
      const top = Math.max(...logs)
      const near = logs.flatMap((l, i) => (l > top - NEAR ? [i] : []))
      ;[a, b] = [Math.max(a, a + (near[0] - 1) * step), Math.min(b, a + (near.at(-1)! + 2) * step)]
    }
  }
  return signed ? logMean([half(1), half(-1)]) : half(1)
}

/** Over sizes and directions: the same in the plane. */
function overPlane(at: (size: number, phase: number) => number, { from, to }: Sizes): number {
  let box = { a: -to, b: to, c: -to, d: to }
  for (let zoom = 0; ; zoom++) {
    const n = 2 * LOOKS
    const [su, sv] = [(box.b - box.a) / n, (box.d - box.c) / n]
    const logs: number[] = []
    let near = { i: [n, -1], j: [n, -1] }
    let top = -Infinity
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++) {
        const [u, v] = [box.a + (i + 0.5) * su, box.c + (j + 0.5) * sv]
        const e = Math.hypot(u, v)
        // log-uniform sizes, any direction: this density in the plane
        const l = e < from || e > to ? -Infinity : at(e, Math.atan2(v, u)) - Math.log(2 * Math.PI * e * e * Math.log(to / from))
        logs.push(l)
        top = Math.max(top, l)
      }
    if (zoom === ZOOMS) return logMean(logs) + Math.log((box.b - box.a) * (box.d - box.c))
    near = { i: [n, -1], j: [n, -1] }
    logs.forEach((l, k) => {
      if (l <= top - NEAR) return
      const [i, j] = [Math.floor(k / n), k % n]
      near = { i: [Math.min(near.i[0], i), Math.max(near.i[1], i)], j: [Math.min(near.j[0], j), Math.max(near.j[1], j)] }
    })
    box = {
      a: Math.max(-to, box.a + (near.i[0] - 1) * su),
      b: Math.min(to, box.a + (near.i[1] + 2) * su),
      c: Math.max(-to, box.c + (near.j[0] - 1) * sv),
      d: Math.min(to, box.c + (near.j[1] + 2) * sv),
    }
  }
}

/** Whether the truth itself can be told: it is at least three times as likely as any other fault that the tool can have. */
export function canBeTold(drawn: Drawn): boolean {
  const own = logLikelihood(drawn.truth, drawn)
  const others = (['NOTHING', ...possible(drawn.given)] as const).filter((code) => code !== drawn.truth)
  return others.every((code) => own - logLikelihood(code, drawn) >= Math.log(3))
}
