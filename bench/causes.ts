/** What is wrong with 2,000 simulated tools: how often the likelihood that was told is right, in steps of 10 %. */
import { causesOf } from '@/core/causes'
import { drawTool } from '../test/support/cause-sim'

const TOOLS = 2000
const STEPS = 10
/** The share that is right differs by at most so much; of fewer tools in a step chance alone makes more. */
const [MOST_OFF, ENOUGH] = [0.05, 60]

export function causesBench(): void {
  const steps = Array.from({ length: STEPS }, () => ({ count: 0, said: 0, right: 0 }))
  let [good, blamed, faults, named] = [0, 0, 0, 0]
  const from = performance.now()
  for (let i = 1; i <= TOOLS; i++) {
    const { given, truth, edge } = drawTool(10_000 + i, { rich: i % 2 === 0 })
    const [first] = causesOf(given)
    const right = first.code === truth && (edge === null || first.edge === edge)
    const step = steps[Math.min(STEPS - 1, Math.floor(first.p * STEPS))]
    step.count++
    step.said += first.p
    if (right) step.right++
    if (truth === 'NOTHING') {
      good++
      if (!right) blamed++
    } else {
      faults++
      if (right) named++
    }
  }
  const ms = (performance.now() - from) / TOOLS
  console.log(`\n  causes of ${TOOLS} tools       tools     said    right`)
  steps.forEach(({ count, said, right }, i) => {
    if (count === 0) return
    const off = Math.abs(right / count - said / count)
    const mark = count >= ENOUGH && off > MOST_OFF ? '!' : ' '
    const share = (of: number) => `${((100 * of) / count).toFixed(1)} %`.padStart(8)
    console.log(
      `${mark} ${`${10 * i} to ${10 * (i + 1)} %`.padEnd(24)} ${String(count).padStart(7)} ${share(said)} ${share(right)}`,
    )
  })
  console.log(
    `${blamed > 0.01 * good ? '!' : ' '} ${blamed} of ${good} good tools blamed; ${named} of ${faults} faults named first; ${ms.toFixed(1)} ms a tool`,
  )
}
