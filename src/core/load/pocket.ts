/** Which pocket a tool can stand in, and which of them is best. Lengths mm. */
import type { Magazine } from '../tool'

/** What stands in a pocket: a tool takes room by its largest radius beside its neighbours. */
export interface Standing {
  readonly pocket: number
  /** By which the control knows it. */
  readonly t: number | null
  /** Of several copies of one T; left out where nobody knows. */
  readonly sister?: number
  readonly serial: string | null
  /** Largest radius over the gauge line. */
  readonly radiusMm: number
  /** null when nobody knows. */
  readonly massKg: number | null
}

export interface MagazineRoom {
  readonly pockets: number
  readonly magazine: Magazine
  readonly standing: readonly Standing[]
}

/** Pockets between two, the short way where the magazine has no ends. */
export function pocketsApart({ pockets, magazine }: Pick<MagazineRoom, 'pockets' | 'magazine'>, a: number, b: number): number {
  const straight = Math.abs(a - b)
  return magazine.form === 'rack' ? straight : Math.min(straight, pockets - straight)
}

/**
 * Axis to axis: along a chain or a rack by pitches, across a drum by the chord.
 * A drum's pitch is the chord of neighbours, so that its circle has radius pitch/(2·sin(π/n)).
 */
export function axesApartMm(room: Pick<MagazineRoom, 'pockets' | 'magazine'>, a: number, b: number): number {
  const n = pocketsApart(room, a, b)
  const { form, pitchMm } = room.magazine
  if (form !== 'drum' || room.pockets < 3) return n * pitchMm
  return (pitchMm * Math.sin((Math.PI * n) / room.pockets)) / Math.sin(Math.PI / room.pockets)
}

/** Whom a tool of this radius would touch, or come nearer than the gap; the nearest first. */
export function inTheWay(room: MagazineRoom, pocket: number, radiusMm: number): Standing[] {
  return room.standing
    .filter((s) => s.pocket > 0 && s.pocket !== pocket)
    .filter((s) => s.radiusMm + radiusMm + room.magazine.gapMm > axesApartMm(room, pocket, s.pocket) + 1e-9)
    .sort((a, b) => axesApartMm(room, pocket, a.pocket) - axesApartMm(room, pocket, b.pocket) || a.pocket - b.pocket)
}

export type PocketState =
  | { readonly pocket: number; readonly type: 'taken'; readonly by: Standing }
  /** Free, but a tool of the asked radius would touch a neighbour. */
  | { readonly pocket: number; readonly type: 'narrow'; readonly by: Standing }
  | { readonly pocket: number; readonly type: 'free' }

export function pocketStates(room: MagazineRoom, radiusMm: number): PocketState[] {
  const at = new Map(room.standing.map((s) => [s.pocket, s]))
  return Array.from({ length: room.pockets }, (_, i): PocketState => {
    const pocket = i + 1
    const here = at.get(pocket)
    if (here) return { pocket, type: 'taken', by: here }
    const [near] = inTheWay(room, pocket, radiusMm)
    return near ? { pocket, type: 'narrow', by: near } : { pocket, type: 'free' }
  })
}

/** Why this one: it was given; it takes so many neighbours, the fewest; none there; the nearest. */
export type PocketReason =
  { readonly code: 'GIVEN' | 'NO_NEIGHBOUR' | 'NEAREST' } | { readonly code: 'FEWEST_NEIGHBOURS'; readonly neighbours: number }

export interface Proposal {
  readonly pocket: number
  readonly why: PocketReason
}

export interface PocketWish {
  readonly radiusMm: number
  /** The one given at the bench; null when nobody said. */
  readonly given: number | null
  /** Radius of a tool as most are, for which room is to be kept. */
  readonly usualRadiusMm: number
  /** The pocket at the loading place; null when nobody knows. */
  readonly atDoor: number | null
}

/**
 * The best free pocket: the one given at the bench; else the one that takes least room from the tools to come, then the
 * nearest to the loading place, then the lowest number.
 * @returns null when it stands nowhere
 */
export function proposePocket(room: MagazineRoom, wish: PocketWish): Proposal | null {
  const states = pocketStates(room, wish.radiusMm)
  const free = states.filter((s) => s.type === 'free').map((s) => s.pocket)
  if (wish.given !== null) return free.includes(wish.given) ? { pocket: wish.given, why: { code: 'GIVEN' } } : null
  if (!free.length) return null
  const usable = (r: MagazineRoom) => pocketStates(r, wish.usualRadiusMm).flatMap((s) => (s.type === 'free' ? s.pocket : []))
  const before = usable(room)
  const turn = (p: number) => (wish.atDoor === null ? 0 : pocketsApart(room, p, wish.atDoor))
  const ranked = free
    .map((pocket) => {
      const tool = { pocket, t: null, serial: null, radiusMm: wish.radiusMm, massKg: null }
      const left = usable({ ...room, standing: [...room.standing, tool] }).length
      // its own pocket goes anyway; what it takes from its neighbours is what is told
      return { pocket, left, lost: before.filter((p) => p !== pocket).length - left }
    })
    .sort((a, b) => b.left - a.left || turn(a.pocket) - turn(b.pocket) || a.pocket - b.pocket)
  const [best] = ranked
  const others = ranked.some((r) => r.lost > best.lost)
  const why: PocketReason = best.lost
    ? { code: 'FEWEST_NEIGHBOURS', neighbours: best.lost }
    : { code: others ? 'NO_NEIGHBOUR' : 'NEAREST' }
  return { pocket: best.pocket, why }
}
