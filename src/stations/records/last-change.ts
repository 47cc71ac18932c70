import type { RecordEntry } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listRecord } from '@/db/record/read'
import { KINDS } from '../entries'
import type { Refusal } from '../refusals'

type Changed = Refusal<'CHANGED'>

/** Under which words of the record a change of each kind stands. */
const ABOUT: Readonly<Record<Changed['what'], readonly string[]>> = {
  machine: [KINDS.POST_KEPT, KINDS.LABEL_KEPT, KINDS.RULES_KEPT],
  part: ['part changed'],
  steps: [KINDS.STEPS_KEPT],
  routine: [KINDS.ROUTINE_KEPT],
  practice: [KINDS.PRACTICE_CHANGED],
  adapter: [KINDS.ADAPTER_CHANGED],
  unit: [KINDS.UNIT_MOVED],
  master: [KINDS.MASTER_RENEWED],
  definition: [KINDS.DEFINITION_PUT],
  devices: ['set up'],
  person: ['person', 'sign-in rule'],
  job: [KINDS.JOB_CHANGED, KINDS.T_SAID],
  build: [],
  readings: [],
  drawer: [],
  tool: [],
  holder: [],
  load: [],
  'loaded tool': [],
}

/** What somebody else did last of what could not be changed; null where the record does not tell. */
export function lastChange(db: Db, refusal: Changed): RecordEntry | null {
  if ('serial' in refusal) return listRecord(db, { serial: refusal.serial, limit: 1 })[0] ?? null
  const latest = ABOUT[refusal.what].flatMap((what) => listRecord(db, { what, limit: 1 }))
  return latest.sort((a, b) => b.seq - a.seq)[0] ?? null
}
