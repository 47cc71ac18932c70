import { describe, expect, it } from 'vitest'
import { returnsByTool, type CameBack } from './returns'

const back = (change: Partial<CameBack> = {}): CameBack => ({
  ...{ key: 'D-0004', name: 'End mill 10', t: 4, disposition: 'again', longerMm: null, lifeMin: null, allowedMin: 90 },
  ...change,
})

describe('what came back', () => {
  it('counts each kind: broken, longer, and how much of its life it reached', () => {
    const [tool] = returnsByTool([
      back(),
      back({ disposition: 'broken', lifeMin: 30 }),
      back({ disposition: 'scrap', lifeMin: 85 }),
      back({ disposition: 'apart', lifeMin: 95 }),
      back({ longerMm: 0.04 }),
      back({ longerMm: 0.11 }),
    ])
    expect(tool).toEqual({
      ...{ key: 'D-0004', name: 'End mill 10', t: 4, count: 6, broken: 1 },
      longer: { count: 2, mostMm: 0.11 },
      // 72 min are four fifths of 90: only the broken one ended before
      lives: { count: 3, medianMin: 85, allowedMin: 90, early: 1 },
    })
  })
  it('puts trouble first, and says nothing of lives that go on', () => {
    const fine = Array.from({ length: 9 }, () => back({ key: 'fine', name: 'Drill' }))
    const all = returnsByTool([...fine, back({ key: 'bad', disposition: 'broken', lifeMin: 5, allowedMin: null })])
    expect(all.map((r) => r.key)).toEqual(['bad', 'fine'])
    expect(all[1].lives).toBeNull()
    expect(all[0].lives).toMatchObject({ early: 0, allowedMin: null })
    expect(returnsByTool([])).toEqual([])
  })
})
