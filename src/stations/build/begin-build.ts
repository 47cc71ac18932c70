import { fail, ok, type Result } from '@/core/units'
import { isShrink, partIn, tickIds } from '@/core/fits'
import { buildOn, type BuildUnderWay } from '@/db/build/read'
import { deleteBuild, insertBuild, updateBuild } from '@/db/build/write'
import { inTransaction, isTaken } from '@/db/connection'
import { getComponent, getHolder } from '@/db/library/read'
import { countHeat } from '@/db/library/write'
import { noteRefusal } from '../records/note-refusal'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { readBuild } from './build-sheet'
import { refuseBuild } from './build-tool'
import { note } from '../records/note'

/** The first scan of a free holder: it is kept for this tool, and its steps can be confirmed by anyone from now on. */
export function beginBuild(work: Work, job: string, t: number, serial: string): Result<BuildUnderWay, Refusal> {
  const sheet = readBuild(work.db, job, t, serial, work.now)
  if (!sheet) return fail({ code: 'UNKNOWN_TOOL', job, t })
  const [refused] = refuseBuild(work, sheet, serial)
  if (refused) {
    noteRefusal(work, 'Build', { serial: getHolder(work.db, serial) ? serial : null, t, machine: sheet.job?.machine }, refused)
    return fail(refused)
  }
  const running = buildOn(work.db, serial)
  if (running) return ok(running)
  try {
    inTransaction(work.db, () => {
      insertBuild(work.db, {
        job,
        t,
        serial,
        personId: work.person.id,
        startedAt: work.now,
        done: [],
        extensions: {},
        heat: null,
      })
      note(work, 'build begun', `T${t} for ${job} begun`, { serial, t, machine: sheet.job?.machine ?? null })
    })
  } catch (error) {
    if (isTaken(error)) return fail({ code: 'BEING_BUILT', serial })
    throw error
  }
  return ok(buildOn(work.db, serial)!)
}

const gone = (serial: string): Refusal => ({ code: 'BUILD_NOT_BEGUN', serial })
const CHANGED: Refusal = { code: 'CHANGED', what: 'build' }

/** Confirms a step, or takes a confirmation back. @param step a tick's id, as tickIds gives them */
export function tickStep(work: Work, serial: string, step: string, done: boolean): Result<null, Refusal> {
  const build = buildOn(work.db, serial)
  if (!build) return fail(gone(serial))
  const sheet = readBuild(work.db, build.job, build.t, serial, work.now)
  if (!sheet || !tickIds(sheet.steps, sheet.facts.seats).includes(step)) return fail({ code: 'CHANGED', what: 'steps' })
  const next = done ? [...new Set([...build.done, step])] : build.done.filter((id) => id !== step)
  return inTransaction(work.db, () => updateBuild(work.db, build, { done: next })) ? ok(null) : fail(CHANGED)
}

/** Says which extension, with its own serial, goes between. */
export function addExtension(work: Work, serial: string, extension: string): Result<null, Refusal> {
  const build = buildOn(work.db, serial)
  if (!build) return fail(gone(serial))
  const piece = getHolder(work.db, extension)
  const sheet = readBuild(work.db, build.job, build.t, serial, work.now)
  const wanted = sheet?.parts.find((p) => p.line.role === 'extension' && p.component.id === piece?.component)
  if (!piece || !wanted)
    return fail({
      code: 'NOT_AN_EXTENSION',
      serial: extension,
      is: piece?.component ? (getComponent(work.db, piece.component)?.name ?? null) : null,
    })
  if (piece.carries || piece.retired)
    return fail({ code: 'EXTENSION_NOT_FREE', serial: extension, retired: piece.retired !== null && piece.retired !== false })
  if (build.extensions[wanted.component.id] === extension) return ok(null)
  const next = { ...build.extensions, [wanted.component.id]: extension }
  const shrunk = wanted.component.kind === 'shrink-extension' && isShrink(partIn(sheet!.parts, 'holder'))
  return inTransaction(work.db, () => {
    if (!updateBuild(work.db, build, { extensions: next })) return fail(CHANGED)
    // an extension is shrunk into its holder by a heat of that joint
    if (shrunk) countHeat(work.db, serial)
    note(work, 'extension', `${wanted.component.name} ${extension} ${shrunk ? 'shrunk into' : 'joined to'} ${serial}`, {
      serial,
      t: build.t,
      after: { extension },
    })
    return ok(null)
  })
}

/** Leaves a build: the holder is free again; heats that were made stay counted. */
export function abandonBuild(work: Work, serial: string): Result<null, Refusal> {
  const build = buildOn(work.db, serial)
  if (!build) return fail(gone(serial))
  inTransaction(work.db, () => {
    deleteBuild(work.db, build.id)
    note(work, 'build left', `T${build.t} for ${build.job} not built on ${serial}`, {
      serial,
      t: build.t,
      before: { done: build.done },
    })
  })
  return ok(null)
}
