/**
 * A measuring bench without a camera, as far as its serial line goes: a process of its own on a TCP port of loopback.
 * `SEND` makes it send the figures on its readouts, one a line, then `END`; `PUT LF=118.02 DC=10.001 RE=1` is the hand
 * that measured something else. Environment: LINE_PORT.
 */
import { createServer } from 'node:net'

const port = Number(process.env.LINE_PORT ?? 3002)
/** What stands on its readouts, mm. */
let figures: Readonly<Record<string, number>> = { LF: 118.412, DC: 11.996, RE: 0.503 }

/** A key, a figure with its sign, the unit, and two hex digits: the sum of all characters before the last blank, modulo 256. */
function line(key: string, value: number): string {
  const text = `${key} ${value < 0 ? '-' : '+'}${Math.abs(value).toFixed(4)} MM`
  const sum = [...text].reduce((a, c) => a + c.charCodeAt(0), 0) % 256
  return `${text} ${sum.toString(16).toUpperCase().padStart(2, '0')}\r\n`
}

function answer(asked: string): string {
  const [word, ...rest] = asked.trim().split(/\s+/)
  if (word === 'PUT') {
    figures = Object.fromEntries(
      rest
        .map((part) => part.split('='))
        .flatMap(([key, value]) => (Number.isFinite(Number(value)) ? [[key, Number(value)]] : [])),
    )
    return 'END\r\n'
  }
  if (word !== 'SEND') return 'WHAT\r\nEND\r\n'
  return `${Object.entries(figures)
    .map(([key, value]) => line(key, value))
    .join('')}END\r\n`
}

const server = createServer((socket) => {
  let waiting = ''
  socket.setEncoding('ascii')
  socket.on('error', () => socket.destroy())
  socket.on('data', (chunk) => {
    waiting = (waiting + String(chunk)).slice(-500)
    for (let end = waiting.indexOf('\n'); end >= 0; end = waiting.indexOf('\n')) {
      socket.write(answer(waiting.slice(0, end)))
      waiting = waiting.slice(end + 1)
    }
  })
})
server.listen(port, '127.0.0.1', () => console.log(`line bench stand-in on 127.0.0.1:${port}`))
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => server.close(() => process.exit(0)))
