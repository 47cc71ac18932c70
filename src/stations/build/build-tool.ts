import { USUAL_PRACTICE, type ShrinkSetup } from '@/core/clamp'
import { refusalText, refuseHolder, type Heat } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { insertAssembly } from '@/db/assembly/write'
import { inTransaction, isTaken } from '@/db/connection'
import { getHolder, holderOf, stockOf } from '@/db/library/read'
import { countHeat, insertStockMove } from '@/db/library/write'
import { addEntry } from '@/db/record/write'
import { noteRefusal } from '../records/note-refusal'
import type { Refused, Work } from '../work'
import { readBuild, shrinkErrorText, type BuildSheet } from './build-sheet'

/** Everything that speaks against this holder for this tool; the first is the weightiest. */
export function refuseBuild(work: Pick<Work, 'db'>, sheet: BuildSheet, serial: string): Refused[] {
  const item = getHolder(work.db, serial)
  if (!item) return [{ code: 'UNKNOWN_SERIAL', text: `No holder ${serial} is known here. Scan the mark on the holder itself.` }]
  if (!item.component)
    return [{ code: 'UNKNOWN_TYPE', text: `Of holder ${serial} only its taper is known. Enter its type in the library first.` }]
  const refusals = [
    ...refuseHolder({ ...item, component: item.component }, holderOf(work.db, item.component), sheet.holder, sheet.cutter),
    ...sheet.stackRefusals,
    ...(stockOf(work.db, sheet.cutter.id) < 1 ? [{ code: 'NONE_IN_STOCK', name: sheet.cutter.name } as const] : []),
  ].map((r) => ({ code: r.code, text: refusalText(r) }))
  return sheet.setup.ok ? refusals : [...refusals, { code: sheet.setup.error.code, text: shrinkErrorText(sheet.setup.error) }]
}

export function heatOf(setup: ShrinkSetup, heatedMm: number, endedAt: string): Heat {
  const later = (seconds: number) => new Date(Date.parse(endedAt) + 1000 * seconds).toISOString()
  return {
    endedAt,
    fromC: setup.temperatureC,
    ambientC: USUAL_PRACTICE.ambientC,
    tauS: setup.tauS,
    heatedMm,
    touchAt: later(setup.touchS),
    measureAt: later(setup.measureS),
  }
}

/** The scan of the holder's own mark confirms that it was shrunk: the tool stands, its cutter leaves the stock. */
export function buildTool(
  work: Work,
  jobId: string,
  t: number,
  serial: string,
): Result<{ serial: string; touchAt: string }, Refused> {
  const sheet = readBuild(work.db, jobId, t)
  if (!sheet) return fail({ code: 'UNKNOWN_TOOL', text: `Job ${jobId} wants no T${t} that has a definition.` })
  const [refused] = refuseBuild(work, sheet, serial)
  if (refused || !sheet.setup.ok) {
    const why = refused ?? { code: 'NO_SETUP', text: 'This pair cannot be shrunk.' }
    noteRefusal(work, 'Build', { serial: getHolder(work.db, serial) ? serial : null, t, machine: sheet.job?.machine }, why)
    return fail(why)
  }
  const { definition, holder, cutter, job } = sheet
  const heat = heatOf(sheet.setup.value, holder.heatedMm, work.now)
  const stopSetMm = definition.LF.nominal + sheet.setup.value.stopHighMm
  try {
    inTransaction(work.db, () => {
      insertAssembly(work.db, {
        serial,
        t: definition.t,
        name: definition.name,
        definition: { id: definition.id, version: definition.version },
        machine: job?.machine ?? null,
        job: job?.id ?? null,
        coupling: holder.coupling,
        state: 'built',
        pocket: null,
        dueAt: job?.dueAt ?? null,
        builtAt: work.now,
        stopSetMm,
        heat,
      })
      insertStockMove(work.db, {
        componentId: cutter.id,
        delta: -1,
        why: 'built in',
        serial,
        personId: work.person.id,
        at: work.now,
      })
      countHeat(work.db, serial)
      addEntry(work.db, {
        at: work.now,
        personId: work.person.id,
        what: 'built',
        serial,
        t: definition.t,
        machine: job?.machine ?? null,
        text: `${cutter.name} shrunk into ${serial}, stop set to ${stopSetMm.toFixed(2)} mm`,
        before: null,
        after: {
          definition: definition.id,
          version: definition.version,
          stopSetMm,
          temperatureC: sheet.setup.ok ? sheet.setup.value.temperatureC : null,
        },
      })
    })
  } catch (error) {
    if (isTaken(error))
      return fail({ code: 'HOLDER_CARRIES_TOOL', text: `Somebody else has just built on holder ${serial}. Take another one.` })
    throw error
  }
  return ok({ serial, touchAt: heat.touchAt })
}
