/**
 * One picture analysed, beside a general-purpose vision library in the same run (threshold, contour, ellipse), and
 * beside the least scatter that the picture's noise allows (Cramér and Rao, from the picture's own derivatives).
 */
import { createRequire } from 'node:module'
import { measureFrame } from '@/core/shapes'
import { invert } from '@/core/numeric'
import { cornerTool, randomCase, render } from '../test/support/render'

interface Mat {
  readonly data32S: Int32Array
  delete(): void
}
interface Vision {
  onRuntimeInitialized?: () => void
  Mat: new () => Mat
  MatVector: new () => { get(i: number): Mat; size(): number; delete(): void }
  matFromArray(rows: number, cols: number, type: number, data: Uint8Array): Mat
  threshold(from: Mat, to: Mat, at: number, most: number, type: number): void
  findContours(from: Mat, to: unknown, tree: Mat, mode: number, method: number): void
  fitEllipse(points: Mat): { center: { x: number; y: number }; size: { width: number; height: number } }
  CV_8UC1: number
  CV_32SC2: number
  THRESH_BINARY_INV: number
  THRESH_OTSU: number
  RETR_EXTERNAL: number
  CHAIN_APPROX_NONE: number
}

async function vision(): Promise<Vision> {
  const cv = createRequire(`${process.cwd()}/package.json`)('@techstark/opencv-js') as Vision & { then?: unknown }
  delete cv.then
  if (!cv.Mat) await new Promise<void>((done) => (cv.onRuntimeInitialized = done))
  return cv
}

type Case = ReturnType<typeof randomCase>
const rms = (values: readonly number[]) => Math.sqrt(values.reduce((s, v) => s + v * v, 0) / values.length)
const median = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1]

/** Threshold, outer contour, and an ellipse through the part of it that belongs to the corner: largest x and z in px. */
function byLibrary(cv: Vision, { frame, scene, tool }: Case) {
  const picture = cv.matFromArray(frame.height, frame.width, cv.CV_8UC1, frame.data)
  const split = new cv.Mat()
  const contours = new cv.MatVector()
  const tree = new cv.Mat()
  cv.threshold(picture, split, 0, 255, cv.THRESH_BINARY_INV + cv.THRESH_OTSU)
  cv.findContours(split, contours, tree, cv.RETR_EXTERNAL, cv.CHAIN_APPROX_NONE)
  let outline = contours.get(0)
  for (let i = 1; i < contours.size(); i++) if (contours.get(i).data32S.length > outline.data32S.length) outline = contours.get(i)
  const points = outline.data32S
  const cornerU = (tool.x - tool.re - scene.centreX) / scene.mmPerPixel.x + frame.width / 2
  const cornerV = frame.height / 2 - (tool.z - tool.re - scene.centreZ) / scene.mmPerPixel.z
  let u = 0
  let v = frame.height
  const arc: number[] = []
  for (let i = 0; i < points.length; i += 2) {
    u = Math.max(u, points[i])
    v = Math.min(v, points[i + 1])
    if (points[i] > cornerU && points[i + 1] < cornerV) arc.push(points[i], points[i + 1])
  }
  const chosen = cv.matFromArray(arc.length / 2, 1, cv.CV_32SC2, arc as unknown as Uint8Array)
  const ellipse = cv.fitEllipse(chosen)
  for (const m of [picture, split, contours, tree, outline, chosen]) m.delete()
  // pixel centres of the outermost tool pixels: the outline lies half a pixel farther out
  return { u: u + 1, v, radius: (ellipse.size.width + ellipse.size.height) / 4 }
}

