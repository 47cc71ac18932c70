import { SESSION_COOKIE, sessionIdOf } from '@/runtime/session'
import { lastSeq, newsAfter } from '@/stations/records/news'
import { guarded, whoEnters } from '../_api/guard'

export const dynamic = 'force-dynamic'

/** A line that says nothing is given up by what stands between; a browser comes back by itself. */
const ALIVE_MS = 15_000
const COME_BACK_MS = 1000

/** Server-sent events: one for whatever is done at another terminal, as long as this one listens and may. */
export const GET = guarded(['read'], ({ db, bell }, request) => {
  const own = sessionIdOf(request.cookies.get(SESSION_COOKIE)?.value)
  const text = new TextEncoder()
  let stop = () => {}
  const body = new ReadableStream<Uint8Array>({
    start(stream) {
      let seq = lastSeq(db)
      // a line that has gone must not spoil the work of whoever rings, and whoever may not hear any more hears nothing
      const send = (lines: string) => {
        try {
          if (whoEnters(request)) return stream.enqueue(text.encode(`${lines}\n\n`))
          stop()
          stream.close()
        } catch {
          stop()
        }
      }
      const quiet = bell.listen(({ from, always }) => {
        const news = newsAfter(db, seq)
        const noted = lastSeq(db) > seq
        seq = lastSeq(db)
        if ((noted || always) && (from === null || from !== own)) send(`event: done\ndata: ${JSON.stringify(news)}`)
      })
      const alive = setInterval(() => send(':'), ALIVE_MS)
      stop = () => {
        clearInterval(alive)
        quiet()
      }
      send(`retry: ${COME_BACK_MS}\nevent: open\ndata: null`)
    },
    cancel: () => stop(),
  })
  request.signal.addEventListener('abort', () => stop())
  return new Response(body, {
    headers: {
      'content-type': 'text/event-stream',
      // what packs answers would keep an event until more has come
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    },
  })
})
