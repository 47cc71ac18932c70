/**
 * What a simulated tool is really like. Only stand-ins and the place that hands out tickets read it; everything else
 * sees a ticket, a text it passes on.
 */
import { seededRandom } from '@/core/numeric'
import { degToRad, normDeg } from '@/core/units'
import type { Profile } from './profile'

export interface TruthEdge {
  readonly angleDeg: number
  /** Radius about the tool's own axis, and height over the gauge line, mm. */
  readonly radiusMm: number
  readonly lengthMm: number
}

/** What sticks to an edge until a cloth takes it off. */
export type Dirt = {
  readonly edge: number
  /** Below the edge's top, mm. */
  readonly downMm: number
} & (
  | { readonly type: 'chip'; readonly radiusMm: number }
  /** A drop that lies along the edge. */
  | { readonly type: 'oil'; readonly highMm: number; readonly longMm: number }
)

/** A speck on the camera's glass: it stays where it is in the picture and takes a share of the light. */
export interface Speck {
  readonly u: number
  readonly v: number
  readonly radiusPx: number
  readonly share: number
}

export interface ToolTruth {
  readonly seed: number
  readonly profile: Profile
  readonly edges: readonly TruthEdge[]
  /** How far an edge turns about the axis in each millimetre below its top, radians; 0 where it runs straight. */
  readonly twistRadPerMm: number
  /** The body between the edges: its radius as a share of theirs, and how far below their tops it begins; share 0: none. */
  readonly body: { readonly share: number; readonly belowMm: number }
  /** What the axes of the bench read too much while it hangs there, mm. */
  readonly zeroMm: { readonly x: number; readonly z: number }
  /** How much longer it stands when it is clamped because it is warm, mm, and the time in which that falls to 1/e, s. */
  readonly warmMm: number
  readonly coolsInS: number
  /** Where the tool's axis stands at its tip. */
  readonly eccentricityMm: number
  readonly eccentricityDeg: number
  /** How the tool's axis leans, and towards where. */
  readonly tiltRad: number
  readonly tiltDeg: number
  readonly dirt: readonly Dirt[]
  readonly specks: readonly Speck[]
  readonly blurPx: number
  readonly noise: number
  readonly dark: number
  readonly contrast: number
  /** Share of the light lost from the middle to a corner, and where its middle stands (−1…1). */
  readonly fallOff: number
  readonly lightX: number
  readonly lightZ: number
  /** How far the carriage still swings when it says that it stands, mm. */
  readonly swingMm: number
}

export const FORMS = ['corner', 'ball', 'square', 'drill', 'reamer', 'tap', 'chamfer', 'insert', 'turning'] as const
export type Form = (typeof FORMS)[number]

/** What the tool was meant to be; lengths mm. */
export interface NominalTool {
  readonly LF: number
  readonly DC: number
  readonly RE: number
  readonly edges: number
  readonly form: Form
  /** Degrees; null where the form has its usual one. */
  readonly pointDeg?: number
  readonly edgeDeg?: number
  readonly steps?: readonly { readonly depthMm: number; readonly radiusMm: number; readonly coneDeg: number }[]
}

/** Helix angles as they are usual, degrees: common practice, no source. */
const HELIX_DEG: Readonly<Record<Form, number>> = {
  corner: 30,
  ball: 30,
  square: 30,
  drill: 30,
  reamer: 0,
  tap: 0,
  chamfer: 0,
  insert: 0,
  turning: 0,
}
/** Sharp as ground, mm. */
const SHARP_MM = 0.02
const PITCH_DEG: Readonly<Partial<Record<Form, number>>> = { corner: 1.2, square: 1.2, insert: 0.3, reamer: 2.5 }

type Random = ReturnType<typeof seededRandom>

function profileOf({ form, DC, RE, pointDeg, edgeDeg, steps }: NominalTool, { uniform, normal }: Random): Profile {
  const re = RE > 0 ? RE + 0.004 * normal() : SHARP_MM
  const dishDeg = 1.15 + 0.5 * uniform()
  switch (form) {
    case 'ball':
      return { type: 'ball' }
    case 'drill':
      return { type: 'point', pointDeg: (pointDeg ?? 118) + 0.15 * normal(), steps: steps ?? [] }
    case 'chamfer':
      return { type: 'chamfer', tipRadiusMm: 0.1 * DC, sideDeg: (pointDeg ?? 90) / 2 + 0.05 * normal() }
    case 'reamer':
      return { type: 'chamfer', tipRadiusMm: DC / 2 - 0.6, sideDeg: 45 + 0.05 * normal() }
    case 'tap':
      return { type: 'chamfer', tipRadiusMm: 0.4 * DC, sideDeg: 23 + 0.05 * normal() }
    case 'turning':
      return { type: 'corner', radiusMm: re, dishDeg: 5 + 0.1 * normal(), backDeg: (edgeDeg ?? 95) - 90 }
    case 'insert':
      return { type: 'corner', radiusMm: Math.min(re, DC / 2), dishDeg, backDeg: 0 }
    case 'corner':
    case 'square':
      return { type: 'corner', radiusMm: form === 'square' ? SHARP_MM : re, dishDeg, backDeg: 0 }
  }
}

function bodyOf(form: Form): ToolTruth['body'] {
  if (form === 'turning') return { share: 0, belowMm: 0 }
  if (form === 'insert') return { share: 0.85, belowMm: 1 }
  if (form === 'ball' || form === 'drill') return { share: 0.5, belowMm: 1.5 }
  return { share: 0.55, belowMm: 0.6 }
}

