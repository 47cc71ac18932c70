'use client'
import { proxy, releaseProxy, wrap, type Remote } from 'comlink'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { ProgramStep } from '@/core/judge'
import type { BenchApi, OpenTool, Proposal } from '@/workers/bench.worker'
import type { Shown } from '@/workers/shown'
import { say } from '@/words/screens/measure'

export type BenchState =
  | { readonly type: 'opening' }
  | { readonly type: 'ready' }
  | { readonly type: 'running'; readonly edge: number | null; readonly of: number | null }
  | { readonly type: 'failed'; readonly text: string }

const FAILED: Record<string, string> = {
  NOTHING_FOUND: say.noToolFoundInThe,
  STOPPED: say.theBenchStoppedOpenThe,
  NOT_MEASURED: say.thePicturesCannotBeMeasured,
}

const farthest = ({ edges }: Proposal['set']) => edges.reduce((a, b) => ((b.x?.value ?? 0) > (a.x?.value ?? 0) ? b : a)).edge

/** Drives the bench in its worker for as long as the sheet is open. */
// eslint-disable-next-line max-lines-per-function -- one worker and everything that is asked of it
export function useBench(tool: OpenTool) {
  const api = useRef<Remote<BenchApi> | null>(null)
  const [state, setState] = useState<BenchState>({ type: 'opening' })
  const [proposal, setProposal] = useState<Proposal | null>(null)
  const [takenMs, setTakenMs] = useState<number | null>(null)
  const [shown, setShown] = useState<Shown | null>(null)
  const first = useRef(tool)

  useEffect(() => {
    const worker = new Worker(new URL('../../workers/bench.worker.ts', import.meta.url), { type: 'module' })
    const bench = wrap<BenchApi>(worker)
    api.current = bench
    let open = true
    let next: Shown | null = null
    // the newest picture at each animation frame is enough
    const show = (picture: Shown) => {
      if (!next) requestAnimationFrame(() => (open && setShown(next), (next = null)))
      next = picture
    }
    worker.onerror = () => open && setState({ type: 'failed', text: say.theBenchCouldNotBe })
    void (async () => {
      await bench.listen(proxy(show))
      const opened = await bench.open(first.current)
      if (!open) return
      setState(opened.ok ? { type: 'ready' } : { type: 'failed', text: FAILED[opened.error.code] })
    })()
    return () => {
      open = false
      api.current = null
      bench[releaseProxy]()
      worker.terminate()
    }
  }, [])

  const run = useCallback(async (work: (bench: Remote<BenchApi>) => Promise<Awaited<ReturnType<BenchApi['measureAll']>>>) => {
    if (!api.current) return
    const began = Date.now()
    const done = await work(api.current)
    if (done.ok) {
      setProposal(done.value)
      setTakenMs(began)
      const dirty = [done.value.set, ...done.value.steps.map((s) => s.set)]
        .flatMap((set) => set.warnings)
        .find((w) => w.warning.code === 'DEBRIS')
      // what has to be wiped is shown, or else the edge that stands out
      await api.current?.goTo(dirty?.edge ?? farthest(done.value.set))
      setState({ type: 'ready' })
    } else setState({ type: 'failed', text: FAILED[done.error.code] })
  }, [])

  const measureAll = useCallback(() => {
    setState({ type: 'running', edge: null, of: null })
    return run((bench) => bench.measureAll(proxy((edge: number, of: number) => setState({ type: 'running', edge, of }))))
  }, [run])
  const measureOne = useCallback(
    (edge: number) => {
      setState({ type: 'running', edge, of: null })
      return run((bench) => bench.measureOne(edge))
    },
    [run],
  )
  const goTo = useCallback((edge: number) => void api.current?.goTo(edge), [])
  // moves that come while one is under way are done together
  const waiting = useRef<{ u: number; v: number; deg: number } | null>(null)
  const moves = useRef<Promise<void> | null>(null)
  const move = useCallback((u: number, v: number, deg: number) => {
    waiting.current = {
      u: u + (waiting.current?.u ?? 0),
      v: v + (waiting.current?.v ?? 0),
      deg: deg + (waiting.current?.deg ?? 0),
    }
    moves.current ??= (async () => {
      while (waiting.current && api.current) {
        const by: { u: number; v: number; deg: number } = waiting.current
        waiting.current = null
        await api.current.move(by.u, by.v, by.deg)
      }
      moves.current = null
    })()
  }, [])
  const watch = useCallback(
    (edge: number, key: 'LF' | 'DC', each: (x: number | null, z: number | null) => void) =>
      void api.current?.watch(edge, key, proxy(each)),
    [],
  )
  const unwatch = useCallback(() => void api.current?.unwatch(), [])
  const refresh = useCallback(async (ticket: string) => api.current?.refresh(ticket), [])
  // what is asked about a place waits until the carriage stands there
  const tryStep = useCallback(async (step: ProgramStep) => {
    await moves.current
    return api.current?.tryStep(step)
  }, [])
  const placeNow = useCallback(async () => {
    await moves.current
    return (await api.current?.placeNow()) ?? null
  }, [])
  const pack = useCallback(async () => (await api.current?.pack()) ?? null, [])

  return { state, proposal, takenMs, shown, measureAll, measureOne, goTo, move, watch, unwatch, refresh, tryStep, placeNow, pack }
}
