import { minus, plus, polar, sumOf, type Complex } from '../numeric'
import { degToRad } from '../units'
import { chooseScrews, type FilledPlane } from './again'
import { drilled, drillHoles, leftAfter, type DrillPlane, type Hole } from './drill'
import { addMass } from './places'
import { moved, type Spread } from './plane'
import type { PlaneName, Provision } from './provision'
import { setRings } from './rings'
import type { ScrewIn } from './screws'
import { standingIn, type BalanceWanted, type Standing } from './state'

/** One thing to do at the holder. */
export type FitStep =
  | {
      readonly type: 'screw in' | 'screw out'
      readonly plane: PlaneName
      readonly hole: number
      readonly deg: number
      readonly part: string
      readonly massG: number
    }
  | { readonly type: 'ring'; readonly plane: PlaneName; readonly ring: 0 | 1; readonly deg: number }
  | {
      readonly type: 'drill'
      readonly plane: PlaneName
      readonly deg: number
      readonly depthMm: number
      readonly removedG: number
    }
  | { readonly type: 'add'; readonly plane: PlaneName; readonly deg: number; readonly massG: number }

export type FitKind = 'screws' | 'rings' | 'drill' | 'add'

/** A correction: what to do, and what it comes to when all of it is done. */
export interface BalanceFit {
  readonly kind: FitKind
  readonly steps: readonly FitStep[]
  readonly after: Standing
}

/** Screws, rings, holes and added masses that a holder has already. */
export interface HolderHas {
  readonly screws: readonly { readonly plane: PlaneName; readonly hole: number; readonly part: string; readonly massG: number }[]
  readonly rings: readonly { readonly plane: PlaneName; readonly ring: 0 | 1; readonly deg: number }[]
  readonly holes: readonly {
    readonly plane: PlaneName
    readonly deg: number
    readonly depthMm: number
    readonly removedG: number
  }[]
  readonly added: readonly { readonly plane: PlaneName; readonly deg: number; readonly massG: number }[]
}

export interface FitsTask {
  /** What was measured, with all that is in. */
  readonly spread: Spread
  /** Standard uncertainty of it, g·mm a plane. */
  readonly sigmaGmm: number
  readonly tool: { readonly massKg: number; readonly cgZMm: number | null }
  readonly wanted: BalanceWanted
  readonly provision: Provision
  readonly has: HolderHas
  /** Screws that fit the holes, with how many are at hand. */
  readonly drawer: readonly { readonly part: string; readonly massG: number; readonly stock: number }[]
  readonly bit: { readonly diameterMm: number; readonly pointDeg: number }
}

/** Steel, g/cm³ (from memory). */
const STEEL = 7.85
/** Where a ring is when nobody has turned it: the two against each other, so that they do nothing. */
const NEUTRAL = [0, 180] as const
/** Rings are set to a whole degree, holes drilled to a tenth of a millimetre (common practice, no source). */
const RING_DEG = 1
const DEPTH_MM = 0.1
/** Masses are cut to a twentieth of a gram (common practice, no source). */
const ADDED_G = 0.05
/** What two runs know of a residual is at least this share of what is permitted: fits within it are as good as each other. */
const EQUAL_SHARE = 0.15

/** In which planes a tool is judged: those of what it can be corrected with; of none, as a whole at its mass centre. */
export function planesOf(provision: Provision, kind: FitKind | null, cgZMm: number | null): readonly number[] {
  const heights = kind === null ? [] : provision[kind].map(({ zMm }) => zMm)
  return heights.length ? heights : [cgZMm ?? 0]
}

/** What a holder can be corrected with, the usual first. */
export const kindsOf = (provision: Provision): readonly FitKind[] =>
  (['screws', 'rings', 'drill', 'add'] as const).filter((kind) => provision[kind].length > 0)

/** Every correction there is, the best of each kind first, then the other fits of screws. */
export function proposeFits(task: FitsTask): readonly BalanceFit[] {
  const kinds = kindsOf(task.provision)
  const all = kinds.map((kind) => FITS[kind](task))
  return [...all.flatMap((fits) => fits.slice(0, 1)), ...all.flatMap((fits) => fits.slice(1))]
}

const standingAfter = ({ tool, wanted }: FitsTask, zMm: readonly number[], left: readonly Complex[]): Standing =>
  standingIn(left, zMm, tool, wanted)

function screwFitsOf(task: FitsTask): readonly BalanceFit[] {
  const { provision, has, drawer } = task
  const zMm = provision.screws.map((p) => p.zMm)
  const needs = moved(task.spread, zMm)
  const now = standingAfter(task, zMm, needs)
  // a screw that is in and in no drawer any more counts as one of its own, of which there are none left
  const kinds = [
    ...drawer,
    ...has.screws.flatMap((s) => (drawer.some((d) => d.part === s.part) ? [] : [{ part: s.part, massG: s.massG, stock: 0 }])),
  ]
  const planes: FilledPlane[] = provision.screws.map(({ name, holes }, p) => ({
    need: needs[p],
    holes,
    filled: has.screws
      .filter((s) => s.plane === name && s.hole < holes.length)
      .map((s): ScrewIn => ({ hole: s.hole, mass: kinds.findIndex((k) => k.part === s.part) })),
  }))
  const permitted = now.planes.map((p) => p.permittedGmm)
  const equal = Math.max(EQUAL_SHARE, (2 * task.sigmaGmm) / Math.min(...permitted))
  const choice = chooseScrews(planes, { massesG: kinds.map((k) => k.massG), stock: kinds.map((k) => k.stock) }, permitted, equal)
  return [choice.best, ...choice.others]
    .filter((plan) => plan.planes.some((change) => change.in.length + change.out.length > 0))
    .map((plan): BalanceFit => {
      const step =
        (type: 'screw in' | 'screw out', p: number) =>
        ({ hole, mass }: ScrewIn): FitStep => ({
          type,
          plane: provision.screws[p].name,
          hole,
          deg: provision.screws[p].holes[hole].deg,
          part: kinds[mass].part,
          massG: kinds[mass].massG,
        })
      const out = plan.planes.flatMap((change, p) => change.out.map(step('screw out', p)))
      const into = plan.planes.flatMap((change, p) => change.in.map(step('screw in', p)))
      return {
        kind: 'screws',
        steps: [...out, ...into],
        after: standingAfter(
          task,
          zMm,
          plan.planes.map((c) => c.residual),
        ),
      }
    })
}

