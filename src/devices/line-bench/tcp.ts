/** A serial line behind a terminal server, or the stand-in: a TCP port that is asked with `SEND` and closes its answer with `END`. */
import { connect } from 'node:net'
import { fail, ok, type Result } from '@/core/units'
import type { LineBench, LineError } from './port'

const MOST_BYTES = 4096

/** @param address host:port */
export function tcpLineBench(address: string, timeoutMs = 3000): LineBench {
  const [host, port] = address.split(':')
  return {
    read: () =>
      new Promise<Result<readonly string[], LineError>>((done) => {
        const socket = connect({ host, port: Number(port) })
        let text = ''
        const finish = (result: Result<readonly string[], LineError>) => {
          socket.destroy()
          done(result)
        }
        socket.setEncoding('ascii')
        socket.setTimeout(timeoutMs, () => finish(fail({ code: 'UNREACHABLE', detail: 'timeout' })))
        socket.on('error', () => finish(fail({ code: 'UNREACHABLE', detail: 'no connection' })))
        socket.on('end', () => finish(fail({ code: 'UNREACHABLE', detail: 'incomplete' })))
        socket.on('connect', () => socket.write('SEND\r\n'))
        socket.on('data', (chunk) => {
          text += String(chunk)
          if (text.length > MOST_BYTES) return finish(fail({ code: 'GARBLED', line: text.slice(0, 40) }))
          const lines = text.split('\r\n')
          const end = lines.indexOf('END')
          if (end >= 0) finish(ok(lines.slice(0, end)))
        })
      }),
  }
}
