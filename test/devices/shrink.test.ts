import { describe, expect, it } from 'vitest'
import type { HeatOrder } from '@/devices/shrink/port'
import { simulatedShrink } from '@/devices/shrink/simulated'

/** A unit whose clock stands still until it is moved. */
function unitAt() {
  let state: string | null = null
  const clock = { s: 0 }
  const memory = { get: () => state, put: (s: string) => void (state = s), nowMs: () => 1e12 + 1000 * clock.s }
  return { clock, memory, unit: simulatedShrink(memory) }
}
const order = (serial: string, change: Partial<HeatOrder> = {}): HeatOrder => ({
  serial,
  coil: '16 … 20',
  targetC: 220,
  greatestC: 370,
  nose: { boreMm: 20, noseMm: 33, heatedMm: 52 },
  ...change,
})
const code = (r: { ok: boolean; error?: { code: string } }) => (r.ok ? 'ok' : r.error?.code)
const see = async (unit: ReturnType<typeof simulatedShrink>) => {
  const s = await unit.state()
  if (!s.ok) throw new Error(s.error.code)
  return s.value
}

describe('the shrink unit', () => {
  it('heats in seconds and stops by itself at the target', async () => {
    const { clock, unit } = unitAt()
    await unit.heat(order('BX1'))
    clock.s = 1
    expect((await see(unit)).heating).toMatchObject({ serial: 'BX1', phase: 'heating', reachedAt: null })
    clock.s = 20
    const { heating } = await see(unit)
    expect(heating?.phase).toBe('reached')
    const seconds = (Date.parse(heating!.reachedAt!) - 1e12) / 1000
    expect(seconds).toBeGreaterThan(2)
    expect(seconds).toBeLessThan(13) // 5 to 12 s, common practice, no source
    expect(Math.max(...heating!.curve.map(([, c]) => c))).toBeLessThan(225)
  })
  it('never goes above what the holder may see', async () => {
    const { unit } = unitAt()
    expect(code(await unit.heat(order('BX1', { targetC: 380 })))).toBe('ABOVE_LIMIT')
    expect((await see(unit)).heating).toBeNull()
  })
  it('a contact body cools to the touch in about a minute, air does not', async () => {
    const cooled = async (body: boolean) => {
      const { clock, unit } = unitAt()
      await unit.heat(order('BX1'))
      clock.s = 12
      if (body) await unit.cool('BX1', 2)
      clock.s = 100
      const s = await see(unit)
      return body ? s.bodies[1] : s.heating
    }
    const inBody = await cooled(true)
    expect(inBody).toMatchObject({ light: 'cool' })
    expect((await cooled(false))!.noseC!).toBeGreaterThan(100)
  })
  it('runs several bodies at once, one holder each', async () => {
    const { clock, unit } = unitAt()
    for (const [i, serial] of ['BX1', 'BX2', 'BX3'].entries()) {
      clock.s = 20 * i
      expect(code(await unit.heat(order(serial)))).toBe('ok')
      clock.s = 20 * i + 10
      expect(code(await unit.cool(serial, i + 1))).toBe('ok')
    }
    const { bodies } = await see(unit)
    expect(bodies.map((b) => b.serial)).toEqual(['BX1', 'BX2', 'BX3', null])
    expect(bodies[0].noseC!).toBeLessThan(bodies[2].noseC!)
    await unit.heat(order('BX4'))
    expect(code(await unit.cool('BX4', 1))).toBe('BODY_TAKEN')
    expect(code(await unit.cool('BX9', 4))).toBe('NOT_IN_COIL')
    expect(code(await unit.heat(order('BX5')))).toBe('BUSY')
  })
  it('refuses a second heat on a warm nose, and a coil it has not got', async () => {
    const { clock, unit } = unitAt()
    await unit.heat(order('BX1'))
    clock.s = 12
    await unit.cool('BX1', 1)
    clock.s = 20
    expect(code(await unit.heat(order('BX1')))).toBe('STILL_WARM')
    clock.s = 400
    expect(code(await unit.heat(order('BX1')))).toBe('ok')
    expect(code(await unitAt().unit.heat(order('BX1', { coil: '99' })))).toBe('UNKNOWN_COIL')
  })
  it('knows after a restart what it was doing', async () => {
    const { clock, memory, unit } = unitAt()
    await unit.heat(order('BX1'))
    clock.s = 12
    await unit.cool('BX1', 3)
    clock.s = 15
    const again = await see(simulatedShrink(memory))
    expect(again).toEqual(await see(unit))
    expect(again.bodies[2]).toMatchObject({ serial: 'BX1', light: 'hot' })
    await unit.take('BX1')
    expect((await see(unit)).bodies[2].light).toBe('free')
  })
})
