import type { Assembly, BuiltPart, CarriedWear, Condition, Coupling, Heat, ToolState } from '@/core/tool'

export interface AssemblyRow {
  id: number
  serial: string
  t: number | null
  name: string
  definition_id: string | null
  definition_version: number | null
  machine_key: string | null
  job_id: string | null
  coupling: Coupling
  state: ToolState
  pocket: number | null
  place_id: string | null
  parts: string
  condition: Condition
  life_used_min: number
  running_min: number
  due_at: string | null
  built_at: string
  stop_set_mm: number | null
  heat: string | null
  wear: string | null
  sister: number
  version: number
}

export const assembly = (row: unknown): Assembly => {
  const r = row as AssemblyRow
  return {
    id: r.id,
    serial: r.serial,
    t: r.t,
    name: r.name,
    definition: r.definition_id === null ? null : { id: r.definition_id, version: r.definition_version ?? 1 },
    machine: r.machine_key,
    job: r.job_id,
    coupling: r.coupling,
    state: r.state,
    pocket: r.pocket,
    place: r.place_id,
    parts: (JSON.parse(r.parts) as Partial<BuiltPart>[]).map((p) => ({ serial: null, ...p }) as BuiltPart),
    condition: r.condition,
    lifeUsedMin: r.life_used_min,
    runningMin: r.running_min,
    dueAt: r.due_at,
    builtAt: r.built_at,
    stopSetMm: r.stop_set_mm,
    heat: r.heat === null ? null : (JSON.parse(r.heat) as Heat),
    wear: r.wear === null ? null : (JSON.parse(r.wear) as CarriedWear),
    sister: r.sister,
    version: r.version,
  }
}
