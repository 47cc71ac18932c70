import { nextTurn, tableOfReadings, turnsOf, type1Study, type Reading } from '@/core/judge'
import { gaugeStudy, type BadStudy } from '@/core/stats'
import { fail, type Result } from '@/core/units'
import { getAssembly, listAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { listMeasuredOf } from '@/db/measurement/read'
import { listPersonRows } from '@/db/person/read'
import { getStudy, listStudies, type Study } from '@/db/study/read'
import { endStudy as end, insertStudy } from '@/db/study/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import type { StudiesView, StudyLine, StudySheet } from './contract'

type Start = Omit<Study, 'id' | 'startedAt' | 'endedAt'>

/** Begins a study: from now on measurements of these tools by these people are its readings. */
export function startStudy(work: Work, given: Start): Result<{ readonly id: number }, Refusal> {
  const known = new Set(listPersonRows(work.db).map((p) => p.id))
  const stranger = given.people.find((id) => !known.has(id))
  if (stranger !== undefined) return fail({ code: 'UNKNOWN_PERSON', id: stranger })
  const lost = given.serials.filter((serial) => {
    const tool = getAssembly(work.db, serial)
    return !tool || tool.state === 'loaded' || tool.state === 'apart'
  })
  if (lost.length) return fail({ code: 'STUDY_TOOLS', serials: lost })
  const { name, people, serials, repeats } = given
  const entry = { code: 'STUDY_STARTED', name, people: people.length, tools: serials.length, repeats } as const
  return write(work, { entry, after: given }, (tx) => ({
    id: insertStudy(tx.db, { ...given, startedAt: tx.now }, tx.person.id),
  }))
}

export function endStudy(work: Work, id: number): Result<null, Refusal> {
  const study = getStudy(work.db, id)
  if (!study) return fail({ code: 'UNKNOWN_STUDY', id })
  return write(work, { entry: { code: 'STUDY_ENDED', name: study.name } }, (tx) => {
    must(end(tx.db, id, tx.now), { code: 'STUDY_ENDED', name: study.name })
    return null
  })
}

/** Measurements of its tools by its people since it began, in their order. */
function readingsOf(db: Db, { feature, people, serials, startedAt, endedAt }: Study): Reading[] {
  return listMeasuredOf(db, serials, startedAt, endedAt).flatMap(({ serial, personId, result }) => {
    const found = result.features.find((f) => f.key === feature && f.step === null && f.carried === undefined)
    return found && people.includes(personId) ? [{ person: personId, serial, value: found.value }] : []
  })
}

const lineOf = (db: Db, study: Study): StudyLine => {
  const of = study.people.length * study.serials.length * study.repeats
  const table = readingsOf(db, study)
  const done = study.people.reduce(
    (sum, person) =>
      sum +
      study.serials.reduce(
        (s, serial) => s + Math.min(study.repeats, table.filter((r) => r.person === person && r.serial === serial).length),
        0,
      ),
    0,
  )
  return { id: study.id, name: study.name, startedAt: study.startedAt, ended: study.endedAt !== null, done, of }
}

function sheetOf(db: Db, study: Study): StudySheet {
  const names = new Map(listPersonRows(db).map((p) => [p.id, p.name]))
  const readings = readingsOf(db, study)
  const next = study.endedAt === null ? nextTurn(turnsOf(study, study.id), readings) : null
  const table = tableOfReadings(study, readings)
  const { feature, serials, repeats, toleranceMm, referenceMm = null } = study
  const type1 = table && referenceMm !== null ? type1Study(table[0][0], referenceMm, toleranceMm ?? NaN) : null
  const result = table && referenceMm === null ? gaugeStudy(table, toleranceMm) : null
  // of one tool there is only one thing that can be wrong
  const still: BadStudy | null = table && referenceMm !== null && !type1 ? { code: 'NO_SPREAD' } : null
  return {
    ...lineOf(db, study),
    ...{ feature, serials, repeats, toleranceMm, referenceMm, table, type1 },
    people: study.people.map((id) => ({ id, name: names.get(id) ?? id })),
    next: next && { ...next, name: names.get(next.person) ?? next.person },
    result: result?.ok ? result.value : null,
    bad: result && !result.ok ? result.error : still,
  }
}

export function readStudies(db: Db, id: number | null): StudiesView {
  const studies = listStudies(db)
  const chosen = studies.find((s) => s.id === id) ?? studies.find((s) => s.endedAt === null) ?? null
  return {
    studies: studies.map((study) => lineOf(db, study)),
    chosen: chosen && sheetOf(db, chosen),
    people: listPersonRows(db).flatMap((p) => (p.retired ? [] : [{ id: p.id, name: p.name }])),
    tools: listAssemblies(db)
      .filter((a) => a.state === 'built' || a.state === 'measured' || a.state === 'released')
      .map(({ serial, t, name }) => ({ serial, name: `${t === null ? '' : `T${t} `}${name}` })),
  }
}

/** Whether a tool is measured for a study now. */
export const isInStudy = (db: Db, serial: string): boolean =>
  listStudies(db).some((study) => study.endedAt === null && study.serials.includes(serial))
