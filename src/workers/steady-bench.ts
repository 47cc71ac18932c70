/** What a bench needs before its pictures count: the light it has without a tool, and a carriage that has stopped swinging. */
import type { Bench, BenchPicture } from '@/devices/bench/port'

/** Pictures of the empty light that are averaged. */
const EMPTY_PICTURES = 8
const MOST_GREY = 245
/** Less light than this share of the brightest place is not made up for. */
const LEAST_SHARE = 0.2

/** What each pixel is multiplied with so that the empty light is even; null where none could be had. */
export type Gain = Float32Array | null

/** Looks at the light with nothing before it; null when something stands in it. */
export async function emptyLight(bench: Bench): Promise<Gain> {
  await bench.moveTo(bench.facts.reach.x, bench.facts.reach.z)
  const size = bench.facts.widthPx * bench.facts.heightPx
  const sum = new Float64Array(size)
  let empty = true
  for (let k = 0; k < EMPTY_PICTURES && empty; k++) {
    const { frame } = await bench.grab()
    if (k === 0) empty = darkShare(frame.data) < LEAST_TOOL
    for (let i = 0; i < size; i++) sum[i] += frame.data[i]
  }
  if (!empty) return null
  const top = Math.max(...Array.from({ length: 64 }, (_, k) => sum[Math.floor(((k + 0.5) * size) / 64)]))
  return Float32Array.from(sum, (s) => (s > LEAST_SHARE * top ? top / s : 1))
}

/** Share of a picture that is less than half as bright as its brightest places. */
function darkShare(data: Uint8Array): number {
  const half = 0.5 * data.reduce((a, b) => Math.max(a, b), 0)
  let dark = 0
  for (let i = 0; i < data.length; i++) if (data[i] < half) dark++
  return dark / data.length
}
/** A tool covers more of a picture than all the dust on the glass. */
const LEAST_TOOL = 0.01

/**
 * The same bench with an even light in every picture: a speck of dust on the glass and the fall towards the corners are
 * the camera's, not the tool's.
 */
export function evenBench(bench: Bench, gain: Gain): Bench {
  if (!gain) return bench
  return {
    ...bench,
    async grab() {
      const picture = await bench.grab()
      const raw = picture.frame.data
      const data = new Uint8Array(gain.length)
      for (let i = 0; i < data.length; i++) {
        const grey = raw[i] * gain[i] + 0.5
        data[i] = grey > MOST_GREY ? MOST_GREY : grey
      }
      return { ...picture, frame: { ...picture.frame, data } }
    },
  }
}

/** Mean grey levels of two pictures nearer than this show the same place. */
const SAME_GREY = 0.012
const MOST_WAITS = 12

/**
 * Takes pictures until the carriage stands: the same light comes through three times running.
 * @returns the last of them
 */
export async function standStill(bench: Bench): Promise<BenchPicture> {
  let picture = await bench.grab()
  let before = mean(picture)
  for (let k = 0, quiet = 0; k < MOST_WAITS && quiet < 2; k++) {
    picture = await bench.grab()
    const now = mean(picture)
    quiet = Math.abs(now - before) < SAME_GREY ? quiet + 1 : 0
    before = now
  }
  return picture
}

function mean({ frame: { data } }: BenchPicture): number {
  let sum = 0
  for (let i = 0; i < data.length; i++) sum += data[i]
  return sum / data.length
}
