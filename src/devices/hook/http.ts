/** Tells another program by a POST that it can prove to be ours. */
import { createHmac } from 'node:crypto'
import { fail, ok } from '@/core/units'
import type { Teller, Told } from './port'

/** HMAC-SHA-256 (RFC 2104) over the time, a line feed and the body, as hexadecimal digits: an old message cannot pass for a new one. */
export const signatureOf = ({ secret, time, body }: Pick<Told, 'secret' | 'time' | 'body'>): string =>
  createHmac('sha256', secret).update(`${time}\n${body}`).digest('hex')

/** A redirect is not followed: the signature is meant for the address that was entered. */
export const httpTeller = (timeoutMs = 10_000): Teller => ({
  tell: async (told) => {
    try {
      const answer = await fetch(told.url, {
        method: 'POST',
        redirect: 'manual',
        signal: AbortSignal.timeout(timeoutMs),
        headers: {
          'content-type': 'application/json',
          'x-boulder-delivery': String(told.delivery),
          'x-boulder-event': told.event,
          'x-boulder-time': told.time,
          'x-boulder-signature': signatureOf(told),
        },
        body: told.body,
      })
      await answer.body?.cancel()
      return answer.ok ? ok({ status: answer.status }) : fail({ code: 'NOT_TAKEN', status: answer.status })
    } catch (error) {
      const cause = error instanceof Error ? (error.cause as { readonly code?: string } | undefined) : undefined
      const timeout = error instanceof Error && error.name === 'TimeoutError'
      return fail({ code: 'NOT_REACHED', detail: timeout ? 'timeout' : (cause?.code ?? 'no connection') })
    }
  },
})
