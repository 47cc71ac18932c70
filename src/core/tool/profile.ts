/** Half outlines for drawings, from the gauge line (z = 0) upwards to the tip; radius and height in mm. */
import { numberOf, roleOf, type Component } from './component'
import { couplingOutline, factsOf, type Coupling, type CouplingFacts, type Couplings } from './coupling'

type Point = readonly [number, number]

export interface ProfilePart {
  readonly part: 'taper' | 'flange' | 'body' | 'nose' | 'extension' | 'nut' | 'shank' | 'cut'
  /** [radius, height] from the spindle side to the tip. */
  readonly points: readonly Point[]
  /** Role whose part this outline belongs to. */
  readonly of: 'holder' | 'extension' | 'nut' | 'cutter'
}

export interface ToolProfile {
  readonly parts: readonly ProfilePart[]
  readonly lowMm: number
  readonly highMm: number
  readonly edges: number
  readonly cutRadiusMm: number
  readonly cornerRadiusMm: number
}

/**
 * @param parts holder, extensions from the spindle outwards, nut, cutter, insert; roles that are not there are left out
 * @param lfMm gauge line to tip as it is or should be
 * @returns null when there is no holder or no cutter
 */
export function profileOf(parts: readonly Component[], lfMm: number, couplings: Couplings): ToolProfile | null {
  const holder = parts.find((p) => roleOf(p) === 'holder')
  const cutter = parts.find((p) => roleOf(p) === 'cutter')
  if (!holder || !cutter || !('CCMS' in holder)) return null
  const extensions = parts.filter((p) => roleOf(p) === 'extension')
  const insert = parts.find((p) => p.kind === 'insert')
  const coupling = factsOf(couplings, holder.CCMS)
  const noseMm = noseHeight([holder, ...extensions])
  const radius = cutRadius(cutter, insert)
  const corner = numberOf(cutter, 'RE') ?? (insert && numberOf(insert, 'RE')) ?? 0
  return {
    parts: [
      ...machineSide(coupling),
      ...holderBody(
        holder,
        coupling.flangeHighMm,
        parts.some((p) => p.kind === 'nut'),
      ),
      ...extensionBodies(holder, extensions),
      ...cutterBody(cutter, noseMm, lfMm, radius, corner),
    ],
    lowMm: lowest(coupling),
    highMm: lfMm,
    edges: numberOf(cutter, 'NOF') ?? 1,
    cutRadiusMm: radius,
    cornerRadiusMm: corner,
  }
}

/** Gauge line to the face of the last nose. */
export const noseHeight = (holderAndExtensions: readonly Component[]): number =>
  holderAndExtensions.reduce((sum, part) => sum + (numberOf(part, 'LPR') ?? 0), 0)

function cutRadius(cutter: Component, insert: Component | undefined): number {
  const diameter = numberOf(cutter, 'DC') ?? numberOf(cutter, 'DCN')
  if (diameter !== undefined) return diameter / 2
  return cutter.kind === 'turning-tool' ? cutter.LH : ((insert && numberOf(insert, 'IC')) ?? 10)
}

/** A tool of which only length and diameter are known: a plain cylinder on a plain holder. */
export function plainProfile(coupling: CouplingFacts, lfMm: number, dcMm: number, edges: number): ToolProfile {
  const r = dcMm / 2
  const neck = Math.max(coupling.flangeHighMm, lfMm * 0.6)
  return {
    parts: [
      ...machineSide(coupling),
      {
        part: 'body',
        of: 'holder',
        points: [
          [22, coupling.flangeHighMm],
          [16, neck],
        ],
      },
      {
        part: 'cut',
        of: 'cutter',
        points: [
          [r, neck],
          [r, lfMm],
          [0, lfMm],
        ],
      },
    ],
    lowMm: lowest(coupling),
    highMm: lfMm,
    edges,
    cutRadiusMm: r,
    cornerRadiusMm: 0,
  }
}

const lowest = (coupling: CouplingFacts) => Math.min(...couplingOutline(coupling).map(([, z]) => z))

function machineSide(coupling: CouplingFacts): ProfilePart[] {
  const { flangeMm, flangeHighMm } = coupling
  return [
    { part: 'taper', of: 'holder', points: [...couplingOutline(coupling)].reverse().map(([d, z]) => [d / 2, z] as const) },
    {
      part: 'flange',
      of: 'holder',
      points: [
        [flangeMm / 2, 0],
        [flangeMm / 2, flangeHighMm],
      ],
    },
  ]
}

