/** A terminal's camera that stands still as the bench: calibrated on a master by the server, and refused where it was not. */
import { beforeEach, describe, expect, it } from 'vitest'
import { encodeFrameSet } from '@/codecs/frame-set'
import { insertMaster } from '@/db/bench/write'
import { inTransaction } from '@/db/connection'
import { lastMeasurement } from '@/db/measurement/read'
import { getAssembly } from '@/db/assembly/read'
import { readCamera, readCameraState, saveCameraCheck, type Calibrate } from '@/stations/measure/check-camera'
import { calibrateHere } from '@/workers/server/measure-frames'
import { cornerTool, render, type Scene } from '../support/render'
import {
  codeOf,
  lastEntry,
  later,
  saveMeasurement,
  saving,
  textOf,
  toolRoom,
  valueOf,
  withJobs,
  withT4,
  type ToolRoom,
} from '../support/tool-room'

const CAMERA = 'a1b2c3'
const MARK = 'MS-PIN10'
/** Where the camera really looks; nobody but the renderer knows. */
const TRUTH = { mmPerPixel: { x: 0.02, z: 0.02 }, centreX: 0.31, centreZ: 116.2 }
const scene = (inside: Scene['inside'], seed: number) => {
  const size = { width: 640, height: 480 }
  const light = { blurPx: 1.3, noise: 2, dark: 40, contrast: 160, fallOff: 0.05 }
  return { frame: { ...size, data: render({ ...size, ...TRUTH, ...light, inside, seed }) }, spindleDeg: 0 }
}
const pin = (x: number, z: number) => z < 118 && Math.abs(x) < 5
const pinSet = (inside = pin) =>
  encodeFrameSet({
    mmPerPixel: { x: 1, z: 1 },
    measure: ['LF', 'DC'],
    pictures: [{ name: 'pin.png', ...scene(inside, 3), edge: 0, centreX: 0, centreZ: 0 }],
  })
const calibrate: Calibrate = (zip, of) => Promise.resolve(calibrateHere(zip, of))

let room: ToolRoom
const check = (scanned = MARK, set = pinSet(), minutes = 60) =>
  saveCameraCheck(room.as('ines', minutes), room.evidence, calibrate, {
    camera: CAMERA,
    coupling: 'HSK-A63',
    scanned,
    frames: set,
  })
beforeEach(() => {
  room = withT4(withJobs(toolRoom()))
  const pin = { id: MARK, mark: MARK, name: 'Pin Ø10', coupling: 'HSK-A63', LFmm: 118, DCmm: 10, sigmaMm: 0.0005 } as const
  inTransaction(room.db, (tx) => insertMaster(tx, { ...pin, calibratedUntil: '2027-05-31' }))
})

/** Four edges, as a hand turns them before the camera, with where it was found to look. */
function tool(place: { mmPerPixel: { x: number; z: number }; centreX: number; centreZ: number }, high = 0) {
  const { mmPerPixel, centreX, centreZ } = place
  const pictures = [1, 2, 3, 4].map((edge) => ({
    name: `edge-${edge}.png`,
    ...scene(cornerTool({ x: 5 + 0.002 * (edge % 2), z: 118 + high, re: 1, dishDeg: 2 }), edge),
    edge,
    centreX,
    centreZ,
  }))
  return encodeFrameSet({ mmPerPixel, measure: ['LF', 'DC', 'RE'], pictures })
}

describe('a camera of a terminal', () => {
  it('finds its scale and place on a master, within a tenth of a pixel', async () => {
    const found = valueOf(await check())
    expect(found.mmPerPixel.x).toBeCloseTo(TRUTH.mmPerPixel.x, 5)
    expect(Math.abs(found.centreX - TRUTH.centreX)).toBeLessThan(0.002)
    expect(Math.abs(found.centreZ - TRUTH.centreZ)).toBeLessThan(0.002)
    expect(lastEntry(room.db)).toContain('calibrated on MS-PIN10: 1 pixel is 20.0')
    expect(valueOf(readCameraState(room.db, { serial: 'BX00143', camera: CAMERA }, later(61))).calibration?.checkId).toBe(
      found.checkId,
    )
  })
  it('measures a tool as large as it is, and less surely than the bench', async () => {
    const { checkId, ...place } = valueOf(await check())
    valueOf(
      saveMeasurement(
        room.as('ines', 61),
        room.evidence,
        saving('BX00143', [], { frames: tool(place), camera: CAMERA, checkId, takenAt: later(61) }),
      ),
    )
    const last = lastMeasurement(room.db, getAssembly(room.db, 'BX00143')!.id)!
    expect(last.source).toBe('camera')
    expect(Math.abs(last.summary.LF! - 118)).toBeLessThan(0.004)
    expect(Math.abs(last.summary.DC! - 10.004)).toBeLessThan(0.006)
    const LF = last.result.features.find((f) => f.key === 'LF')!
    expect(LF.sigma).toBeGreaterThan(0.0007)
  })
  it('measures nothing before it is calibrated, after a shift, for another camera or another taper', async () => {
    const save = (change: object) =>
      saveMeasurement(
        room.as('ines', 61),
        room.evidence,
        saving('BX00143', [], { frames: tool(TRUTH), camera: CAMERA, checkId: null, takenAt: later(61), ...change }),
      )
    expect(textOf(save({}))).toContain(`Calibrate it on MS-HSKA63-1 or ${MARK}`)
    const { checkId } = valueOf(await check())
    expect(codeOf(save({ checkId, camera: 'other' }))).toBe('CAMERA_DUE')
    expect(readCamera(room.db, CAMERA, 'SK 40', later(61)).check).toBeNull()
    expect(readCamera(room.db, CAMERA, 'HSK-A63', later(60 + 8 * 60)).check).not.toBeNull()
    expect(readCamera(room.db, CAMERA, 'HSK-A63', later(61 + 8 * 60)).check).toBeNull()
  })
  it('takes no place or scale from a browser, and no pictures of an older calibration', async () => {
    const { checkId, ...place } = valueOf(await check())
    const save = (frames: Uint8Array, id = checkId) =>
      codeOf(
        saveMeasurement(
          room.as('ines', 61),
          room.evidence,
          saving('BX00143', [], { frames, camera: CAMERA, checkId: id, takenAt: later(61) }),
        ),
      )
    expect(save(tool({ ...place, centreZ: place.centreZ + 0.05 }))).toBe('OTHER_SCALE')
    expect(save(tool({ ...place, mmPerPixel: { x: 0.021, z: 0.021 } }))).toBe('OTHER_SCALE')
    expect(save(tool(place), checkId - 1)).toBe('OTHER_ZERO')
    expect(save(tool(place))).toBe('ok')
  })
  it('is calibrated on a master of the taper alone, and one that is whole in the picture', async () => {
    expect(codeOf(await check('MS-SK40-1'))).toBe('OTHER_MASTER')
    expect(
      codeOf(
        await check(
          MARK,
          pinSet((x, z) => z < 118 && x < 5),
        ),
      ),
    ).toBe('PIN')
  })
})
