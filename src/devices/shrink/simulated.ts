/**
 * A shrink unit that is not there. Its own forward model: nose, shank and holder body as three lumps that heat flows
 * between, in small steps from the start of the heat. Everything follows from when what was ordered, so it survives a
 * restart.
 */
import { fail, ok } from '@/core/units'
import type { CoolingBody, Curve, HeatOrder, Heating, ShrinkUnit, UnitError } from './port'

/** Where the unit remembers what it is doing, and its clock. */
export interface UnitMemory {
  get(): string | null
  put(state: string): void
  nowMs(): number
}

interface Run {
  readonly order: HeatOrder
  readonly startMs: number
  /** When it was set into a cooling body, and which. */
  readonly coolMs: number | null
  readonly body: number | null
}

const COILS = ['3 … 6', '8 … 12', '14 … 16', '16 … 20', '25 … 32']
const BODIES = 4
const AMBIENT_C = 21.5
/** What reaches the nose, J/s; what a cooling body takes, W/(m²·K); what still air takes. */
const POWER_W = 5800
const CONTACT_H = 1350
const AIR_H = 14
const COOL_C = 43
const STEP_S = 0.05

interface Trace {
  readonly noseC: number
  readonly reachedS: number | null
  readonly curve: [number, number][]
}

function simulate({ order, startMs, coolMs }: Run, nowMs: number): Trace {
  const { boreMm, noseMm, heatedMm } = order.nose
  const wide = noseMm + 0.16 * heatedMm
  const noseJK = 7.8e-6 * 470 * (Math.PI / 4) * (wide * wide - boreMm * boreMm) * heatedMm
  const shankJK = 14.5e-6 * 210 * (Math.PI / 4) * boreMm * boreMm * heatedMm
  const area = Math.PI * wide * heatedMm * 1e-6
  // conductances, W/K: across the fit (only once it grips), and down the neck into the holder
  const across = 9 * boreMm * heatedMm * 1e-3
  const neck = (24 * (Math.PI / 4) * (wide * wide - boreMm * boreMm) * 1e-6) / (heatedMm * 1e-3)
  const endS = (nowMs - startMs) / 1000
  const coolS = coolMs === null ? Infinity : (coolMs - startMs) / 1000
  let [nose, shank, holder] = [AMBIENT_C, AMBIENT_C, AMBIENT_C]
  let reachedS: number | null = null
  const curve: [number, number][] = [[0, nose]]
  for (let s = 0; s < endS; s += STEP_S) {
    const heating = reachedS === null
    const out = area * (s >= coolS ? CONTACT_H : AIR_H) * (nose - AMBIENT_C)
    const toShank = heating ? 0 : across * (nose - shank)
    const toHolder = neck * (nose - holder)
    nose += (STEP_S * ((heating ? POWER_W : 0) - out - toShank - toHolder)) / noseJK
    shank += (STEP_S * toShank) / shankJK
    holder += (STEP_S * (toHolder - 0.4 * (holder - AMBIENT_C))) / 420
    if (heating && nose >= Math.min(order.targetC, order.greatestC)) reachedS = s + STEP_S
    if (s >= curve[curve.length - 1][0] + (s < 15 ? 0.25 : s < 120 ? 2 : 15)) curve.push([s, nose])
    if (s > 1800) break
  }
  curve.push([endS, nose])
  return { noseC: nose, reachedS, curve: curve.map(([s, c]) => [Math.round(s * 100) / 100, Math.round(c * 10) / 10]) }
}

export function simulatedShrink(memory: UnitMemory): ShrinkUnit {
  const load = (): Run[] => JSON.parse(memory.get() ?? '[]') as Run[]
  const save = (runs: readonly Run[]) => memory.put(JSON.stringify(runs))
  const refuse = (error: UnitError) => fail(error)
  return {
    async state() {
      const now = memory.nowMs()
      const runs = load()
      const inCoil = runs.find((r) => r.body === null)
      return ok({
        simulated: true,
        coils: COILS,
        heating: inCoil ? heatingOf(inCoil, simulate(inCoil, now)) : null,
        bodies: Array.from({ length: BODIES }, (_, i) => bodyOf(i + 1, runs, now)),
      })
    },
    async heat(order) {
      const runs = load()
      const now = memory.nowMs()
      const inCoil = runs.find((r) => r.body === null)
      if (inCoil) return refuse({ code: 'BUSY', serial: inCoil.order.serial })
      if (!COILS.includes(order.coil)) return refuse({ code: 'UNKNOWN_COIL', coil: order.coil, coils: COILS })
      if (order.targetC > order.greatestC)
        return refuse({ code: 'ABOVE_LIMIT', targetC: order.targetC, greatestC: order.greatestC })
      const before = runs.find((r) => r.order.serial === order.serial)
      const noseC = before ? simulate(before, now).noseC : AMBIENT_C
      if (noseC > COOL_C) return refuse({ code: 'STILL_WARM', serial: order.serial, noseC })
      save([...runs.filter((r) => r !== before), { order, startMs: now, coolMs: null, body: null }])
      return ok(null)
    },
    async cool(serial, body) {
      const runs = load()
      const taken = runs.find((r) => r.body === body)
      if (taken) return refuse({ code: 'BODY_TAKEN', body, serial: taken.order.serial })
      const run = runs.find((r) => r.body === null && r.order.serial === serial)
      if (!run) return refuse({ code: 'NOT_IN_COIL', serial })
      save(runs.map((r) => (r === run ? { ...r, body, coolMs: memory.nowMs() } : r)))
      return ok(null)
    },
    async take(serial) {
      save(load().filter((r) => r.order.serial !== serial))
      return ok(null)
    },
  }
}

function heatingOf({ order, startMs }: Run, { noseC, reachedS, curve }: Trace): Heating {
  return {
    serial: order.serial,
    coil: order.coil,
    startedAt: new Date(startMs).toISOString(),
    targetC: order.targetC,
    noseC,
    phase: reachedS === null ? 'heating' : 'reached',
    reachedAt: reachedS === null ? null : new Date(startMs + 1000 * reachedS).toISOString(),
    curve,
  }
}

function bodyOf(body: number, runs: readonly Run[], nowMs: number): CoolingBody {
  const run = runs.find((r) => r.body === body)
  if (!run) return { body, serial: null, noseC: null, light: 'free', curve: [] satisfies Curve }
  const { noseC, curve } = simulate(run, nowMs)
  return { body, serial: run.order.serial, noseC, light: noseC > COOL_C ? 'hot' : 'cool', curve }
}
