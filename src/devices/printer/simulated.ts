/** A printer that puts what it prints into a spool folder. */
import { fail, ok } from '@/core/units'
import type { Printer } from './port'

/** Where printed pictures lie. */
export interface Spool {
  /** Keeps a picture under a name and says where; throws when the folder cannot be written. */
  put(name: string, png: Uint8Array): string
  drop(where: string): void
}

export const simulatedPrinter = (spool: Spool): Printer => ({
  takes: 'png',
  print: async ({ name, bytes }) => {
    try {
      return ok({ where: spool.put(`${name}.png`, bytes) })
    } catch (error) {
      return fail({ code: 'PRINTER_OFF', detail: error instanceof Error ? error.message : 'no folder' })
    }
  },
  withdraw: (where) => spool.drop(where),
})
