'use client'
import { proxy, wrap } from 'comlink'
import { useEffect, useMemo, useRef, useState } from 'react'
import { byJob, scheduleIn, type Schedule } from '@/core/schedule'
import type { DayView, PlanView } from '@/stations/plan/contract'
import type { ScheduleApi } from '@/workers/schedule.worker'

/** What is a little better by rounding alone is not better. */
const LEAST_MIN = 1e-6

/** Looks for a better order for as long as somebody wants it to. @param from the plan that it begins with */
export function useSearch({ toDo }: DayView, from: PlanView) {
  const [order, setOrder] = useState<readonly string[] | null>(null)
  const [tried, setTried] = useState<number | null>(null)
  const [running, setRunning] = useState(false)
  const worker = useRef<Worker | null>(null)
  useEffect(() => () => worker.current?.terminate(), [])
  // by the minutes that are left now, whenever it was found
  const better = useMemo((): PlanView | null => {
    if (!order) return null
    const { tools, room } = toDo
    const best = scheduleIn(
      order.flatMap((id) => tools.find((tool) => tool.id === id) ?? []),
      room,
    )
    const { blocks, latenessMin, endMin } = best
    const exact = latenessMin <= from.boundMin + LEAST_MIN
    return latenessMin < from.latenessMin - LEAST_MIN
      ? { ...from, ...{ order, blocks, latenessMin, endMin, exact }, jobs: byJob(best, from.jobs, tools) }
      : null
  }, [order, toDo, from])
  const stop = () => {
    worker.current?.terminate()
    worker.current = null
    setRunning(false)
  }
  const start = () => {
    const before = tried ?? 0
    worker.current = new Worker(new URL('../../workers/schedule.worker.ts', import.meta.url), { type: 'module' })
    setRunning(true)
    const tell = (more: number, best: Schedule) => {
      setTried(before + more)
      setOrder(best.order)
    }
    const api = wrap<ScheduleApi>(worker.current)
    void Promise.resolve(api.look(order ?? from.order, toDo.tools, toDo.room, proxy(tell))).then(stop, stop)
  }
  return { tried, running, better, start, stop }
}
