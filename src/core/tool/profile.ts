/** Half outlines for drawings, from the gauge line (z = 0) upwards to the tip; radius and height in mm. */
import type { ShrinkHolder, SolidCutter } from './component'
import { COUPLINGS, type Coupling } from './coupling'

export interface ProfilePart {
  readonly part: 'taper' | 'flange' | 'body' | 'nose' | 'shank' | 'cut'
  /** [radius, height] from the spindle side to the tip. */
  readonly points: readonly (readonly [number, number])[]
}

export interface ToolProfile {
  readonly parts: readonly ProfilePart[]
  readonly lowMm: number
  readonly highMm: number
  readonly edges: number
  readonly cutRadiusMm: number
  readonly cornerRadiusMm: number
}

/** @param lfMm gauge line to tip as it is or should be */
export function profileOf(holder: ShrinkHolder, cutter: SolidCutter, lfMm: number): ToolProfile {
  const shankTop = Math.max(holder.projectionMm, lfMm - cutter.LCF)
  return {
    parts: [
      ...machineSide(holder.coupling),
      ...holderBody(holder),
      {
        part: 'shank',
        points: [
          [cutter.DMM / 2, holder.projectionMm],
          [cutter.DMM / 2, shankTop],
        ],
      },
      { part: 'cut', points: cuttingPart(cutter, shankTop, lfMm) },
    ],
    lowMm: lowest(holder.coupling),
    highMm: lfMm,
    edges: cutter.edges,
    cutRadiusMm: cutter.DC / 2,
    cornerRadiusMm: cutter.RE,
  }
}

/** A tool of which only length and diameter are known: a plain cylinder on a plain holder. */
export function plainProfile(coupling: Coupling, lfMm: number, dcMm: number, edges: number): ToolProfile {
  const r = dcMm / 2
  const neck = Math.max(COUPLINGS[coupling].flangeHighMm, lfMm * 0.6)
  return {
    parts: [
      ...machineSide(coupling),
      {
        part: 'body',
        points: [
          [22, COUPLINGS[coupling].flangeHighMm],
          [16, neck],
        ],
      },
      {
        part: 'cut',
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

const lowest = (coupling: Coupling) => Math.min(...COUPLINGS[coupling].taper.map(([, z]) => z))

function machineSide(coupling: Coupling): ProfilePart[] {
  const { taper, flangeMm, flangeHighMm } = COUPLINGS[coupling]
  return [
    { part: 'taper', points: [...taper].reverse().map(([d, z]) => [d / 2, z] as const) },
    {
      part: 'flange',
      points: [
        [flangeMm / 2, 0],
        [flangeMm / 2, flangeHighMm],
      ],
    },
  ]
}

function holderBody(holder: ShrinkHolder): ProfilePart[] {
  const flangeTop = COUPLINGS[holder.coupling].flangeHighMm
  const noseLow = Math.max(flangeTop + 4, holder.projectionMm - holder.heatedMm)
  const wide = holder.noseMm / 2 + Math.tan((holder.noseHalfAngleDeg * Math.PI) / 180) * (holder.projectionMm - noseLow)
  return [
    {
      part: 'body',
      points: [
        [wide + 4, flangeTop],
        [wide, noseLow],
      ],
    },
    {
      part: 'nose',
      points: [
        [wide, noseLow],
        [holder.noseMm / 2, holder.projectionMm],
      ],
    },
  ]
}

function cuttingPart(cutter: SolidCutter, low: number, tip: number): (readonly [number, number])[] {
  const r = cutter.DC / 2
  const re = Math.min(r, cutter.form === 'ball' ? r : cutter.RE)
  const arc = Array.from({ length: re > 0 ? 9 : 1 }, (_, i) => {
    const a = re > 0 ? (i / 8) * (Math.PI / 2) : 0
    return [r - re + re * Math.cos(a), tip - re + re * Math.sin(a)] as const
  })
  return [[r, low], ...arc, [0, tip]]
}
