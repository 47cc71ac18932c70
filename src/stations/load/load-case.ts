import { compareTable, isEmptyRow, registerNumber, registersOf, type Handover } from '@/core/handover'
import { inTheWay, type LoadCase } from '@/core/load'
import { meaningOf, wantedOf } from '@/core/plan'
import { controlT, numberOf, tableOf, type Assembly, type Machine } from '@/core/tool'
import { currentBalance } from '@/db/balance/read'
import type { Db } from '@/db/connection'
import { listJobs } from '@/db/job/read'
import { getComponent, getDefinition, getHolder, listDefinitions } from '@/db/library/read'
import { getMachine } from '@/db/machine/read'
import { lastMeasurement } from '@/db/measurement/read'
import { callsOf } from '../hand-over/calls-of'
import { stopsLoad } from '../watch/watched'
import type { ControlAnswer } from './ask-control'
import { massOf, roomOf, widestOf, type MagazineRead } from './magazine'

const MONTH_MS = 30.4 * 24 * 3600 * 1000

function studOf(db: Db, serial: string, now: string): LoadCase['tool']['stud'] {
  const holder = getHolder(db, serial)
  const stud = holder?.stud ? getComponent(db, holder.stud) : null
  if (!holder || stud?.kind !== 'pull-stud') return null
  const months = numberOf(stud, 'ageMonths')
  const tooOld =
    months !== undefined && holder.studSince !== null && Date.parse(now) - Date.parse(holder.studSince) > months * MONTH_MS
  return { form: String(stud.studForm), tooOld }
}

function balanceOf(db: Db, assemblyId: number): LoadCase['tool']['balance'] {
  const result = currentBalance(db, assemblyId)
  if (!result) return null
  const { grade, rpm, wanted, goodToRpm, elsewhere } = result
  return { grade, rpm, wantedGrade: wanted.grade, goodToRpm, elsewhere }
}

/** Everything the rules of loading look at, read once. */
// eslint-disable-next-line max-lines-per-function -- everything that the rules look at, read once and in one place
export function loadCase(
  db: Db,
  given: {
    readonly machine: Machine
    readonly assembly: Assembly
    readonly handover: Handover
    readonly pocket: number | null
    readonly room: MagazineRead
    readonly answer: ControlAnswer
    readonly sent: boolean
    readonly now: string
  },
): LoadCase {
  const { machine, assembly, handover, pocket, room, answer, sent, now } = given
  const { values } = handover
  const measured = lastMeasurement(db, assembly.id)
  const register = registerNumber({ ...values, pocket: values.pocket ?? pocket }, machine) ?? values.t
  const row = answer.table ? (answer.table.get(register) ?? {}) : null
  const widestMm = Math.max(values.radiusMm, widestOf(db, assembly))
  const others = room.standing.filter((s) => s.serial !== assembly.serial)
  const heldHere = room.held.find((h) => h.pocket === pocket && h.serial !== assembly.serial)
  const standing = others.find((s) => s.pocket === pocket)
  const speeds = assembly.parts.flatMap(({ component }) => {
    const part = getComponent(db, component)
    return (part && numberOf(part, 'RPMX')) ?? []
  })
  // its own entry in the control's list, from a load that was interrupted, is no other tool
  const sister = values.sister ?? 0
  const own = controlT(values, machine)
  // where sisters are copies of one T, only another tool with the same row is in the way
  const copies = tableOf(machine).sisters.type === 'copies'
  const same = others.find((s) => s.t === own && !(s.serial === null && s.pocket === pocket) && !(copies && s.sister !== sister))
  const ownEntry = standing !== undefined && standing.serial === null && standing.t === own
  const definition = assembly.definition && getDefinition(db, assembly.definition.id, assembly.definition.version)
  const current = listDefinitions(db)
  const jobs = listJobs(db)
    .filter((job) => job.machine === machine.key)
    .flatMap((job) => {
      const wanted = wantedOf(job).find((w) => w.t === values.t)
      const meaning = wanted && meaningOf(job, wanted, current)
      if (!wanted || !meaning || meaning.type === 'left out') return []
      const means = meaning.type === 'definition' ? { id: meaning.definition.id, name: meaning.definition.name } : null
      return [{ id: job.id, maxSpindle: wanted.maxSpindle, programs: job.programs, definition: means }]
    })
  return {
    machine,
    tool: {
      serial: assembly.serial,
      t: values.t,
      sister,
      coupling: assembly.coupling,
      condition: assembly.condition,
      stud: studOf(db, assembly.serial, now),
      lengthMm: values.lengthMm,
      widestMm,
      massKg: massOf(db, assembly),
      greatestRpm: speeds.length ? Math.min(...speeds) : null,
      balance: balanceOf(db, assembly.id),
      definition: definition && {
        id: definition.id,
        name: definition.name,
        version: definition.version,
        balance: definition.balance,
        route: definition.route,
      },
      currentVersion: current.find((d) => d.id === definition?.id)?.version ?? null,
      fallenAt: getHolder(db, assembly.serial)?.fallenAt ?? null,
    },
    measured: measured && { at: measured.at, verdict: measured.verdict },
    madeFor: { key: values.machine, name: getMachine(db, values.machine)?.name ?? values.machine },
    concession: values.concession ?? null,
    secondOffset: values.secondOffset ?? null,
    held: handover.held,
    jobs,
    calls: callsOf(db, machine.key, values.t),
    tableOpen: stopsLoad(db, machine, answer),
    pocket,
    givenPocket: values.pocket,
    inPocket:
      standing && !ownEntry
        ? standing
        : heldHere
          ? { pocket: heldHere.pocket, t: heldHere.t, sister: 0, serial: heldHere.serial, radiusMm: 0, massKg: null }
          : null,
    touches:
      pocket === null || pocket === 0 ? [] : inTheWay({ ...room, standing: others }, pocket, roomOf(db, machine, widestMm)),
    sameT: same ? { pocket: same.pocket, serial: same.serial } : null,
    state: answer.state,
    row,
    register,
    rowIsEmpty: row !== null && isEmptyRow(row, machine),
    sent,
    rowIsOurs: answer.table !== null && compareTable(registersOf(values, machine), answer.table, machine.unit).same,
    now,
  }
}
