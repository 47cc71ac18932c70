/** Where the pockets of a magazine are, seen along its tools: mm, x right, y down, pocket 1 first. */
import type { Magazine } from '@/core/tool'

export interface PocketPlace {
  readonly x: number
  readonly y: number
  /** Unit vector out of the magazine: where there is room to write. */
  readonly away: { readonly x: number; readonly y: number }
}

export interface PocketPlaces {
  readonly at: readonly PocketPlace[]
  readonly widthMm: number
  readonly heightMm: number
}

/** A chain lies as long as it is drawn best: about three and a half times as wide as high. */
const CHAIN_ASPECT = 3.5

/** @param roomMm kept free round the pockets */
export function pocketPlaces({ form, pitchMm }: Magazine, pockets: number, roomMm: number): PocketPlaces {
  if (form === 'rack')
    return {
      at: Array.from({ length: pockets }, (_, i) => ({ x: roomMm + i * pitchMm, y: roomMm, away: { x: 0, y: 1 } })),
      widthMm: (pockets - 1) * pitchMm + 2 * roomMm,
      heightMm: 2 * roomMm,
    }
  if (form === 'drum') {
    const radius = pockets < 3 ? pitchMm / 2 : pitchMm / (2 * Math.sin(Math.PI / pockets))
    const size = 2 * (radius + roomMm)
    return {
      at: Array.from({ length: pockets }, (_, i) => {
        const angle = (2 * Math.PI * i) / pockets - Math.PI / 2
        const away = { x: Math.cos(angle), y: Math.sin(angle) }
        return { x: size / 2 + radius * away.x, y: size / 2 + radius * away.y, away }
      }),
      widthMm: size,
      heightMm: size,
    }
  }
  const length = pockets * pitchMm
  // two straights and two half circles: length = 2·straight + 2π·r, and straight + 2r = aspect·2r
  const radius = length / (2 * (2 * CHAIN_ASPECT - 2) + 2 * Math.PI)
  const straight = (length - 2 * Math.PI * radius) / 2
  return {
    at: Array.from({ length: pockets }, (_, i) => onChain(i * pitchMm, straight, radius, roomMm)),
    widthMm: straight + 2 * radius + 2 * roomMm,
    heightMm: 2 * radius + 2 * roomMm,
  }
}

/** A place along the chain from the left end of its upper straight, clockwise. */
function onChain(along: number, straight: number, radius: number, roomMm: number): PocketPlace {
  const left = roomMm + radius
  const middle = roomMm + radius
  const bend = Math.PI * radius
  const round = (x: number, angle: number): PocketPlace => {
    const away = { x: Math.cos(angle), y: Math.sin(angle) }
    return { x: x + radius * away.x, y: middle + radius * away.y, away }
  }
  if (along < straight) return { x: left + along, y: middle - radius, away: { x: 0, y: -1 } }
  if (along < straight + bend) return round(left + straight, (along - straight) / radius - Math.PI / 2)
  if (along < 2 * straight + bend)
    return { x: left + straight - (along - straight - bend), y: middle + radius, away: { x: 0, y: 1 } }
  return round(left, (along - 2 * straight - bend) / radius + Math.PI / 2)
}