async function againstLibrary(row: (...cells: string[]) => void): Promise<void> {
  const cv = await vision()
  const cases = Array.from({ length: 40 }, (_, i) => randomCase(i + 1))
  const ours: number[] = []
  const theirs: number[] = []
  const errors = { ours: [] as number[], theirs: [] as number[] }
  for (let turn = 0; turn < 16; turn++) {
    const t0 = performance.now()
    const found = cases.map((c) => byLibrary(cv, c))
    const t1 = performance.now()
    const reads = cases.map((c) => measureFrame(c.frame, c.scene, ['LF', 'DC', 'RE']))
    const t2 = performance.now()
    if (turn < 6) continue // both warm
    theirs.push((t1 - t0) / cases.length)
    ours.push((t2 - t1) / cases.length)
    if (turn > 6) continue
    cases.forEach((c, i) => {
      const read = reads[i]
      if (!read.ok || !read.value.x || !read.value.z || !read.value.re) return
      const { x, z } = c.scene.mmPerPixel
      const at = { u: (c.tool.x - c.scene.centreX) / x + 320, v: 240 - (c.tool.z - c.scene.centreZ) / z }
      errors.theirs.push(found[i].u - at.u, found[i].v - at.v)
      errors.ours.push((read.value.x.value - c.tool.x) / x, (read.value.z.value - c.tool.z) / z)
    })
  }
  row('one picture, beside a vision library', 'ms ours', 'ms library', 'ratio', 'RMS px ours', 'RMS px library', 'closer by')
  row(
    '640×480, contrast 200, noise 2',
    median(ours).toFixed(2),
    median(theirs).toFixed(2),
    (median(ours) / median(theirs)).toFixed(2),
    rms(errors.ours).toFixed(4),
    rms(errors.theirs).toFixed(4),
    (rms(errors.theirs) / rms(errors.ours)).toFixed(0),
  )
}

/** The bound for x with everything else unknown: length, radius, dish, levels and blur. */
function boundOfX(): { bound: number; found: number } {
  const base = { x: 10, z: 150, re: 1.5, dishDeg: 2.5, dark: 25, contrast: 200, blurPx: 1.2 }
  const noise = 2
  const draw = (p: typeof base, sigma: number, seed: number) => ({
    width: 640,
    height: 480,
    mmPerPixel: { x: 0.01, z: 0.01 },
    centreX: 9.003,
    centreZ: 149.121,
    inside: cornerTool(p),
    fallOff: 0,
    noise: sigma,
    ...p,
    seed,
  })
  const steps = { x: 0.01, z: 0.01, re: 0.05, dishDeg: 0.3, dark: 4, contrast: 8, blurPx: 0.1 }
  const keys = Object.keys(steps) as (keyof typeof steps)[]
  const slopes = keys.map((key) => {
    const up = render(draw({ ...base, [key]: base[key] + steps[key] }, 0, 1))
    const down = render(draw({ ...base, [key]: base[key] - steps[key] }, 0, 1))
    return Float32Array.from(up, (g, i) => (g - down[i]) / (2 * steps[key]))
  })
  const variance = noise * noise + 1 / 12 // grey levels are whole numbers
  const information = keys.map((_, a) => keys.map((__, b) => slopes[a].reduce((s, g, i) => s + g * slopes[b][i], 0) / variance))
  const bound = Math.sqrt(invert(information)![0][0]) / 0.01
  const errors = Array.from({ length: 150 }, (_, i) => {
    // always the same tool: the renderer draws an upright edge in steps of 1/64 px, which is more than the bound
    const scene = draw(base, noise, i + 1)
    const read = measureFrame({ width: 640, height: 480, data: render(scene) }, scene, ['LF', 'DC', 'RE'])
    return read.ok && read.value.x ? (read.value.x.value - base.x) / 0.01 : NaN
  })
  const mean = errors.reduce((a, b) => a + b, 0) / errors.length
  return { bound, found: rms(errors.map((e) => e - mean)) }
}

export async function visionBench(row: (...cells: string[]) => void): Promise<void> {
  await againstLibrary(row)
  const { bound, found } = boundOfX()
  console.log('')
  row('noise of x beside the Cramér–Rao bound', 'bound px', 'found px', 'ratio')
  row('flank of 330 rows, all else unknown', bound.toFixed(5), found.toFixed(5), (found / bound).toFixed(2))
}
