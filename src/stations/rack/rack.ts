import {
  factsOf,
  plainProfile,
  profileOf,
  type Assembly,
  type Definition,
  type Station,
  type ToolProfile,
  type Waits,
} from '@/core/tool'
import { listAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { readCouplings } from '@/db/coupling/read'
import { getComponent, getDefinition } from '@/db/library/read'
import { listJobs } from '@/db/job/read'
import { listAllMachines } from '@/db/machine/read'
import { lastMeasurement, lastVerdicts } from '@/db/measurement/read'
import { remembered, writesStamp } from '@/db/remembered'
import { readKit, readToBuild } from '../kit/kit-sheet'
import { waitsOf } from './waits'

export interface RackItem {
  readonly key: string
  readonly t: number | null
  readonly name: string
  readonly machine: string
  readonly dueAt: string | null
  /** A machine waits for it. */
  readonly urgent: boolean
  readonly href: string
  readonly profile: ToolProfile
}

/** The outline of a tool as it is, or as far as it is known. */
export function profileOfAssembly(db: Db, assembly: Assembly): ToolProfile {
  const last = lastMeasurement(db, assembly.id)
  const definition = assembly.definition && getDefinition(db, assembly.definition.id, assembly.definition.version)
  const couplings = readCouplings(db)
  const LF = last?.summary.LF ?? definition?.LF.nominal
  const parts = assembly.parts.flatMap(({ component }) => getComponent(db, component) ?? [])
  const drawn = LF === undefined || LF === null ? null : profileOf(parts, LF, couplings)
  return drawn ?? plainProfile(factsOf(couplings, assembly.coupling), LF ?? 120, last?.summary.DC ?? 12, last?.edges.length ?? 2)
}

/** The outline of a tool as its definition wants it. */
export function profileOfDefinition(db: Db, definition: Definition): ToolProfile {
  const parts = definition.parts.flatMap(({ component }) => getComponent(db, component) ?? [])
  const couplings = readCouplings(db)
  return (
    profileOf(parts, definition.LF.nominal, couplings) ??
    plainProfile(factsOf(couplings, 'HSK-A63'), definition.LF.nominal, definition.DC.nominal, definition.edges)
  )
}

const hrefOf = (station: Station, serial: string) => (station === 'load' ? `/load?serial=${serial}` : `/${station}/${serial}`)

/** Tools drawn in a rack; whoever looks for another one scans it. */
const MOST = 40

export interface Rack {
  readonly items: readonly RackItem[]
  /** How many more wait that are not drawn. */
  readonly more: number
}

export interface RackAsked {
  /** On Kit, the job whose wanted tools are shown. */
  readonly job?: string
  /** The tool in hand, drawn in any case. */
  readonly current?: string | null
}

/** The tools that wait at a station, the most urgent first. */
export function readRack(db: Db, station: Station | 'kit', now: string, { job, current }: RackAsked = {}): Rack {
  const machines = new Map(listAllMachines(db).map(({ machine }) => [machine.key, machine.name]))
  const nameOf = (key: string | null) => (key ? (machines.get(key) ?? key) : 'no machine')
  const lines = station === 'kit' || station === 'build' ? wantedLines(db, station, now, job) : waitingLines(db, station)
  const shown = lines.filter(({ key }, i) => i < MOST || key === current)
  return {
    items: shown.map(({ machine, profile, ...line }) => ({ ...line, machine: nameOf(machine), profile: profile() })),
    more: lines.length - shown.length,
  }
}

/** A tool in the rack before it is drawn. */
interface Line extends Omit<RackItem, 'machine' | 'profile'> {
  readonly machine: string | null
  readonly profile: () => ToolProfile
}

function wantedLines(db: Db, station: 'kit' | 'build', now: string, asked?: string): Line[] {
  const sheet = station === 'kit' && asked ? readKit(db, asked, now) : null
  const wanted = sheet ? sheet.tools.map((tool) => ({ job: sheet.job, tool })) : readToBuild(db, now)
  return wanted.flatMap(({ job, tool }) => {
    if (!tool.definition) return []
    const { definition } = tool
    const kit = station === 'kit' && sheet
    return [
      {
        key: `${job.id}-${definition.t}${tool.sister ? `-${tool.sister}` : ''}`,
        t: definition.t,
        name: definition.name,
        machine: job.machine,
        dueAt: job.dueAt,
        urgent: job.urgentFor !== null,
        href: kit
          ? `/kit/${encodeURIComponent(job.id)}?t=${definition.t}`
          : `/build?job=${encodeURIComponent(job.id)}&t=${definition.t}`,
        profile: () => profileOfDefinition(db, definition),
      },
    ]
  })
}

function waitingLines(db: Db, station: Station): Line[] {
  const urgent = new Set(listJobs(db).flatMap((j) => (j.urgentFor === null ? [] : [j.id])))
  return waitingAt(db, station)
    .map((a) => ({
      key: a.serial,
      t: a.t,
      name: a.name,
      machine: a.machine,
      dueAt: a.dueAt,
      urgent: a.job !== null && urgent.has(a.job),
      href: hrefOf(station, a.serial),
      profile: () => profileOfAssembly(db, a),
    }))
    .sort((a, b) => Number(b.urgent) - Number(a.urgent))
}

/** What waits where: read once for all who ask while nothing changes. */
const waitingNow = (db: Db): ReadonlyMap<Station, readonly Assembly[]> =>
  remembered(db, 'waiting', writesStamp(db), () => {
    const verdicts = lastVerdicts(db)
    const waits = waitsOf(db)
    const waiting = new Map<Station, Assembly[]>()
    for (const tool of listAssemblies(db)) {
      const station = stationOf(waits(tool, verdicts.get(tool.id) ?? null))
      if (station) waiting.set(station, [...(waiting.get(station) ?? []), tool])
    }
    return waiting
  })

/** What is out of tolerance waits where it is measured again; what is worn or broken waits at no station. */
const stationOf = (waits: Waits | null): Station | null =>
  waits === 'correct' ? 'measure' : waits === 'change cutter' ? null : waits

const waitingAt = (db: Db, station: Station): readonly Assembly[] => waitingNow(db).get(station) ?? []

/** How many wait at each station. */
export function countWaiting(db: Db, now: string): Record<'kit' | Station, number> {
  const toBuild = readToBuild(db, now)
  const at = (station: Station) => waitingAt(db, station).length
  return {
    kit: new Set(toBuild.map((w) => w.job.id)).size,
    build: toBuild.length,
    measure: at('measure'),
    balance: at('balance'),
    'hand-over': at('hand-over'),
    load: at('load'),
  }
}
