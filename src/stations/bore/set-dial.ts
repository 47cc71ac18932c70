import { firstDial, nextDial } from '@/core/boring'
import { nextState } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { moveAssembly } from '@/db/assembly/write'
import { voidBalance } from '@/db/balance/write'
import { lastSeries } from '@/db/bore/read'
import { insertBore, insertDial } from '@/db/bore/write'
import { voidCurrent } from '@/db/handover/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, refuser, write, type Writing } from '../write'
import { afterBore, aimOf, readBore, type BoreSheet } from './bore-sheet'

interface Asked {
  readonly serial: string
  readonly version: number
}

const changed = (serial: string): Refusal => ({ code: 'CHANGED', what: 'tool', serial })

function opened(work: Work, { serial, version }: Asked): Result<BoreSheet, Refusal> {
  const sheet = readBore(work.db, serial)
  if (!sheet.ok) return sheet
  if (sheet.value.version !== version) return fail(changed(serial))
  return sheet.value.assembly.state === 'apart' ? fail({ code: 'NOT_NOW', serial, state: 'apart' }) : sheet
}

const about = ({ assembly: { serial, t, machine } }: BoreSheet) => ({ serial, t, machine })

/** A tool whose slide was moved is another tool: what was measured and handed over before does not count. One in a machine stays there. */
function touched(tx: Writing, { assembly }: BoreSheet): void {
  const { serial, state, id } = assembly
  const next = state === 'measured' || state === 'released' ? nextState(state, 'disturb') : null
  if (!next) return
  must(moveAssembly(tx.db, assembly, { state: next }), changed(serial))
  voidBalance(tx.db, id, tx.now, { code: 'DISTURBED', what: 'adjusted' })
  voidCurrent(tx.db, serial, tx.now, { code: 'DISTURBED', what: 'adjusted' })
}

/** Begins a series: the dial for the test cut. */
export function setDial(
  work: Work,
  given: Asked & { readonly wantedMm: number; readonly noseMm: number; readonly leaveMm: number },
): Result<{ readonly dialMm: number }, Refusal> {
  const sheet = opened(work, given)
  if (!sheet.ok) return sheet
  const { head, key, assembly, settings, learned } = sheet.value
  if (settings.length && settings.at(-1)!.boreMm === null) return fail({ code: 'BORE_FIRST', serial: given.serial })
  const { wantedMm, noseMm, leaveMm } = given
  const first = firstDial(head, { wantedMm, noseMm, leaveMm })
  if (!first.ok) return refuser(work, 'Measure', about(sheet.value))({ code: 'DIAL', fault: first.error })
  const { dialMm, divisions, boreMm: expectedMm } = first.value
  const entry = { code: 'DIAL_SET', dialMm, divisions, wantedMm, expectedMm } as const
  return write(work, { entry, ...about(sheet.value), after: { learned } }, (tx) => {
    must(readBoreVersion(tx, given), changed(given.serial))
    const series = lastSeries(tx.db, key) + 1
    const added = { assemblyId: assembly.id, head: key, series, at: tx.now, personId: tx.person.id }
    insertDial(tx.db, added, { dialMm, expectedMm, wantedMm, leaveMm, noseMm })
    touched(tx, sheet.value)
    return { dialMm }
  })
}

/** Whether nobody has done anything since the sheet was read. */
function readBoreVersion(tx: Writing, { serial, version }: Asked): boolean {
  const now = readBore(tx.db, serial)
  return now.ok && now.value.version === version
}

/** The next setting of the series. */
export function moveDial(work: Work, given: Asked): Result<{ readonly dialMm: number }, Refusal> {
  const sheet = opened(work, given)
  if (!sheet.ok) return sheet
  const { key, assembly, settings, series } = sheet.value
  const next = afterBore(sheet.value)
  const last = settings.at(-1)
  if (!next || !last) return fail({ code: last ? 'BORE_FIRST' : 'NO_SETTING', serial: given.serial })
  if (!next.ok) return refuser(work, 'Measure', about(sheet.value))(next.error)
  if (next.value.type === 'done') return fail({ code: 'NO_SETTING', serial: given.serial })
  const { dialMm, divisions, boreMm: expectedMm } = next.value
  const { wantedMm, noseMm } = last
  const entry = { code: 'DIAL_SET', dialMm, divisions, wantedMm, expectedMm } as const
  return write(work, { entry, ...about(sheet.value) }, (tx) => {
    must(readBoreVersion(tx, given), changed(given.serial))
    const added = { assemblyId: assembly.id, head: key, series, at: tx.now, personId: tx.person.id }
    insertDial(tx.db, added, { dialMm, expectedMm, wantedMm, leaveMm: 0, noseMm })
    touched(tx, sheet.value)
    return { dialMm }
  })
}

/** No insert explains a bore so far from what its dial says, mm on diameter (common practice, no source). */
const FAR_MM = 1.5

/** What the last setting cut. */
export function saveBore(
  work: Work,
  given: Asked & { readonly boreMm: number },
): Result<{ readonly next: 'done' | 'larger' | 'too large' }, Refusal> {
  const sheet = opened(work, given)
  if (!sheet.ok) return sheet
  const { key, assembly, settings, series, head, learned } = sheet.value
  const last = settings.at(-1)
  if (!last || last.boreMm !== null) return fail({ code: 'NO_SETTING', serial: given.serial })
  const { boreMm } = given
  if (Math.abs(boreMm - last.expectedMm) > FAR_MM)
    return refuser(work, 'Measure', about(sheet.value))({ code: 'FAR_BORE', boreMm, expectedMm: last.expectedMm })
  const limits = aimOf(sheet.value, last)
  const next = nextDial(head, { dialMm: last.dialMm, boreMm }, last.wantedMm, limits, learned)
  const type = next.ok ? next.value.type : 'larger'
  const entry = { code: 'BORE_CUT', boreMm, wantedMm: last.wantedMm, next: type } as const
  return write(work, { entry, ...about(sheet.value) }, (tx) => {
    must(readBoreVersion(tx, given), changed(given.serial))
    insertBore(tx.db, { assemblyId: assembly.id, head: key, series, at: tx.now, personId: tx.person.id }, { boreMm })
    return { next: type }
  })
}
