/** Readings of a made-up tool with one fault planted, or none, for whoever learns to read them. Lengths mm. */
import { CAUSE_CODES, type CauseCase, type CauseCode } from '../causes'
import { seededRandom } from '../numeric'
import { degToRad } from '../units'
import type { FaultCode } from './traps'

/** Causes that readings alone can show: a wrong nose needs its radius, what crept its length before, warmth its temperature, which are given. */
export const READ_CAUSES: readonly Exclude<CauseCode, 'NOTHING'>[] = CAUSE_CODES.filter(
  (code): code is Exclude<CauseCode, 'NOTHING'> => code !== 'NOTHING',
)
export const isReadable = (code: FaultCode): code is Exclude<CauseCode, 'NOTHING'> =>
  READ_CAUSES.some((readable) => readable === code)

/** Smallest and largest that is planted, mm (rad for a lean): small ones too, but none that nobody could see. */
const PLANTED = {
  OFF_CENTRE: [0.012, 0.08],
  TILTED: [0.12e-3, 0.5e-3],
  EDGE_HIGH: [0.015, 0.06],
  EDGE_LOW: [0.015, 0.06],
  WORN: [0.015, 0.05],
  LENGTH_NOT_SET: [0.1, 2],
  CREPT: [0.03, 0.6],
  ZERO_MOVED: [0.012, 0.05],
} as const
const sizeOf = (code: keyof typeof PLANTED, size: number) => PLANTED[code][0] * (PLANTED[code][1] / PLANTED[code][0]) ** size

const CUTTERS = [6, 8, 10, 12, 16, 20] as const
const NOSES = [0.4, 0.8, 1.2] as const
const STEEL_PER_K = 11.7e-6
const HEATED_MM = 45

/** The standard size beside one, on this side where there is one. */
function beside(all: readonly number[], one: number, side: number): number {
  const at = all.indexOf(one)
  return all[at + side] ?? all[at - side]
}

/** What a fault does to one edge: radius at the tip and at the second height, length, nose. */
interface Shift {
  x: number
  below: number
  z: number
  re: number
}

/**
 * @param size 0 the smallest that is planted, 1 the largest
 * @returns the tool with its second height, and the edge that is high or low
 */
export function drawReadings(
  fault: Exclude<CauseCode, 'NOTHING'> | null,
  size: number,
  seed: number,
): { readonly given: CauseCase; readonly edge: number | null } {
  const { uniform, normal } = seededRandom(seed)
  const pick = <T>(all: readonly T[]): T => all[Math.min(all.length - 1, Math.floor(uniform() * all.length))]
  const [DC, RE, edges] = [pick(CUTTERS), pick(NOSES), pick([4, 5, 6] as const)]
  const LF = 90 + 10 * Math.floor(8 * uniform())
  const heightMm = Math.round(0.4 * LF)
  const [phase, sign, bad] = [2 * Math.PI * uniform(), uniform() < 0.5 ? -1 : 1, 1 + Math.floor(edges * uniform())]
  // others were heated too, and are as good as cold: that a tool was heated tells nothing
  const warmK = fault === 'WARM' ? 18 + 14 * size : uniform() < 0.4 ? 1 + uniform() : undefined
  const otherDC = beside(CUTTERS, DC, sign)
  const otherRE = beside(NOSES, RE, -1)
  const shiftOf = (edge: number, deg: number): Shift => {
    const none = { x: 0, below: 0, z: 0, re: 0 }
    const wave = Math.cos(degToRad(deg) - phase)
    switch (fault) {
      case 'OFF_CENTRE': {
        const x = sizeOf(fault, size) * wave
        return { ...none, x, below: x }
      }
      case 'TILTED': {
        const lean = sizeOf(fault, size) * wave
        return { ...none, x: lean * LF, below: lean * (LF - heightMm), z: -lean * (DC / 2) }
      }
      case 'EDGE_HIGH':
      case 'EDGE_LOW': {
        const x = edge === bad ? (fault === 'EDGE_HIGH' ? 1 : -1) * sizeOf(fault, size) : 0
        return { ...none, x, below: x }
      }
      case 'WORN': {
        const w = -sizeOf(fault, size)
        return { ...none, x: w, z: w / 2 }
      }
      case 'WARM':
        return { ...none, z: STEEL_PER_K * HEATED_MM * (warmK ?? 0) }
      case 'LENGTH_NOT_SET':
        return { ...none, z: sign * sizeOf(fault, size) }
      case 'CREPT':
        return { ...none, z: sizeOf(fault, size) }
      case 'WRONG_CUTTER':
        return { ...none, x: (otherDC - DC) / 2, below: (otherDC - DC) / 2 }
      case 'WRONG_NOSE':
        return { ...none, re: otherRE - RE }
      case 'ZERO_MOVED':
        return { ...none, x: sign * sizeOf(fault, size), below: sign * sizeOf(fault, size) }
      case null:
        return none
    }
  }
  const [ground, sigma] = [0.001 + 0.001 * uniform(), { x: 0.001, z: 0.0012, re: 0.004 }]
  const read = Array.from({ length: edges }, (_, i) => {
    const deg = (360 * i) / edges
    const s = shiftOf(i + 1, deg)
    const own = ground * normal()
    return {
      edge: {
        edge: i + 1,
        deg,
        x: DC / 2 + s.x + own + sigma.x * normal(),
        z: LF + s.z + sigma.z * normal(),
        re: RE + s.re + sigma.re * normal(),
      },
      below: { edge: i + 1, x: DC / 2 + s.below + own + sigma.x * normal() },
    }
  })
  return {
    edge: fault === 'EDGE_HIGH' || fault === 'EDGE_LOW' ? bad : null,
    given: {
      ...{ kind: 'solid', clamping: 'collet', sigma, edges: read.map((r) => r.edge) },
      limits: { LF: [LF - 0.05, LF + 0.05], DC: [DC - 0.03, DC + 0.03], RE: [RE - 0.03, RE + 0.03], runout: 0.012 },
      second: { heightMm, edges: read.map((r) => r.below) },
      before: { LF: LF + sigma.z * normal(), DC, RE },
      ...(warmK !== undefined && { warmK, heatedMm: HEATED_MM }),
      minutesCut: fault === 'WORN' || uniform() < 0.5 ? 40 : 0,
    },
  }
}
