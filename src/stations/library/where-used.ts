import type { Assembly, Component, Definition } from '@/core/tool'
import { builtTo, builtWith } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { listJobs, listPastJobs } from '@/db/job/read'
import { getComponent, getDefinition, listDefinitions, listHoldersOf, listVersions, type HolderRead } from '@/db/library/read'
import { type Balance, type Job, type Lying, wantedOf } from '@/core/plan'
import { balanceOf, listMoves, lyingOf, type BookedMove } from '@/db/stock/read'

export interface PartSheet {
  readonly part: Component
  readonly balance: Balance
  readonly lying: readonly (Omit<Lying, 'place'> & { readonly place: string | null })[]
  readonly moves: readonly BookedMove[]
  /** Definitions that name it, first choice or alternative. */
  readonly definitions: readonly Definition[]
  readonly tools: readonly Assembly[]
  /** Pieces with a serial of this type. */
  readonly pieces: readonly HolderRead[]
}

/** A part, what there is of it, and what uses and used it. */
export function readPart(db: Db, id: string): PartSheet | null {
  const part = getComponent(db, id)
  if (!part) return null
  return {
    part,
    balance: balanceOf(db, id),
    lying: lyingOf(db, id),
    moves: listMoves(db, { component: id, limit: 60 }),
    definitions: listDefinitions(db).filter((d) =>
      d.parts.some((line) => line.component === id || line.alternatives.includes(id)),
    ),
    tools: builtWith(db, id),
    pieces: listHoldersOf(db, [id]),
  }
}

export interface DefinitionSheet {
  readonly definition: Definition
  readonly versions: readonly Definition[]
  readonly tools: readonly Assembly[]
  /** Jobs whose programs or lists want it, open ones first. */
  readonly jobs: readonly Job[]
}

export function readDefinition(db: Db, id: string, version?: number): DefinitionSheet | null {
  const definition = getDefinition(db, id, version)
  if (!definition) return null
  const wants = (job: Job) => definition.machines.includes(job.machine) && wantedOf(job).some((w) => w.t === definition.t)
  return {
    definition,
    versions: listVersions(db, id),
    tools: builtTo(db, id),
    jobs: [...listJobs(db), ...listPastJobs(db)].filter(wants),
  }
}
