import { describe, expect, it } from 'vitest'
import { decodeFrameSet, encodeFrameSet } from '@/codecs/frame-set'
import type { Picture } from '@/core/sets'
import type { ProgramStep } from '@/core/judge'
import { getAssembly } from '@/db/assembly/read'
import { lastMeasurement, listEvidenceInUse } from '@/db/measurement/read'
import { getProgram, listRoutines, listProgramVersions } from '@/db/program/read'
import { listRecord } from '@/db/record/read'
import { keepProgram } from '@/stations/measure/keep-program'
import { nextToMeasure, toolsOfJob } from '@/stations/measure/kit-run'
import { readMeasure } from '@/stations/measure/measure-sheet'
import { buildTool } from '@/stations/build/build-tool'
import {
  codeOf,
  frames,
  goodT4,
  measured,
  SCALE,
  saving,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  saveMeasurement,
} from '../support/tool-room'

const room = () => withT4(withJobs(toolRoom()))
const TOOL: ProgramStep = { name: 'Tool', at: null, features: ['LF', 'DC', 'RE'], limits: {} }
const COLLAR: ProgramStep = {
  name: 'Collar',
  at: { xMm: 5.4, downMm: 20.9 },
  features: ['DC', 'LF'],
  limits: { DC: { min: 11.95, max: 12.05 } },
}
const keep = (r: ReturnType<typeof room>, steps: readonly ProgramStep[], base = 0, who = 'ines') =>
  keepProgram(r.as(who, 61), { serial: 'BX00143', steps, base, why: 'went well' })

/** Pictures of the tool, and of a collar Ø12 at 20 mm below its tip. */
function withCollar(): Uint8Array {
  const of = (zip: Uint8Array, stage: number): Picture[] =>
    valueOf(decodeFrameSet(zip)).pictures.map((p) => ({ ...p, name: `${stage}-${p.name}`, stage }))
  const collar = goodT4().map((e) => ({ ...e, x: e.x + 1, z: e.z - 20, re: 0.3 }))
  const pictures = [...of(frames(goodT4()), 0), ...of(frames(collar), 1)]
  return encodeFrameSet({ mmPerPixel: SCALE, measure: ['LF', 'DC', 'RE'], pictures })
}

