/** A printer that puts what it prints into a spool folder. */
import { fail, ok } from '@/core/units'
import type { Printer } from './port'

/** @param put keeps a picture under a name and says where; throws when the folder cannot be written */
export const simulatedPrinter = (put: (name: string, png: Uint8Array) => string): Printer => ({
  print: async ({ name, png }) => {
    try {
      return ok({ where: put(`${name}.png`, png) })
    } catch (error) {
      return fail({ code: 'PRINTER_OFF', detail: error instanceof Error ? error.message : 'no folder' })
    }
  },
})
