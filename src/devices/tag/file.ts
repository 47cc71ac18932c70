/**
 * A reader that its own program drives: the carrier before its antenna is a file with its bytes, which that program reads from the
 * carrier and writes back to it. The file is gone while no carrier lies there.
 */
import { closeSync, fstatSync, fsyncSync, openSync, readFileSync, writeSync } from 'node:fs'
import { fail, ok } from '@/core/units'
import type { TagStation } from './port'

const isMissing = (error: unknown): boolean => (error as NodeJS.ErrnoException | null)?.code === 'ENOENT'

/** @param file a whole carrier, such as 2,048 bytes */
export function fileTag(file: string): TagStation {
  return {
    read() {
      try {
        return Promise.resolve(ok(new Uint8Array(readFileSync(file))))
      } catch (error) {
        if (isMissing(error)) return Promise.resolve(fail({ code: 'NO_TAG' }))
        throw error
      }
    },
    write({ address, bytes }) {
      let open: number
      try {
        open = openSync(file, 'r+')
      } catch (error) {
        if (isMissing(error)) return Promise.resolve(fail({ code: 'LOST' }))
        throw error
      }
      try {
        // a smaller carrier has been put there meanwhile
        if (address + bytes.length > fstatSync(open).size) return Promise.resolve(fail({ code: 'LOST' }))
        writeSync(open, bytes, 0, bytes.length, address)
        fsyncSync(open)
        return Promise.resolve(ok(null))
      } finally {
        closeSync(open)
      }
    },
  }
}
