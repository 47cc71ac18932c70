/** What the pages of Balance show. */
import { isGood, kindsOf, repeatableGrade, type FitKind, type Provision } from '@/core/balance'
import { spindleUse } from '@/db/balance/read'
import type { Db } from '@/db/connection'
import { practiceOf } from '../practice'
import type { Refusal } from '../refusals'
import type { BalanceView, CalibrationView, DrawnPlane } from './contract'
import { CALIBRATION_RUNS, readCalibration } from './calibrate'
import { kindOf, nextSeat, presentRound, readBalance, refuseBalance } from './balance-sheet'
import { drawerFor } from './fits-task'

export const readSpindleUse = spindleUse

/** What the sheet shows; its reason not yet in words. */
export type BalanceRead = Omit<BalanceView, 'refusal'> & { readonly refusal: Refusal | null }

/** null where there is no tool on the holder */
export function readBalanceView(db: Db, serial: string, now: string): BalanceRead | null {
  const sheet = readBalance(db, serial)
  if (!sheet) return null
  const { assembly, machine, wanted, tool, work, provision, result } = sheet
  const present = presentRound(sheet)
  const um = practiceOf(db).seatUm
  const seat = wanted ? repeatableGrade(um, wanted.rpm) : 0
  return {
    assemblyId: assembly.id,
    serial,
    t: assembly.t,
    name: assembly.name,
    machine: machine?.name ?? null,
    refusal: refuseBalance(db, sheet, now),
    wanted,
    wantedFrom: sheet.wantedFrom,
    version: sheet.version,
    massKg: tool?.massKg ?? null,
    round: work.round,
    seat: nextSeat(sheet),
    standing: present?.standing ?? null,
    before: sheet.rounds[0]?.standing ?? null,
    good: present !== null && wanted !== null && isGood(present.standing, wanted),
    fits: work.fits,
    chosen: work.chosen,
    done: work.done,
    has: sheet.has,
    emptyDrawer: hasScrews(db, provision) ? null : provision.thread,
    planes: drawnPlanes(provision, kindOf(work, provision)),
    correctable: kindsOf(provision).length > 0,
    rounds: sheet.rounds.map(({ round, standing, at }) => ({ round, grade: standing.grade, at })),
    result: result && {
      grade: result.grade,
      rpm: result.rpm,
      goodToRpm: result.goodToRpm,
      wanted: result.wanted,
      who: result.who,
      at: result.at,
      elsewhere: result.elsewhere,
    },
    seatGrade: wanted && seat > wanted.grade ? { um, grade: seat } : null,
    then: assembly.state === 'built' ? 'measure' : 'hand-over',
  }
}

const hasScrews = (db: Db, { thread, screws }: Provision): boolean =>
  screws.length === 0 || drawerFor(db, thread).some(({ stock }) => stock > 0)

function drawnPlanes(provision: Provision, kind: FitKind | null): DrawnPlane[] {
  if (kind === null) return [{ name: null, zMm: 0, holes: [], places: [], never: [] }]
  return provision[kind].map((plane) => ({
    name: plane.name,
    zMm: plane.zMm,
    holes: 'holes' in plane ? plane.holes.map(({ deg }) => deg) : [],
    places: 'angles' in plane ? plane.angles : [],
    never: kind === 'drill' ? provision.never : [],
  }))
}

export function readCalibrationPage(db: Db): CalibrationView {
  const { work, version, last } = readCalibration(db)
  const index = work?.runs.length ?? 0
  return {
    version,
    last,
    validDays: practiceOf(db).calibrationDays,
    work: work && {
      zMm: work.zMm,
      trialGmm: work.trialGmm,
      index,
      of: CALIBRATION_RUNS.length,
      next: CALIBRATION_RUNS[Math.min(index, CALIBRATION_RUNS.length - 1)],
    },
  }
}
