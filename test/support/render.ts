/**
 * A renderer for tests and the bench only: area coverage by supersampling, then a Gaussian blur, light and noise.
 * It shares nothing with what measures, nor with the optical bench's stand-in.
 */
export interface Scene {
  readonly width: number
  readonly height: number
  readonly mmPerPixel: { readonly x: number; readonly z: number }
  readonly centreX: number
  readonly centreZ: number
  /** Whether a point (mm) lies in the tool. */
  readonly inside: (x: number, z: number) => boolean
  readonly blurPx: number
  readonly noise: number
  readonly dark: number
  readonly contrast: number
  /** Share by which the light falls off from the middle to the corner. */
  readonly fallOff: number
  readonly seed: number
}

export interface Tool {
  readonly x: number
  readonly z: number
  readonly re: number
  /** Degrees by which the end falls towards the axis. */
  readonly dishDeg: number
  readonly chip?: { readonly x: number; readonly z: number; readonly r: number }
}

/** A flank along Z at `x`, an arc `re`, an end that falls towards the axis from the arc's pole. */
export function cornerTool({ x: X, z: Z, re, dishDeg, chip }: Tool): Scene['inside'] {
  const tan = Math.tan((dishDeg * Math.PI) / 180)
  const cx = X - re
  const cz = Z - re
  return (x, z) => {
    if (chip && (x - chip.x) ** 2 + (z - chip.z) ** 2 < chip.r ** 2) return true
    if (x > X || z > Z) return false
    if (x <= cx) return z <= Z - (cx - x) * tan
    return z <= cz || (x - cx) ** 2 + (z - cz) ** 2 <= re * re
  }
}

/** A seeded normal law: xorshift32 and the sum of twelve, unlike anything in src. */
export function chance(seed: number) {
  let s = seed * 2654435761 + 1 || 1
  const uniform = () => {
    s ^= s << 13
    s ^= s >>> 17
    s ^= s << 5
    return (s >>> 0) / 4294967296
  }
  const normal = () => {
    let sum = -6
    for (let i = 0; i < 12; i++) sum += uniform()
    return sum
  }
  return { uniform, normal, between: (a: number, b: number) => a + (b - a) * uniform() }
}

export function render(scene: Scene): Uint8Array {
  const { width: w, height: h, mmPerPixel, inside } = scene
  const X = (u: number) => scene.centreX + (u - w / 2) * mmPerPixel.x
  const Z = (v: number) => scene.centreZ + (h / 2 - v) * mmPerPixel.z
  const corner = new Uint8Array((w + 1) * (h + 1))
  const xs = Float64Array.from({ length: w + 1 }, (_, u) => X(u))
  for (let v = 0; v <= h; v++) {
    const z = Z(v)
    for (let u = 0; u <= w; u++) corner[v * (w + 1) + u] = inside(xs[u], z) ? 1 : 0
  }
  const cover = new Float32Array(w * h)
  // 64 places in a lattice: each row and column of them is different, so that an upright edge is not read in eighths
  const lattice = Array.from({ length: 64 }, (_, i) => [(i + 0.5) / 64, (i * 0.6180339887498949) % 1] as const)
  for (let v = 0; v < h; v++) {
    for (let u = 0; u < w; u++) {
      const k = v * (w + 1) + u
      const sum = corner[k] + corner[k + 1] + corner[k + w + 1] + corner[k + w + 2]
      if (sum === 4) cover[v * w + u] = 1
      else if (sum > 0) {
        let c = 0
        for (const [a, b] of lattice) if (inside(X(u + a), Z(v + b))) c++
        cover[v * w + u] = c / 64
      }
    }
  }
  const blurred = blur(cover, w, h, scene.blurPx)
  const { normal, uniform } = chance(scene.seed)
  const grain = Float32Array.from({ length: 4 * w }, normal)
  const data = new Uint8Array(w * h)
  const across = Float64Array.from({ length: w }, (_, u) => ((u - w / 2) / (w / 2)) ** 2)
  for (let v = 0; v < h; v++) {
    const shift = Math.floor(3 * w * uniform())
    const up = ((v - h / 2) / (h / 2)) ** 2
    for (let u = 0; u < w; u++) {
      const r2 = (across[u] + up) / 2
      const light = 1 - scene.fallOff * r2
      const grey = (scene.dark + scene.contrast * (1 - blurred[v * w + u])) * light + scene.noise * grain[shift + u]
      data[v * w + u] = Math.max(0, Math.min(255, Math.round(grey)))
    }
  }
  return data
}

function blur(picture: Float32Array, w: number, h: number, sigma: number): Float32Array {
  const reach = Math.ceil(4 * sigma)
  const kernel = Float64Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-0.5 * ((i - reach) / sigma) ** 2))
  const total = kernel.reduce((a, b) => a + b, 0)
  const out = picture.slice()
  const pass = (lines: number, length: number, start: (line: number) => number, step: number) => {
    const padded = new Float64Array(length + 2 * reach)
    for (let line = 0; line < lines; line++) {
      const o = start(line)
      for (let i = 0; i < padded.length; i++) padded[i] = out[o + Math.min(length - 1, Math.max(0, i - reach)) * step]
      // how many places up to the end of the window are the same: all tool or all field stays what it is
      let alike = 0
      for (let i = 0; i < kernel.length - 1; i++) alike = i > 0 && padded[i] === padded[i - 1] ? alike + 1 : 1
      for (let i = 0; i < length; i++) {
        const end = i + kernel.length - 1
        alike = end > 0 && padded[end] === padded[end - 1] ? alike + 1 : 1
        if (alike >= kernel.length && (padded[end] === 0 || padded[end] === 1)) continue
        let sum = 0
        for (let k = 0; k < kernel.length; k++) sum += kernel[k] * padded[i + k]
        out[o + i * step] = sum / total
      }
    }
  }
  pass(h, w, (line) => line * w, 1)
  pass(w, h, (line) => line, w)
  return out
}

/** A random tool and the picture of its corner, as the accuracy tests and the bench use it. */
export function randomCase(seed: number, given: Partial<Scene> & { readonly re?: number } = {}) {
  const { between } = chance(seed + 77)
  const mmPerPixel = given.mmPerPixel ?? { x: 0.01, z: 0.01 }
  const tool = { x: between(4, 16), z: between(60, 220), re: given.re ?? 1.5, dishDeg: between(1, 4) }
  const centreX = tool.x + between(-1.4, -0.6) * (mmPerPixel.x / 0.01)
  const centreZ = tool.z + between(-1.2, -0.5) * (mmPerPixel.z / 0.01)
  const scene: Scene = {
    width: 640,
    height: 480,
    blurPx: 1.2,
    noise: 2,
    dark: 25,
    contrast: 200,
    fallOff: 0,
    ...given,
    mmPerPixel,
    centreX,
    centreZ,
    inside: cornerTool(tool),
    seed,
  }
  return { tool, scene, frame: { width: scene.width, height: scene.height, data: render(scene) } }
}
