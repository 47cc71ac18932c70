/** A printer at a network port that takes a PNG picture, or a PDF page, as it is. */
import { connect } from 'node:net'
import { fail, ok, type Result } from '@/core/units'
import type { LabelKind, Printer, PrinterError } from './port'

/** @param address where it is now; null while none is entered */
export const networkPrinter = (
  address: () => { readonly host: string; readonly port: number } | null,
  takes: LabelKind = 'png',
  timeoutMs = 5000,
): Printer => ({
  takes,
  print: ({ bytes }) => {
    const at = address()
    if (!at) return Promise.resolve(fail({ code: 'PRINTER_OFF', detail: 'no address' }))
    return new Promise<Result<{ readonly where: string }, PrinterError>>((done) => {
      const socket = connect(at)
      const off = (detail: string) => {
        socket.destroy()
        done(fail({ code: 'PRINTER_OFF', detail }))
      }
      socket.setTimeout(timeoutMs, () => off('timeout'))
      socket.on('error', () => off('no connection'))
      socket.on('connect', () => socket.end(bytes))
      // it was taken once the other side has closed too
      socket.on('close', (broken) => {
        if (!broken) done(ok({ where: `${at.host}:${at.port}` }))
      })
      socket.resume()
    })
  },
  // what was printed cannot be taken back
  withdraw: () => undefined,
})
