/** npm run bench: how close to the truth, and how fast, as ratios to a reference in the same run. No pass or fail. */
import { measureFrame } from '@/core/shapes'
import { chance, randomCase } from '../test/support/render'
import { attackBench } from './attack'
import { balanceBench } from './balance'
import { causesBench } from './causes'
import { headsBench } from './heads'
import { libraryBench } from './library'
import { saveBench } from './save'
import { scheduleBench } from './schedule'
import { shopBench } from './shop'
import { terminalsBench } from './terminals'
import { visionBench } from './vision'

const CASES = 200
const rms = (values: readonly number[]) => Math.sqrt(values.reduce((s, v) => s + v * v, 0) / values.length)
const row = (...cells: string[]) => console.log(cells.map((cell, i) => (i ? cell.padStart(14) : cell.padEnd(44))).join(''))

/** The reference: one pass of a 3×3 mean over the same picture, the least any measuring has to do. */
function meanFilter(data: Uint8Array, width: number, height: number): number {
  let check = 0
  for (let v = 1; v < height - 1; v++)
    for (let u = 1; u < width - 1; u++) {
      const i = v * width + u
      check +=
        (data[i - width - 1] +
          data[i - width] +
          data[i - width + 1] +
          data[i - 1] +
          data[i] +
          data[i + 1] +
          data[i + width - 1] +
          data[i + width] +
          data[i + width + 1]) /
        9
    }
  return check
}

function accuracy(name: string, given: (i: number) => Parameters<typeof randomCase>[1]): void {
  const x: number[] = []
  const z: number[] = []
  const re: number[] = []
  let ours = 0
  let reference = 0
  let unread = 0
  for (let i = 0; i < CASES; i++) {
    const { tool, scene, frame } = randomCase(i + 1, given(i))
    const t0 = performance.now()
    const read = measureFrame(frame, scene, ['RE'])
    const t1 = performance.now()
    meanFilter(frame.data, frame.width, frame.height)
    ours += t1 - t0
    reference += performance.now() - t1
    if (!read.ok || !read.value.x || !read.value.z || !read.value.re) {
      unread++
      continue
    }
    x.push((read.value.x.value - tool.x) / scene.mmPerPixel.x)
    z.push((read.value.z.value - tool.z) / scene.mmPerPixel.z)
    re.push((read.value.re.value - tool.re) / Math.sqrt(scene.mmPerPixel.x * scene.mmPerPixel.z))
  }
  const worst = (values: number[]) => Math.max(...values.map(Math.abs)).toFixed(4)
  row(
    name,
    rms(x).toFixed(4),
    rms(z).toFixed(4),
    rms(re).toFixed(4),
    `${worst(x)}/${worst(z)}`,
    String(unread),
    (ours / CASES).toFixed(1),
    (ours / reference).toFixed(1),
  )
}

async function pictures(): Promise<void> {
  console.log(`${CASES} pictures of 640×480 each, drawn by the test renderer; errors in pixels\n`)
  row('', 'x RMS', 'z RMS', 'radius RMS', 'worst x/z', 'not read', 'ms/frame', '× 3×3 mean')
  accuracy('contrast 200, noise 2, blur 1.2, 0.01 mm/px', () => ({}))
  accuracy('noise 0–8, blur 0.7–3, light −40 %, 2–50 µm/px', (i) => {
    const { between } = chance(i + 9)
    const noise = between(0, 8)
    const scale = between(0.002, 0.05)
    return {
      noise,
      contrast: Math.max(60, Math.min(220, 20 * noise + between(0, 60))),
      blurPx: between(0.7, 3),
      fallOff: 0.4,
      mmPerPixel: { x: scale, z: scale * between(0.95, 1.05) },
      re: between(20, 150) * scale,
    }
  })

  console.log('')
  await visionBench(row)
  console.log('')
  libraryBench()
}

// npm run bench, or one of them: npm run bench -- shop /kit
const [only, path] = process.argv.slice(2)
if (!only || only === 'pictures') await pictures()
if (!only || only === 'save') await saveBench()
if (!only || only === 'balance') await balanceBench()
if (!only || only === 'heads') headsBench()
if (!only || only === 'causes') causesBench()
if (!only || only === 'schedule') scheduleBench()
if (!only || only === 'shop') await shopBench(path)
if (!only || only === 'terminals') await terminalsBench()
if (!only || only === 'attack') await attackBench(Number(path) || undefined)
