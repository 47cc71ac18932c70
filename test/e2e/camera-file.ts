/** What the browser's camera sees in these tests: a pin of Ø4, 60 mm long, drawn by the separate renderer, as a Y4M video. */
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { render } from '../support/render'

export const PIN = { diameterMm: 4, lengthMm: 60 }
export const CAMERA_FILE = join('.cache', 'pin.y4m')
const [WIDTH, HEIGHT] = [640, 480]

export default function drawPin(): void {
  const scene = {
    width: WIDTH,
    height: HEIGHT,
    mmPerPixel: { x: 0.012, z: 0.012 },
    centreX: 0.1,
    centreZ: PIN.lengthMm - 1.2,
    inside: (x: number, z: number) => z < PIN.lengthMm && Math.abs(x) < PIN.diameterMm / 2,
    blurPx: 1.3,
    noise: 2,
    dark: 40,
    contrast: 160,
    fallOff: 0.05,
  }
  const chroma = Buffer.alloc((WIDTH * HEIGHT) / 2, 128)
  const frames = [1, 2, 3, 4].flatMap((seed) => [Buffer.from('FRAME\n'), Buffer.from(render({ ...scene, seed })), chroma])
  mkdirSync('.cache', { recursive: true })
  writeFileSync(CAMERA_FILE, Buffer.concat([Buffer.from(`YUV4MPEG2 W${WIDTH} H${HEIGHT} F10:1 Ip C420jpeg\n`), ...frames]))
}
