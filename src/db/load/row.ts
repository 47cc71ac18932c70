import type { LoadRun } from '@/core/load'

export type LoadBody = Pick<LoadRun, 'overruled' | 'ticks' | 'typed' | 'sent'>

interface LoadRow {
  id: number
  serial: string
  machine_key: string
  pocket: number
  t: number
  sister: number
  handover_id: number
  body: string
  person_id: string
  started_at: string
  version: number
}

export const loadRun = (row: unknown): LoadRun => {
  const r = row as LoadRow
  return {
    id: r.id,
    serial: r.serial,
    machine: r.machine_key,
    pocket: r.pocket,
    t: r.t,
    sister: r.sister,
    handover: r.handover_id,
    ...(JSON.parse(r.body) as LoadBody),
    personId: r.person_id,
    startedAt: r.started_at,
    version: r.version,
  }
}
