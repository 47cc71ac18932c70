/** Two have the same sheet open: the second is told what the first did, and nothing of the first is lost. */
import { SI } from '@/core/units'
import { describe, expect, it } from 'vitest'
import { heavyHere } from '@/codecs/heavy'
import type { Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { listMasters } from '@/db/bench/read'
import { getJob } from '@/db/job/read'
import { getHolder } from '@/db/library/read'
import { listRecord } from '@/db/record/read'
import { listUnits } from '@/db/store/read'
import { stepsVersion } from '@/stations/build/build-sheet'
import { putSteps } from '@/stations/build/put-steps'
import { addTools } from '@/stations/kit/add-job'
import { mapTool } from '@/stations/kit/change-job'
import { reserveTool } from '@/stations/kit/reserve'
import { inspectHolder, replaceStud } from '@/stations/library/holder-care'
import { changeAdapter, renewMaster } from '@/stations/measure/adapter'
import { readBench } from '@/stations/measure/bench-state'
import { keepPractice, practiceOf } from '@/stations/practice'
import { lastChange } from '@/stations/records/last-change'
import type { Refusal } from '@/stations/refusals'
import { placeUnit } from '@/stations/store/plan'
import { lastChangeText } from '@/words/record'
import { SHIPPED_STEPS } from '@/words/steps'
import { codeOf, later, START, toolRoom, withJobs, withT4, type ToolRoom } from '../support/tool-room'

type Change = (who: 'oda' | 'ines', n: number) => Promise<Result<unknown, Refusal>> | Result<unknown, Refusal>
interface Case {
  readonly name: string
  /** What both see, then each makes a change of their own. */
  readonly open: (room: ToolRoom) => Change
  /** What is there now. */
  readonly now: (room: ToolRoom) => unknown
}

const JOB = 'HP-2207'
const CASES: readonly Case[] = [
  {
    name: 'steps',
    open: (room) => {
      const seen = stepsVersion(room.db, 'shrink')
      return (who, n) => putSteps(room.as(who, n), 'shrink', SHIPPED_STEPS.shrink.slice(0, 2 + n), heavyHere, seen)
    },
    now: (room) => stepsVersion(room.db, 'shrink'),
  },
  {
    name: 'a value of practice',
    open: (room) => {
      const seen = practiceOf(room.db).guardSigmas
      return (who, n) => keepPractice(room.as(who, n), 'guardSigmas', 1.5 + n / 10, seen)
    },
    now: (room) => practiceOf(room.db).guardSigmas,
  },
  {
    name: 'a reservation',
    open: (room) => {
      const seen = getAssembly(room.db, 'BX00143')!.job
      return (who, n) => reserveTool(room.as(who, n), 'BX00143', n === 1 ? null : JOB, seen)
    },
    now: (room) => getAssembly(room.db, 'BX00143')!.job,
  },
  {
    name: 'a unit of the store',
    open: (room) => {
      const unit = listUnits(room.db)[0]
      return (who, n) => placeUnit(room.as(who, n), { ...unit, w: 1, h: 1, x: 24, y: n }, 0, null, unit)
    },
    now: (room) => listUnits(room.db)[0].y,
  },
  {
    name: 'the adapter',
    open: (room) => {
      const seen = readBench(room.db, START).adapter?.serial ?? null
      return (who, n) => changeAdapter(room.as(who, n), n === 1 ? 'AD-SK40-1' : 'AD-HSKF63-1', seen)
    },
    now: (room) => readBench(room.db, later(5)).adapter?.serial,
  },
  {
    name: 'a certificate',
    open: (room) => {
      const master = listMasters(room.db)[0]
      return (who, n) =>
        renewMaster(room.as(who, n), {
          id: master.id,
          LFmm: master.LFmm,
          DCmm: master.DCmm,
          calibratedUntil: `202${7 + n}-06-30`,
          from: master.calibratedUntil,
        })
    },
    now: (room) => listMasters(room.db)[0].calibratedUntil,
  },
  {
    name: 'an inspection',
    open: (room) => {
      const seen = getHolder(room.db, 'BX00151')!.inspectBy
      return (who, n) =>
        inspectHolder(room.as(who, n), { serial: 'BX00151', until: later(500_000 + n), retireReason: null, from: seen })
    },
    now: (room) => getHolder(room.db, 'BX00151')!.inspectBy,
  },
  {
    name: 'a pull stud',
    open: (room) => {
      const seen = getHolder(room.db, 'BX00162')!.studSince
      return (who, n) => replaceStud(room.as(who, n), 'BX00162', 'P-SK40-AD', seen)
    },
    now: (room) => getHolder(room.db, 'BX00162')!.studSince,
  },
  {
    name: 'what a T of a job is',
    open: (room) => {
      const seen = getJob(room.db, JOB)!.version
      return (who, n) => mapTool(room.as(who, n), JOB, 4, n === 1 ? null : 'D-0004', seen)
    },
    now: (room) => getJob(room.db, JOB)!.mapping['4'],
  },
  {
    name: 'tools of a job',
    open: (room) => {
      const seen = getJob(room.db, JOB)!.version
      const tool = (count: number) => [{ t: 6, name: null, count, minutesEach: null, source: 'by hand' }] as const
      return (who, n) => addTools(room.as(who, n), JOB, tool(n), seen)
    },
    now: (room) => getJob(room.db, JOB)!.extra,
  },
]

describe.each(CASES)('$name', ({ open, now }) => {
  it('of two who had it open the second is told, and the first stays', async () => {
    const room = withT4(withJobs(toolRoom()))
    const change = open(room)
    expect(codeOf(await change('oda', 1))).toBe('ok')
    const after = now(room)
    const second = await change('ines', 2)
    expect(codeOf(second)).toBe('CHANGED')
    expect(now(room)).toEqual(after)
    const refusal = second.ok ? null : second.error
    if (refusal?.code !== 'CHANGED') throw new Error('not told')
    const last = lastChange(room.db, refusal)
    expect(last?.seq).toBe(listRecord(room.db)[0].seq)
    expect(lastChangeText(last!, SI)).toContain('Last change: Oda')
  })
})
