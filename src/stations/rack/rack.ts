import { plainProfile, profileOf, type Assembly, type Station, stationOf, type ToolProfile } from '@/core/tool'
import { listAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { cutterOf, getDefinition, holderOf } from '@/db/library/read'
import { listMachines } from '@/db/machine/read'
import { lastMeasurement } from '@/db/measurement/read'
import { readKit, readToBuild } from '../kit/kit-sheet'

export interface RackItem {
  readonly key: string
  readonly t: number | null
  readonly name: string
  readonly machine: string
  readonly dueAt: string | null
  readonly href: string
  readonly profile: ToolProfile
}

/** The outline of a tool as it is, or as far as it is known. */
export function profileOfAssembly(db: Db, assembly: Assembly): ToolProfile {
  const definition = assembly.definition && getDefinition(db, assembly.definition.id, assembly.definition.version)
  const last = lastMeasurement(db, assembly.id)
  if (definition)
    return profileOf(holderOf(db, definition.holder), cutterOf(db, definition.cutter), last?.summary.LF ?? definition.LF.nominal)
  return plainProfile(assembly.coupling, last?.summary.LF ?? 120, last?.summary.DC ?? 12, last?.edges.length ?? 2)
}

const hrefOf = (station: Station, serial: string) => (station === 'load' ? `/load?serial=${serial}` : `/${station}/${serial}`)

/** The tools that wait at a station, the most urgent first. @param job on Kit, the job whose wanted tools are shown */
export function readRack(db: Db, station: Station | 'kit', job?: string): RackItem[] {
  const machines = new Map(listMachines(db).map((m) => [m.key, m.name]))
  const nameOf = (key: string | null) => (key ? (machines.get(key) ?? key) : 'no machine')
  if (station === 'kit' || station === 'build') {
    const sheet = station === 'kit' && job ? readKit(db, job) : null
    const wanted = sheet ? sheet.tools.map((tool) => ({ job: sheet.job, tool })) : readToBuild(db)
    return wanted.flatMap(({ job, tool }) => {
      if (!tool.definition) return []
      const { definition } = tool
      return [
        {
          key: `${job.id}-${definition.t}`,
          t: definition.t,
          name: definition.name,
          machine: nameOf(job.machine),
          dueAt: job.dueAt,
          href:
            station === 'kit' && sheet
              ? `/kit/${encodeURIComponent(job.id)}?t=${definition.t}`
              : `/build?job=${encodeURIComponent(job.id)}&t=${definition.t}`,
          profile: profileOf(holderOf(db, definition.holder), cutterOf(db, definition.cutter), definition.LF.nominal),
        },
      ]
    })
  }
  return listAssemblies(db)
    .filter((a) => stationOf(a.state) === station)
    .map((a) => ({
      key: a.serial,
      t: a.t,
      name: a.name,
      machine: nameOf(a.machine),
      dueAt: a.dueAt,
      href: hrefOf(station, a.serial),
      profile: profileOfAssembly(db, a),
    }))
}

/** How many wait at each station. */
export function countWaiting(db: Db): Record<'kit' | Station, number> {
  const assemblies = listAssemblies(db)
  const toBuild = readToBuild(db)
  const at = (station: Station) => assemblies.filter((a) => stationOf(a.state) === station).length
  return {
    kit: new Set(toBuild.map((w) => w.job.id)).size,
    build: toBuild.length,
    measure: at('measure'),
    'hand-over': at('hand-over'),
    load: at('load'),
  }
}
