/** Where the pockets of a magazine are, seen along its tools: mm, x right, y down, pocket 1 first. */
import type { Magazine } from '@/core/tool'

export interface PocketPlaces {
  readonly at: readonly { readonly x: number; readonly y: number }[]
  readonly widthMm: number
  readonly heightMm: number
}

/** A chain lies as long as it is drawn best: about three and a half times as wide as high. */
const CHAIN_ASPECT = 3.5

/** @param roomMm kept free round the pockets */
export function pocketPlaces({ form, pitchMm }: Magazine, pockets: number, roomMm: number): PocketPlaces {
  if (form === 'rack')
    return {
      at: Array.from({ length: pockets }, (_, i) => ({ x: roomMm + i * pitchMm, y: roomMm })),
      widthMm: (pockets - 1) * pitchMm + 2 * roomMm,
      heightMm: 2 * roomMm,
    }
  if (form === 'drum') {
    const radius = pockets < 3 ? pitchMm / 2 : pitchMm / (2 * Math.sin(Math.PI / pockets))
    const size = 2 * (radius + roomMm)
    return {
      at: Array.from({ length: pockets }, (_, i) => {
        const angle = (2 * Math.PI * i) / pockets - Math.PI / 2
        return { x: size / 2 + radius * Math.cos(angle), y: size / 2 + radius * Math.sin(angle) }
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
function onChain(along: number, straight: number, radius: number, roomMm: number): { x: number; y: number } {
  const left = roomMm + radius
  const middle = roomMm + radius
  const bend = Math.PI * radius
  if (along < straight) return { x: left + along, y: middle - radius }
  if (along < straight + bend) {
    const angle = (along - straight) / radius - Math.PI / 2
    return { x: left + straight + radius * Math.cos(angle), y: middle + radius * Math.sin(angle) }
  }
  if (along < 2 * straight + bend) return { x: left + straight - (along - straight - bend), y: middle + radius }
  const angle = (along - 2 * straight - bend) / radius + Math.PI / 2
  return { x: left + radius * Math.cos(angle), y: middle + radius * Math.sin(angle) }
}
