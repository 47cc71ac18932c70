/** The rough outline of the tool, to the pixel: what is tool, where it leaves the picture, which way round it runs. */
import type { Frame, Pixel } from './frame'
import { CELL, type Light } from './light'

/** One side of a pixel between tool and field; walking from crack to crack keeps the tool on the right hand. */
export interface Crack extends Pixel {
  /** Step along the outline: one of (1,0), (0,1), (−1,0), (0,−1) in u, v. */
  readonly du: number
  readonly dv: number
}

/** Something dark that does not hang together with the tool. */
export interface Island {
  readonly centre: Pixel
  readonly area: number
}

export interface Outline {
  /** 1 where the tool is. */
  readonly mask: Uint8Array
  /** Open pieces between the borders of the picture, longest first; the tool's outline runs left to right over its tip. */
  readonly pieces: readonly (readonly Crack[])[]
  readonly touches: { readonly left: boolean; readonly right: boolean; readonly top: boolean; readonly bottom: boolean }
  readonly islands: readonly Island[]
}

const LEAST_ISLAND_PX = 12
const LEAST_PIECE = 12
const LEAST_TOUCH = 3

/**
 * @param anywhere whether the tool may leave the picture at any border; else at the left or the bottom one
 * @returns null when nothing dark hangs on such a border
 */
export function findOutline(frame: Frame, light: Light, anywhere = false): Outline | null {
  const { width, height } = frame
  const runs = darkRuns(frame, light)
  const blobs = blobsOf(runs, frame, anywhere)
  const tool = blobs.filter((blob) => blob.onBorder).sort((a, b) => b.area - a.area)[0]
  if (!tool) return null
  const mask = new Uint8Array(width * height)
  const touched = { left: 0, right: 0, top: 0, bottom: 0 }
  for (const { v, from, to } of tool.runs) {
    mask.fill(1, v * width + from, v * width + to)
    if (from === 0) touched.left++
    if (to === width) touched.right++
    if (v === 0) touched.top += to - from
    if (v === height - 1) touched.bottom += to - from
  }
  return {
    mask,
    pieces: trace(mask, width, height, { u: tool.runs[0].from, v: tool.runs[0].v }),
    touches: {
      left: touched.left >= LEAST_TOUCH,
      right: touched.right >= LEAST_TOUCH,
      top: touched.top >= LEAST_TOUCH,
      bottom: touched.bottom >= LEAST_TOUCH,
    },
    islands: blobs
      .filter((blob) => blob !== tool && blob.area >= LEAST_ISLAND_PX)
      .map(({ area, u, v }) => ({ centre: { u, v }, area })),
  }
}

/** Dark pixels side by side in one row: from ≤ u < to. */
interface Run {
  readonly v: number
  readonly from: number
  readonly to: number
}

/** Levels farther than this share of the contrast from half way need no look at the neighbours. */
const CLEAR_SHARE = 0.33

/** Rows and columns of a cell that are looked at first: narrower apart than the least speck that counts. */
const PROBES = [0, 3, 7] as const
const MIXED = 0
const FIELD = 1
const TOOL = 2

/** Stretches of one band of eight rows: cells that are all field or all tool lie together, mixed ones each alone. */
interface Band {
  length: number
  readonly kind: Uint8Array
  /** First cell of each stretch; one more stands after the last. */
  readonly first: Uint16Array
}

const emptyBand = (across: number): Band => ({ length: 0, kind: new Uint8Array(across), first: new Uint16Array(across + 1) })

/** Fills in the stretches of the band that begins at row v. */
function probeBand({ width, height, data }: Frame, { halfWay }: Light, clear: number, v: number, band: Band): void {
  const across = band.kind.length
  const cells = (v / CELL) * across
  const whole = v + CELL <= height
  let n = 0
  for (let k = 0, start = 0; k < across; k++, start += CELL) {
    let kind = MIXED
    if (whole && start + CELL <= width) {
      const half = halfWay[cells + k]
      const first = v * width + start
      kind = data[first] >= half ? FIELD : TOOL
      const high = half + clear
      const low = half - clear
      for (let r = 0; r < 3; r++) {
        const o = first + PROBES[r] * width
        const a = data[o]
        const b = data[o + 3]
        const c = data[o + 7]
        if (kind === FIELD ? a >= high && b >= high && c >= high : a <= low && b <= low && c <= low) continue
        kind = MIXED
        break
      }
    }
    if (n > 0 && kind !== MIXED && band.kind[n - 1] === kind) continue
    band.kind[n] = kind
    band.first[n++] = k
  }
  band.first[n] = across
  band.length = n
}