describe('a measuring program', () => {
  it('is kept with a version and a reason, and measured by from then on', () => {
    const r = room()
    expect(readMeasure(r.db, 'BX00143')!.program).toBeNull()
    expect(valueOf(keep(r, [TOOL, COLLAR]))).toEqual({ version: 1 })
    const sheet = readMeasure(r.db, 'BX00143')!
    expect(sheet.program).toMatchObject({ version: 1, why: 'went well', personId: 'ines', definition: 'D-0004' })
    expect(sheet.steps.map((s) => s.name)).toEqual(['Tool', 'Collar'])
    expect(listRecord(r.db)[0]).toMatchObject({ what: 'routine kept', t: 4, before: null })
    expect([...listRoutines(r.db).keys()]).toEqual(['D-0004'])
  })
  it('measures every step by itself, and judges them together', () => {
    const r = room()
    valueOf(keep(r, [TOOL, COLLAR]))
    const saved = saveMeasurement(r.as('ines', 62), r.evidence, saving('BX00143', goodT4(), { frames: withCollar(), program: 1 }))
    expect(valueOf(saved).verdict).toBe('holds')
    const last = lastMeasurement(r.db, getAssembly(r.db, 'BX00143')!.id)!
    expect(last.program).toBe(1)
    expect(last.summary.LF).toBeCloseTo(118, 3)
    expect(last.steps[0].name).toBe('Collar')
    expect(last.steps[0].summary.DC).toBeCloseTo(12.002, 3)
    expect(last.steps[0].summary.LF).toBeCloseTo(98, 3)
    const collar = last.result.features.filter((f) => f.step === 'Collar')
    expect(collar.map((f) => [f.key, f.verdict])).toEqual([
      ['LF', null],
      ['DC', 'holds'],
    ])
  })
  it('is off where a step is outside, or was not photographed', () => {
    const r = room()
    valueOf(keep(r, [TOOL, { ...COLLAR, limits: { DC: { min: 12.1, max: 12.2 } } }]))
    const outside = saveMeasurement(
      r.as('ines', 62),
      r.evidence,
      saving('BX00143', goodT4(), { frames: withCollar(), program: 1 }),
    )
    expect(valueOf(outside).verdict).toBe('off')
    const missing = saveMeasurement(r.as('ines', 63), r.evidence, saving('BX00143', goodT4(), { program: 1 }))
    expect(valueOf(missing).verdict).toBe('off')
    const last = lastMeasurement(r.db, getAssembly(r.db, 'BX00143')!.id)!
    expect(last.result.missing).toEqual([{ key: 'DC', step: 'Collar' }])
  })
  it('pictures that were taken by another version are not saved', () => {
    const r = room()
    valueOf(keep(r, [TOOL, COLLAR]))
    expect(codeOf(saveMeasurement(r.as('ines', 62), r.evidence, saving('BX00143', goodT4())))).toBe('OTHER_PROGRAM')
    expect(r.evidence.kept.size).toBe(0)
  })
  it('keeps the pictures it was kept from, however old', () => {
    const r = measured(room())
    const [place] = r.evidence.kept.keys()
    valueOf(keep(r, [{ ...TOOL }]))
    expect(getProgram(r.db, 'D-0004')!.evidence).toBe(place)
    // figures of the tool rest on newer pictures now; the program still rests on these
    valueOf(saveMeasurement(r.as('ines', 70), r.evidence, saving('BX00143', goodT4({ re: 1.001 }), { program: 1 })))
    expect(r.evidence.kept.size).toBe(2)
    expect(listEvidenceInUse(r.db).has(place)).toBe(true)
  })
  it('keeps its older versions, and refuses a change of one that is not in force any more', () => {
    const r = room()
    valueOf(keep(r, [TOOL, COLLAR]))
    // a limit is a lead's to change or to leave out; a step more is anybody's
    expect(codeOf(keep(r, [TOOL], 1))).toBe('LEAD_ONLY')
    expect(codeOf(keep(r, [TOOL, { ...COLLAR, limits: { DC: { min: 11.9, max: 12.1 } } }], 1))).toBe('LEAD_ONLY')
    valueOf(keep(r, [TOOL], 1, 'oda'))
    expect(codeOf(keep(r, [TOOL, COLLAR], 1))).toBe('CHANGED')
    expect(getProgram(r.db, 'D-0004')!.steps).toEqual([TOOL])
    expect(listProgramVersions(r.db, 'D-0004').map((p) => p.version)).toEqual([2, 1])
  })
  it('refuses steps that cannot be measured, and tools that nobody has defined', () => {
    const r = room()
    expect(codeOf(keep(r, []))).toBe('NO_STEP')
    expect(codeOf(keep(r, [TOOL, { ...COLLAR, features: [] }]))).toBe('ASKS_NOTHING')
    expect(codeOf(keepProgram(r.as('ines'), { serial: 'BX09999', steps: [TOOL], base: 0, why: 'x' }))).toBe('NO_DEFINITION')
    expect(getProgram(r.db, 'D-0004')).toBeNull()
  })
})

describe('a kit measured tool after tool', () => {
  it('asks for the next one that waits, in the order of their numbers', () => {
    const r = room()
    valueOf(buildTool(r.as('ines'), 'HP-2207', 12, 'BX00141'))
    expect(toolsOfJob(r.db, 'HP-2207').map((a) => a.t)).toEqual([4, 12])
    expect(nextToMeasure(r.db, 'HP-2207', 'BX00143')).toMatchObject({ serial: 'BX00141', t: 12 })
    expect(nextToMeasure(r.db, 'HP-2207', 'BX00141')).toMatchObject({ serial: 'BX00143', t: 4 })
    valueOf(saveMeasurement(r.as('ines', 60), r.evidence, saving('BX00143', goodT4())))
    expect(nextToMeasure(r.db, 'HP-2207', 'BX00141')).toBeNull()
  })
})