/** The triangle over each heavy place, and its mirror image: the same is left, other places on the scale. */
function ringFitsOf(task: FitsTask): readonly BalanceFit[] {
  const { provision, has } = task
  const zMm = provision.rings.map((p) => p.zMm)
  const needs = moved(task.spread, zMm)
  const pull = (gmm: number, angles: readonly number[]) => sumOf(angles.map((deg) => polar(gmm, degToRad(deg))))
  const turned = (side: 0 | 1) =>
    provision.rings.map(({ name, gmm }, p) => {
      const now = NEUTRAL.map((neutral, ring) => has.rings.find((r) => r.plane === name && r.ring === ring)?.deg ?? neutral)
      const bare = minus(needs[p], pull(gmm, now))
      const fits = setRings(bare, [gmm, gmm])
      const deg = (fits[side] ?? fits[0]).deg.map((d) => (Math.round(d / RING_DEG) * RING_DEG) % 360)
      return { name, deg, left: plus(bare, pull(gmm, deg)) }
    })
  return ([0, 1] as const).map((side): BalanceFit => {
    const planes = turned(side)
    const steps = planes.flatMap(({ name, deg }) =>
      deg.map((d, ring): FitStep => ({ type: 'ring', plane: name, ring: ring === 0 ? 0 : 1, deg: d })),
    )
    return {
      kind: 'rings',
      steps,
      after: standingAfter(
        task,
        zMm,
        planes.map(({ left }) => left),
      ),
    }
  })
}

function drillFitsOf(task: FitsTask): readonly BalanceFit[] {
  const { provision, has, bit } = task
  const zMm = provision.drill.map((p) => p.zMm)
  const needs = moved(task.spread, zMm)
  const done = provision.drill.map(({ name, radiusMm, maxDepthMm }, p) => {
    // room that earlier holes took, as wide as two holes are apart
    const apartDeg = (2 * Math.asin(Math.min(1, bit.diameterMm / radiusMm)) * 180) / Math.PI
    const taken = has.holes.filter((h) => h.plane === name).map(({ deg }) => ({ from: deg - apartDeg, to: deg + apartDeg }))
    const plane: DrillPlane = {
      ...bit,
      radiusMm,
      maxDepthMm: Math.min(maxDepthMm, radiusMm),
      densityGcm3: STEEL,
      need: needs[p],
      // the angle is told in whole degrees
      never: [...provision.never.map(({ from, to }) => ({ from: from - 0.5, to: to + 0.5 })), ...taken],
    }
    const holes = drillHoles(plane).holes.flatMap((hole): Hole[] => {
      const depthMm = Math.min(plane.maxDepthMm, Math.round(hole.depthMm / DEPTH_MM) * DEPTH_MM)
      return depthMm > 0 ? [{ deg: Math.round(hole.deg) % 360, depthMm, removedG: drilled(plane, depthMm).massG }] : []
    })
    return { name, holes, left: leftAfter(plane, holes) }
  })
  const steps = done.flatMap(({ name, holes }) => holes.map((hole): FitStep => ({ type: 'drill', plane: name, ...hole })))
  return steps.length
    ? [
        {
          kind: 'drill',
          steps,
          after: standingAfter(
            task,
            zMm,
            done.map(({ left }) => left),
          ),
        },
      ]
    : []
}

/** Mass on either side of the light place, cut to what can be weighed. */
function addFitsOf(task: FitsTask): readonly BalanceFit[] {
  const { provision, has } = task
  const zMm = provision.add.map((p) => p.zMm)
  const needs = moved(task.spread, zMm)
  const done = provision.add.map(({ name, radiusMm, mostG, angles }, p) => {
    const on = (deg: number) =>
      has.added.filter((a) => a.plane === name && a.deg === deg).reduce((sum, { massG }) => sum + massG, 0)
    const places = angles.map((deg) => ({ deg, radiusMm, mostG: Math.max(0, mostG - on(deg)) }))
    const masses = addMass(needs[p], places).added.flatMap(({ place, massG: exact }) => {
      // a place that may carry a little more than so many steps carries so many
      const most = Math.floor(places[place].mostG / ADDED_G + 1e-6)
      const massG = ADDED_G * Math.min(most, Math.round(exact / ADDED_G))
      return massG > 0 ? [{ deg: places[place].deg, massG }] : []
    })
    const put = sumOf(masses.map(({ deg, massG }) => polar(massG * radiusMm, degToRad(deg))))
    return { name, masses, left: plus(needs[p], put) }
  })
  const steps = done.flatMap(({ name, masses }) => masses.map((mass): FitStep => ({ type: 'add', plane: name, ...mass })))
  const left = done.map((plane) => plane.left)
  return steps.length ? [{ kind: 'add', steps, after: standingAfter(task, zMm, left) }] : []
}

const FITS: Readonly<Record<FitKind, (task: FitsTask) => readonly BalanceFit[]>> = {
  screws: screwFitsOf,
  rings: ringFitsOf,
  drill: drillFitsOf,
  add: addFitsOf,
}
