/** A tool of which nothing is known is found by coming down over the axis: what is seen first is only a part of it. */
import { expect, it } from 'vitest'
import { measureFrame } from '@/core/shapes'
import { makeTruth, type NominalTool } from '@/devices/world/tool-truth'
import { findCorner, findEdges, viewOf } from '@/workers/bench-cycle'
import { benchOf, quiet } from '../support/bench-truth'

const nominal: NominalTool = { LF: 149, DC: 10, RE: 1, edges: 4, form: 'corner' }
/** Its first picture shows the end and no flank: a corner laid through it stands 0.9 mm over the tool. */
const truth = makeTruth(2439706489, nominal)

it('nothing farther out than what is seen is told as its height', async () => {
  const bench = await benchOf(truth)
  const heights: number[] = []
  for (let down = 0; down <= 2.4; down += 0.2) {
    await bench.moveTo(4.16, 150.7 - down)
    const picture = await bench.grab()
    const read = measureFrame(picture.frame, viewOf(bench, picture), [])
    if (read.ok && read.value.z) heights.push(read.value.z.value)
  }
  expect(heights.length).toBeGreaterThan(3)
  for (const z of heights) expect(z).toBeLessThan(149.03)
})

it('all of its edges are found', async () => {
  const bench = await benchOf(truth)
  const corner = await findCorner(bench, null, quiet)
  expect(corner.ok && (await findEdges(bench, corner.value, quiet))).toHaveLength(4)
})
