/** A run of the balancing spindle as a file: a zip with what was ordered, the marks, and each sensor's samples as 32-bit floats. */
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { z } from 'zod'
import type { Spin } from '@/core/balance'

const HEADER = 'spin.json'
const Header = z.object({
  format: z.literal('boulder-spin/1'),
  samplesPerSecond: z.number().positive(),
  sensors: z.array(z.string()),
  marks: z.array(z.number()),
})

export function encodeSpin({ samplesPerSecond, sensors, marks }: Spin): Uint8Array {
  const files = sensors.map((signal, i) => [`sensor-${i + 1}.f32`, new Uint8Array(Float32Array.from(signal).buffer)] as const)
  const header: z.infer<typeof Header> = {
    format: 'boulder-spin/1',
    samplesPerSecond,
    sensors: files.map(([name]) => name),
    marks: [...marks],
  }
  return zipSync({ [HEADER]: strToU8(JSON.stringify(header)), ...Object.fromEntries(files) }, { level: 3 })
}

/** @errors throws when the file is none of ours */
export function decodeSpin(zip: Uint8Array): Spin {
  const files = unzipSync(zip)
  const { samplesPerSecond, sensors, marks } = Header.parse(JSON.parse(strFromU8(files[HEADER])))
  return { samplesPerSecond, marks, sensors: sensors.map((name) => new Float32Array(files[name].slice().buffer)) }
}
