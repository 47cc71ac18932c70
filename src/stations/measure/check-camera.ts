/** A terminal's camera that stands still as the bench: calibrated on a master once a shift, by its picture. */
import { isOverdue, type Master, type ZeroCheck } from '@/core/judge'
import type { Calibration, Pin } from '@/core/outline'
import type { Coupling } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { lastCheckOf, listMasters } from '@/db/bench/read'
import { insertCheck } from '@/db/bench/write'
import type { Db } from '@/db/connection'
import { practiceOf } from '../practice'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { putFile, refuser, withFile, write } from '../write'
import type { CameraState } from './contract'
import { readMeasure } from './measure-sheet'
import type { EvidenceStore } from './evidence-store'

export interface CameraNow {
  /** Its last calibration with this taper that still counts; null: it must be calibrated first. */
  readonly check: (ZeroCheck & { readonly calibration: Calibration }) | null
  /** Masters of the taper that it can be calibrated on. */
  readonly masters: readonly Master[]
}

/** A calibration belongs to one camera. @param camera what the browser calls it */
const nameOf = (camera: string) => `camera ${camera}`

export function readCamera(db: Db, camera: string, coupling: Coupling, now: string): CameraNow {
  const last = lastCheckOf(db, nameOf(camera), 'terminal')
  const masters = listMasters(db).filter((m) => m.coupling === coupling)
  const counts = last?.coupling === coupling && !isOverdue(last, now, practiceOf(db).checkHours)
  return { check: counts && last.calibration ? { ...last, calibration: last.calibration } : null, masters }
}

/** @returns null where there is no tool to measure on that holder */
export function readCameraPage(db: Db, serial: string) {
  const sheet = readMeasure(db, serial)
  if (!sheet || sheet.assembly.state === 'loaded') return null
  const masters = listMasters(db).filter((m) => m.coupling === sheet.assembly.coupling)
  return { sheet, masters: masters.map((m) => m.mark) }
}

/** @param serial the tool that it is to measure */
export function readCameraState(
  db: Db,
  { serial, camera }: { readonly serial: string; readonly camera: string },
  now: string,
): Result<CameraState, Refusal> {
  const tool = getAssembly(db, serial)
  if (!tool) return fail({ code: 'UNKNOWN_SERIAL', serial })
  const { check } = readCamera(db, camera, tool.coupling, now)
  return ok({ calibration: check && { ...check.calibration, checkId: check.id } })
}

/** Why nothing may be measured with it; null when it may. */
export const cameraHeldBack = ({ check, masters }: CameraNow): Refusal | null =>
  check ? null : { code: 'CAMERA_DUE', masters: masters.map((m) => m.mark) }

/** Finds where a camera looks, from its picture of a pin: in the running server by a worker thread. */
export type Calibrate = (
  zip: Uint8Array,
  pin: Pin,
) => Promise<
  Result<
    Calibration & { readonly widthPx: number; readonly heightPx: number },
    Refusal<'FRAME_SET' | 'SET' | 'PIN' | 'BUSY' | 'TOO_HEAVY'>
  >
>

export interface CameraCheck {
  readonly camera: string
  readonly coupling: Coupling
  /** The mark on the master that is in the picture. */
  readonly scanned: string
  /** One picture of it, as a frame set. */
  readonly frames: Uint8Array
}

/** Keeps where the camera looks from now on, with the picture that says so. */
export async function saveCameraCheck(
  work: Work,
  evidence: EvidenceStore,
  calibrate: Calibrate,
  { camera, coupling, scanned, frames }: CameraCheck,
): Promise<Result<Calibration & { readonly checkId: number }, Refusal>> {
  const refuse = refuser(work, 'Masters')
  const masters = listMasters(work.db).filter((m) => m.coupling === coupling)
  const master = masters.find((m) => m.mark === scanned)
  if (masters.length === 0) return refuse({ code: 'NO_MASTER', coupling })
  if (!master) return refuse({ code: 'OTHER_MASTER', scanned, master: masters.map((m) => m.mark).join(', ') })
  if (master.calibratedUntil < work.now.slice(0, 10))
    return refuse({ code: 'MASTER_EXPIRED', master: master.mark, until: master.calibratedUntil })
  const found = await calibrate(frames, { diameterMm: master.DCmm, lengthMm: master.LFmm })
  if (!found.ok) return fail(found.error)
  const { mmPerPixel, centreX, centreZ, scaleSigma, halfFieldMm } = found.value
  const calibration = { mmPerPixel, centreX, centreZ, scaleSigma, halfFieldMm }
  const put = putFile(() => evidence.put(master.mark, work.now, frames))
  if (!put.ok) return put
  const entry = { code: 'CAMERA_CALIBRATED', master: master.mark, mmPerPixel: mmPerPixel.x } as const
  return withFile(
    () => evidence.drop(put.value),
    () =>
      write(work, { entry, after: calibration }, (tx) => {
        const checkId = insertCheck(tx.db, {
          masterId: master.id,
          coupling,
          adapter: nameOf(camera),
          bench: 'terminal',
          at: tx.now,
          personId: tx.person.id,
          drift: { x: 0, z: 0 },
          zero: { x: 0, z: 0 },
          evidence: put.value,
          reason: null,
          calibration,
        })
        return { ...calibration, checkId }
      }),
  )
}

/** What a calibration leaves unknown of what its camera measures. */
export function calibrationUnknown({ masters }: CameraNow, { masterId, calibration }: NonNullable<CameraNow['check']>) {
  return {
    scaleSigma: calibration.scaleSigma,
    halfFieldMm: calibration.halfFieldMm,
    masterSigmaMm: masters.find((m) => m.id === masterId)?.sigmaMm ?? 0,
  }
}