/** A tool as it came out: the same seed gives the same tool. */
export function makeTruth(seed: number, nominal: NominalTool): ToolTruth {
  const random = seededRandom(seed)
  const { uniform, normal } = random
  const lf = nominal.LF + 0.02 * normal()
  const worse = uniform() < 0.2 ? 1 + Math.floor(uniform() * nominal.edges) : 0
  const pitch = PITCH_DEG[nominal.form] ?? 0.15
  const edges = Array.from({ length: nominal.edges }, (_, i) => ({
    angleDeg: (360 * i) / nominal.edges + (i === 0 ? 0 : pitch * normal()),
    radiusMm: nominal.DC / 2 - 0.002 + 0.0016 * normal() + (i + 1 === worse ? 0.006 : 0),
    lengthMm: lf - Math.abs(0.0018 * normal()),
  }))
  const profile = profileOf(nominal, random)
  const helixDeg = HELIX_DEG[nominal.form] && HELIX_DEG[nominal.form] + 6 * (uniform() - 0.5)
  return {
    seed,
    zeroMm: { x: 0, z: 0 },
    warmMm: 0,
    coolsInS: 1,
    profile,
    edges,
    twistRadPerMm: Math.tan(degToRad(helixDeg)) / (nominal.DC / 2),
    body: bodyOf(nominal.form),
    eccentricityMm: Math.abs(0.0022 * normal()),
    eccentricityDeg: 360 * uniform(),
    tiltRad: Math.abs(2e-5 * normal()),
    tiltDeg: 360 * uniform(),
    dirt: uniform() < 0.45 ? [dirtOf(nominal, random)] : [],
    ...cameraOf(),
  }
}

function dirtOf({ edges, RE, form }: NominalTool, { uniform }: Random): Dirt {
  const at = { edge: 1 + Math.floor(uniform() * edges), downMm: uniform() < 0.5 && RE > 0.3 ? RE * 0.5 : RE + 0.4 + uniform() }
  const downMm = form === 'ball' ? RE * 0.6 : form === 'drill' ? 0.8 + uniform() : at.downMm
  return uniform() < 0.7
    ? { ...at, downMm, type: 'chip', radiusMm: 0.05 + 0.05 * uniform() }
    : { ...at, downMm, type: 'oil', highMm: 0.02 + 0.02 * uniform(), longMm: 0.3 + 0.3 * uniform() }
}

/** The room's own camera: the same light and the same dust whatever hangs before it. */
const CAMERA_SEED = 4711
const SPECKS = 7
function cameraOf() {
  const { uniform } = seededRandom(CAMERA_SEED)
  return {
    blurPx: 1 + 0.4 * uniform(),
    noise: 1.6 + uniform(),
    dark: 22 + 8 * uniform(),
    contrast: 185 + 15 * uniform(),
    fallOff: 0.12 + 0.1 * uniform(),
    lightX: 0.4 * (uniform() - 0.5),
    lightZ: 0.4 * (uniform() - 0.5),
    swingMm: 0.008,
    specks: Array.from({ length: SPECKS }, () => ({
      u: 20 + 600 * uniform(),
      v: 20 + 440 * uniform(),
      radiusPx: 2.5 + 5 * uniform(),
      share: 0.25 + 0.35 * uniform(),
    })),
  }
}

/** A setting master: as exact as its certificate, on a seat that is nearly true. */
export function makeMaster(seed: number, { LF, DC }: Pick<NominalTool, 'LF' | 'DC'>): ToolTruth {
  const LANDS = 8
  return {
    ...makeTruth(seed, { LF, DC, RE: 1, edges: LANDS, form: 'insert' }),
    edges: Array.from({ length: LANDS }, (_, i) => ({ angleDeg: (360 * i) / LANDS, radiusMm: DC / 2, lengthMm: LF })),
    profile: { type: 'corner', radiusMm: 1, dishDeg: 1.3, backDeg: 0 },
    eccentricityMm: 0.0008,
    tiltRad: 0,
    dirt: [],
  }
}

/**
 * The same tool after a cloth went over the edge that is in the light at a turn of the spindle, or over all of them (null).
 * Whoever wipes does not know the number that the edge has here.
 */
export function wiped(truth: ToolTruth, spindleDeg: number | null): ToolTruth {
  if (spindleDeg === null) return { ...truth, dirt: [] }
  const away = truth.edges.map((e) => Math.abs(normDeg(e.angleDeg - spindleDeg + 180) - 180))
  const edge = away.indexOf(Math.min(...away)) + 1
  return { ...truth, dirt: truth.dirt.filter((d) => d.edge !== edge) }
}

/** The same tool after its screw was turned: longer, and larger in diameter, by so much (mm). */
export const adjusted = (truth: ToolTruth, longerMm: number, widerMm: number): ToolTruth => ({
  ...truth,
  edges: truth.edges.map((e) => ({ ...e, lengthMm: e.lengthMm + longerMm, radiusMm: e.radiusMm + widerMm / 2 })),
})

/** The same tool in an adapter that is not its own: it does not go home, and stands aslant. */
export const seatedWrong = (truth: ToolTruth): ToolTruth => ({
  ...adjusted(truth, 2.4, 0),
  eccentricityMm: truth.eccentricityMm + 0.18,
  tiltRad: truth.tiltRad + 0.002,
})

export const toTicket = (truth: ToolTruth): string => btoa(JSON.stringify(truth))

/** @throws when the ticket is none of ours */
export const fromTicket = (ticket: string): ToolTruth => JSON.parse(atob(ticket)) as ToolTruth