/** Where the level is not clear the mean of 3×3 decides, so that single noisy pixels do not tear the outline. */
function darkRuns(frame: Frame, light: Light): Run[] {
  const { width, height, data } = frame
  const { halfWay, contrast } = light
  const runs: Run[] = []
  const across = Math.ceil(width / CELL)
  const clear = CLEAR_SHARE * contrast
  const band = emptyBand(across)
  for (let v = 0; v < height; v++) {
    const cells = (v >> 3) * across
    if ((v & 7) === 0) probeBand(frame, light, clear, v, band)
    const o = v * width
    const up = v > 0 ? -width : 0
    const down = v < height - 1 ? width : 0
    let from = -1
    for (let s = 0; s < band.length; s++) {
      const kind = band.kind[s]
      const start = band.first[s] * CELL
      if (kind === FIELD) {
        if (from >= 0) {
          runs.push({ v, from, to: start })
          from = -1
        }
        continue
      }
      if (kind === TOOL) {
        if (from < 0) from = start
        continue
      }
      const half = halfWay[cells + band.first[s]]
      const high = half + clear
      const low = half - clear
      const end = start + CELL < width ? start + CELL : width
      for (let u = start; u < end; u++) {
        const i = o + u
        const grey = data[i]
        let dark = grey < high
        if (dark && grey > low) {
          const l = u > 0 ? i - 1 : i
          const r = u < width - 1 ? i + 1 : i
          const above = data[l + up] + data[i + up] + data[r + up]
          const below = data[l + down] + data[i + down] + data[r + down]
          dark = above + data[l] + grey + data[r] + below < 9 * half
        }
        if (dark && from < 0) from = u
        else if (!dark && from >= 0) {
          runs.push({ v, from, to: u })
          from = -1
        }
      }
    }
    if (from >= 0) runs.push({ v, from, to: width })
  }
  return runs
}

interface Blob {
  readonly runs: Run[]
  area: number
  u: number
  v: number
  onBorder: boolean
}

/** Runs that touch from row to row hang together. */
function blobsOf(runs: readonly Run[], { width, height }: Frame, anywhere: boolean): Blob[] {
  const parent = runs.map((_, i) => i)
  const root = (i: number): number => {
    while (parent[i] !== i) i = parent[i] = parent[parent[i]]
    return i
  }
  let above = 0
  for (let i = 0; i < runs.length; i++) {
    const { v, from, to } = runs[i]
    while (runs[above].v < v - 1 || (runs[above].v === v - 1 && runs[above].to <= from)) above++
    for (let k = above; k < i && runs[k].v === v - 1 && runs[k].from < to; k++) parent[root(k)] = root(i)
  }
  const blobs = new Map<number, Blob>()
  runs.forEach((run, i) => {
    const key = root(i)
    const blob = blobs.get(key) ?? { runs: [], area: 0, u: 0, v: 0, onBorder: false }
    blobs.set(key, blob)
    const length = run.to - run.from
    blob.runs.push(run)
    blob.area += length
    blob.u += (length * (run.from + run.to)) / 2
    blob.v += length * (run.v + 0.5)
    if (run.from === 0 || run.v === height - 1 || (anywhere && (run.to === width || run.v === 0))) blob.onBorder = true
  })
  return [...blobs.values()].map((blob) => ({ ...blob, u: blob.u / blob.area, v: blob.v / blob.area }))
}

/**
 * Walks round the outer outline along pixel sides and cuts it where it runs along the border of the picture.
 * @param start the leftmost pixel of the tool's topmost row
 */
function trace(mask: Uint8Array, width: number, height: number, start: Pixel): Crack[][] {
  const at = (u: number, v: number) => u >= 0 && v >= 0 && u < width && v < height && mask[v * width + u] === 1
  const loop: Crack[] = []
  let { u, v } = start // a corner of pixels
  let du = 1
  let dv = 0
  do {
    loop.push({ u: u + du / 2, v: v + dv / 2, du, dv })
    u += du
    v += dv
    // ahead-left and ahead-right pixels of the corner just reached (tool on the right hand, v down)
    const left = at(u + (du + dv - 1) / 2, v + (dv - du - 1) / 2)
    const right = at(u + (du - dv - 1) / 2, v + (dv + du - 1) / 2)
    if (left && right) [du, dv] = [dv, 0 - du]
    else if (!right) [du, dv] = [0 - dv, du]
  } while ((u !== start.u || v !== start.v || du !== 1 || dv !== 0) && loop.length < 4 * mask.length)
  const onBorder = ({ u, v, du }: Crack) => (du === 0 ? u === 0 || u === width : v === 0 || v === height)
  const pieces: Crack[][] = []
  const offset = loop.findIndex(onBorder)
  let piece: Crack[] = []
  for (let k = 0; k < loop.length; k++) {
    const crack = loop[(k + Math.max(0, offset)) % loop.length]
    if (onBorder(crack)) {
      if (piece.length >= LEAST_PIECE) pieces.push(piece)
      piece = []
    } else piece.push(crack)
  }
  if (piece.length >= LEAST_PIECE) pieces.push(piece)
  return pieces.sort((a, b) => b.length - a.length)
}
