/** A turning tool on the bench: its nose is found, and where it points goes to the lathe. */
import { beforeEach, describe, expect, it } from 'vitest'
import { advise, UNKNOWN_MAKE } from '@/core/judge'
import { inTransaction } from '@/db/connection'
import { insertAdapter, insertCheck } from '@/db/bench/write'
import { lastMeasurement } from '@/db/measurement/read'
import { getAssembly } from '@/db/assembly/read'
import { buildTool } from '@/stations/build/build-tool'
import { addJob } from '@/stations/kit/add-job'
import { proposeHandover } from '@/stations/hand-over/propose'
import { later, program, saveMeasurement, saving, toolRoom, valueOf, type ToolRoom } from '../support/tool-room'

const SERIAL = 'BX00167'
let room: ToolRoom
beforeEach(() => {
  room = toolRoom()
  const programs = [{ name: 'HP3310-10.nc', text: program('HP3310-10.nc') }]
  const job = { id: 'HP-3310', name: '', machine: 'WAGTAIL', dueAt: later(300), quantity: 1, priority: 0, programs, extra: [] }
  valueOf(addJob(room.as('oda'), job))
  valueOf(buildTool(room.as('ines'), 'HP-3310', 1, SERIAL))
  inTransaction(room.db, (tx) => {
    insertAdapter(tx, { serial: 'AD-VDI40-1', coupling: 'VDI 40' }, later(10), 'ines')
    const none = { x: 0, z: 0 }
    const check = { masterId: 'M-VDI40', coupling: 'VDI 40', adapter: 'AD-VDI40-1', at: later(11), personId: 'ines' }
    insertCheck(tx, { ...check, drift: none, zero: none, evidence: null, reason: null })
  })
})
/** T1 of HP-3310: 95°, r 0.8, 32 mm out and 54 mm up, drawn with its tip outwards and up. */
const measuredWith = (re: number) =>
  saveMeasurement(room.as('ines', 60), room.evidence, saving(SERIAL, [{ x: 32, z: 54, re, dishDeg: 5 }], { checkId: 2 }))

describe('a turning tool on the bench', () => {
  it('is measured by its nose, and the lathe gets the orientation as its own axes have it', async () => {
    valueOf(measuredWith(0.8))
    const { edges, summary } = lastMeasurement(room.db, getAssembly(room.db, SERIAL)!.id)!
    expect(edges[0].nose).toMatchObject({ q: 1 })
    expect(edges[0].nose!.cx.value).toBeCloseTo(31.2, 2)
    expect(edges[0].nose!.cz.value).toBeCloseTo(53.2, 2)
    expect(summary.LF).toBeCloseTo(54, 2)
    const propose = (tip?: number) => proposeHandover(room.db, room.control, SERIAL, later(61), { tip })
    expect(await propose()).toMatchObject({ tip: 3, values: { tip: 3 } })
    const wrong = (await propose(2))!
    expect(wrong.refusals.map(({ refusal, leadMay }) => [refusal.code, leadMay])).toContainEqual(['TIP_DIFFERS', false])
    expect((await propose(9))!.refusals.map(({ refusal }) => refusal.code)).not.toContain('TIP_DIFFERS')
  })
  it('an insert of another radius is called by its code', () => {
    valueOf(measuredWith(0.4))
    const saved = lastMeasurement(room.db, getAssembly(room.db, SERIAL)!.id)!
    expect(saved.verdict).toBe('off')
    const set = { measure: ['RE' as const], edges: saved.edges, summary: saved.summary, warnings: [] }
    // whatever else is off is told first: here only the radius is looked at
    const result = { ...saved.result, features: saved.result.features.filter((f) => f.key === 'RE') }
    expect(advise(set, result, UNKNOWN_MAKE).said).toMatchObject({ code: 'OTHER_NOSE', has: '04', needs: '08' })
  })
})