function holderBody(holder: Component & { readonly CCMS: Coupling }, flangeTop: number, hasNut: boolean): ProfilePart[] {
  const top = numberOf(holder, 'LPR') ?? flangeTop
  const r = (numberOf(holder, 'BD') ?? 20) / 2
  if (holder.kind === 'shrink-holder')
    return [...coneNose(flangeTop, top, holder.BD / 2, holder.coneDeg, holder.heatedMm, 'body', 'holder')]
  if (holder.kind === 'collet-holder') {
    const nutLow = Math.max(flangeTop + 2, top - 0.5 * holder.BD)
    return [
      {
        part: 'body',
        of: 'holder',
        points: [
          [r * 0.92, flangeTop],
          [r * 0.84, nutLow],
        ],
      },
      ...(hasNut
        ? [
            {
              part: 'nut',
              of: 'nut',
              points: [
                [r, nutLow],
                [r, top - 2],
                [r - 2, top],
              ],
            } as const,
          ]
        : []),
    ]
  }
  const step = flangeTop + Math.max(4, (top - flangeTop) * 0.35)
  return [
    {
      part: 'body',
      of: 'holder',
      points: [
        [r + 5, flangeTop],
        [r + 5, step - 4],
        [r, step],
      ],
    },
    {
      part: 'nose',
      of: 'holder',
      points: [
        [r, step],
        [r, top],
      ],
    },
  ]
}

function coneNose(
  from: number,
  top: number,
  mouthRadius: number,
  coneDeg: number,
  heatedMm: number,
  low: 'body' | 'extension',
  of: 'holder' | 'extension',
): ProfilePart[] {
  const noseLow = Math.max(from + 4, top - heatedMm)
  const wide = mouthRadius + Math.tan((coneDeg * Math.PI) / 180) * (top - noseLow)
  return [
    {
      part: low,
      of,
      points: [
        [low === 'body' ? wide + 4 : wide, from],
        [wide, noseLow],
      ],
    },
    {
      part: low === 'body' ? 'nose' : 'extension',
      of,
      points: [
        [wide, noseLow],
        [mouthRadius, top],
      ],
    },
  ]
}

function extensionBodies(holder: Component, extensions: readonly Component[]): ProfilePart[] {
  let from = numberOf(holder, 'LPR') ?? 0
  return extensions.flatMap((part) => {
    const top = from + (numberOf(part, 'LPR') ?? 0)
    const r = (numberOf(part, 'BD') ?? 10) / 2
    const outline: ProfilePart[] =
      part.kind === 'shrink-extension'
        ? coneNose(from, top, r, part.coneDeg, Math.min(part.heatedMm, top - from - 5), 'extension', 'extension')
        : [
            {
              part: 'extension',
              of: 'extension',
              points: [
                [r, from],
                [r, top],
              ],
            },
          ]
    from = top
    return outline
  })
}

function cutterBody(cutter: Component, nose: number, tip: number, r: number, corner: number): ProfilePart[] {
  const shank = (numberOf(cutter, 'DMM') ?? numberOf(cutter, 'BD') ?? 2 * r) / 2
  const flutes = numberOf(cutter, 'LCF') ?? Math.min(12, (tip - nose) / 2)
  const shankTop = Math.max(nose, tip - flutes)
  return [
    {
      part: 'shank',
      of: 'cutter',
      points: [
        [shank, nose],
        [shank, shankTop],
      ],
    },
    { part: 'cut', of: 'cutter', points: cuttingPart(cutter, shankTop, tip, r, corner) },
  ]
}

function cuttingPart(cutter: Component, low: number, tip: number, r: number, corner: number): Point[] {
  const form = cutter.kind === 'solid-cutter' ? cutter.form : 'corner'
  if (form === 'drill' || form === 'chamfer') {
    const point = ((numberOf(cutter, 'SIG') ?? (form === 'drill' ? 118 : 90)) * Math.PI) / 360
    return [
      [r, low],
      [r, Math.max(low, tip - r / Math.tan(point))],
      [0, tip],
    ]
  }
  const re = Math.min(r, form === 'ball' ? r : corner)
  const arc = Array.from({ length: re > 0 ? 9 : 1 }, (_, i): Point => {
    const a = re > 0 ? (i / 8) * (Math.PI / 2) : 0
    return [r - re + re * Math.cos(a), tip - re + re * Math.sin(a)]
  })
  return [[r, low], ...arc, [0, tip]]
}

/** Mass centre of a solid of revolution between two heights, by frustums: [volume mm³, height mm]. */
export function volumeCentre(points: readonly Point[]): readonly [number, number] {
  let volume = 0
  let moment = 0
  for (let i = 1; i < points.length; i++) {
    const [[r1, z1], [r2, z2]] = [points[i - 1], points[i]]
    const h = z2 - z1
    if (h <= 0) continue
    const v = (Math.PI * h * (r1 * r1 + r1 * r2 + r2 * r2)) / 3
    const up = (h * (r1 * r1 + 2 * r1 * r2 + 3 * r2 * r2)) / (4 * (r1 * r1 + r1 * r2 + r2 * r2))
    volume += v
    moment += v * (z1 + up)
  }
  return [volume, volume > 0 ? moment / volume : 0]
}
