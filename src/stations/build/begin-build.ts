import { fail, ok, type Result } from '@/core/units'
import { isShrink, partIn, tickIds } from '@/core/fits'
import { buildOn, type BuildUnderWay } from '@/db/build/read'
import { deleteBuild, insertBuild, updateBuild } from '@/db/build/write'
import { getComponent, getHolder } from '@/db/library/read'
import { countHeat } from '@/db/library/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, refuser, write } from '../write'
import { readBuild } from './build-sheet'
import { refuseBuild } from './build-tool'

/** The first scan of a free holder: it is kept for this tool, and its steps can be confirmed by anyone from now on. */
export function beginBuild(work: Work, job: string, t: number, serial: string): Result<BuildUnderWay, Refusal> {
  const sheet = readBuild(work.db, job, t, serial, work.now)
  if (!sheet) return fail({ code: 'UNKNOWN_TOOL', job, t })
  const [refused] = refuseBuild(work, sheet, serial)
  const machine = sheet.job?.machine
  if (refused) return refuser(work, 'Build', { serial: getHolder(work.db, serial) ? serial : null, t, machine })(refused)
  const running = buildOn(work.db, serial)
  if (running) return ok(running)
  return write(
    work,
    { entry: { code: 'BUILD_BEGUN', t, job }, serial, t, machine },
    (tx) => {
      insertBuild(tx.db, {
        job,
        t,
        serial,
        personId: tx.person.id,
        startedAt: tx.now,
        done: [],
        extensions: {},
        heat: null,
      })
      return buildOn(tx.db, serial)!
    },
    { code: 'BEING_BUILT', serial },
  )
}

const gone = (serial: string): Refusal => ({ code: 'BUILD_NOT_BEGUN', serial })
const CHANGED: Refusal = { code: 'CHANGED', what: 'build' }

/** Confirms a step, or takes a confirmation back. @param step a tick's id, as tickIds gives them */
export function tickStep(work: Work, serial: string, step: string, done: boolean): Result<null, Refusal> {
  const build = buildOn(work.db, serial)
  if (!build) return fail(gone(serial))
  const sheet = readBuild(work.db, build.job, build.t, serial, work.now)
  if (!sheet || !tickIds(sheet.steps, sheet.facts.seats).includes(step)) return fail({ code: 'CHANGED', what: 'steps' })
  // ticked at another terminal already
  if (build.done.includes(step) === done) return ok(null)
  const next = done ? [...build.done, step] : build.done.filter((id) => id !== step)
  return write(work, null, (tx) => {
    must(updateBuild(tx.db, build, { done: next }), CHANGED)
    return null
  })
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
  const entry = { code: 'EXTENSION_ADDED', part: wanted.component.name, extension, serial, shrunk } as const
  return write(work, { entry, serial, t: build.t, after: { extension } }, (tx) => {
    must(updateBuild(tx.db, build, { extensions: next }), CHANGED)
    // an extension is shrunk into its holder by a heat of that joint
    if (shrunk) countHeat(tx.db, serial)
    return null
  })
}

/** Leaves a build: the holder is free again; heats that were made stay counted. */
export function abandonBuild(work: Work, serial: string): Result<null, Refusal> {
  const build = buildOn(work.db, serial)
  if (!build) return fail(gone(serial))
  const entry = { code: 'BUILD_LEFT', t: build.t, job: build.job, serial } as const
  return write(work, { entry, serial, t: build.t, before: { done: build.done } }, (tx) => {
    must(deleteBuild(tx.db, build), CHANGED)
    return null
  })
}
