/** What the pages of Hand over show. */
import { SHIPPED_POSTS } from '@/codecs/post'
import type { DecodedTag } from '@/codecs/tag'
import type { Handover } from '@/core/handover'
import { tableOf, type Assembly, type Definition, type Machine, type PostOptions } from '@/core/tool'
import type { Result } from '@/core/units'
import { getAssemblyName, listAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { currentHandover, listCurrent, listHandovers } from '@/db/handover/read'
import { listJobs } from '@/db/job/read'
import { listDefinitions, namesOf } from '@/db/library/read'
import { getMachine, getPostTemplate, listMachines, listPosts } from '@/db/machine/read'
import { listSimTags } from '@/db/truth/read'
import type { Control } from '@/devices/control/port'
import type { TagStation } from '@/devices/tag/port'
import type { Refusal } from '../refusals'
import { proposeHandover, type HandoverProposal } from './propose'
import { readTagNow } from './write-tag'
import { waitsNow, waitsOf } from '../rack/waits'

export interface ReleasedKit {
  readonly machine: string
  readonly name: string
  readonly tools: readonly {
    readonly handover: number
    readonly serial: string
    readonly t: number
    readonly name: string
    readonly job: string | null
  }[]
}

/** How many wait to be released, and what is released and not loaded yet, machine by machine. */
export function readHandoverStart(db: Db): { readonly waiting: number; readonly kits: readonly ReleasedKit[] } {
  const all = listAssemblies(db)
  const released = all.flatMap((a) => {
    const handover = a.state === 'released' ? currentHandover(db, a.serial) : null
    return handover ? [{ handover, name: a.name, job: a.job }] : []
  })
  const kits = listMachines(db).flatMap(({ key, name }): ReleasedKit[] => {
    const own = released.filter((r) => r.handover.values.machine === key)
    const tools = own.map((r) => ({
      handover: r.handover.id,
      serial: r.handover.values.serial,
      t: r.handover.values.t,
      name: r.name,
      job: r.job,
    }))
    return tools.length ? [{ machine: key, name, tools: tools.sort((a, b) => a.t - b.t) }] : []
  })
  const waits = waitsOf(db)
  return { waiting: all.filter((a) => waits(a, null) === 'hand-over').length, kits }
}

export interface HandoverSheet {
  readonly proposal: HandoverProposal
  readonly current: Handover | null
  /** Every number the holder ever had. */
  readonly numbers: readonly Handover[]
  readonly machines: readonly Machine[]
  /** Open jobs of its machine: a concession may be for one of them. */
  readonly jobs: readonly string[]
  /** It is to be balanced first; a hand-over is possible all the same. */
  readonly toBalance: boolean
}

/** @returns null when there is no tool on the holder */
export async function readHandover(
  db: Db,
  control: Control,
  serial: string,
  now: string,
  asked: Parameters<typeof proposeHandover>[4],
): Promise<HandoverSheet | null> {
  const proposal = await proposeHandover(db, control, serial, now, asked)
  return (
    proposal && {
      proposal,
      current: currentHandover(db, serial),
      numbers: listHandovers(db, serial),
      machines: listMachines(db),
      jobs: listJobs(db).flatMap((j) => (j.machine === proposal.machine?.key ? [j.id] : [])),
      toBalance: waitsNow(db, proposal.assembly) === 'balance',
    }
  )
}

interface OfMachine {
  readonly machine: Machine
  readonly machines: readonly Machine[]
}

export interface LabelSheet extends OfMachine {
  /** Hand-overs to try it on. */
  readonly tools: readonly { readonly id: number; readonly name: string }[]
}

/** @returns null without any machine */
export function readLabelEditor(db: Db, asked: string | null): LabelSheet | null {
  const machines = listMachines(db)
  const current = listCurrent(db)
  // without a wish: the first machine that has something to try it on
  const machine =
    (asked !== null && getMachine(db, asked)) ||
    machines.find((m) => current.some((h) => h.values.machine === m.key)) ||
    machines[0]
  if (!machine) return null
  const own = current.filter((h) => h.values.machine === machine.key)
  const tools = own.map((h) => ({ id: h.id, name: `T${h.values.t} ${getAssemblyName(db, h.assemblyId) ?? ''}` }))
  return { machine, machines, tools }
}

export interface PostSheet extends OfMachine {
  readonly posts: readonly string[]
  readonly post: string
  readonly shipped: boolean
  readonly template: string
  readonly options: PostOptions
  /** Tools to try it on. */
  readonly tools: readonly { readonly serial: string; readonly name: string }[]
}

/** @returns null without any machine */
export function readPostEditor(
  db: Db,
  asked: { readonly machine: string | null; readonly post: string | null },
): PostSheet | null {
  const machines = listMachines(db)
  const machine = (asked.machine !== null && getMachine(db, asked.machine)) || machines[0]
  if (!machine) return null
  const posts = [...new Set([...Object.keys(SHIPPED_POSTS), ...listPosts(db)])].sort()
  const post = asked.post !== null && posts.includes(asked.post) ? asked.post : machine.post
  const fits = (a: Assembly) => a.state !== 'built' && a.t !== null && a.coupling === machine.coupling
  return {
    machine,
    machines,
    posts,
    post,
    shipped: post in SHIPPED_POSTS,
    template: getPostTemplate(db, post) ?? SHIPPED_POSTS[post] ?? '',
    options: { ...tableOf(machine), sizeRegister: machine.sizeRegister, decimals: machine.decimals },
    tools: listAssemblies(db)
      .filter(fits)
      .map((a) => ({ serial: a.serial, name: `T${a.t} ${a.name}` })),
  }
}

export interface TagSheet {
  /** Holders with a simulated chip. */
  readonly chips: readonly string[]
  /** null when no holder is before the reader. */
  readonly read: Result<DecodedTag, Refusal> | null
  readonly parts: readonly { readonly id: string; readonly name: string; readonly count: number }[]
  readonly definition: Pick<Definition, 'id' | 'name'> | null
}

/** What the chip before the reader says, and what the library knows of it. */
export async function readTag(db: Db, station: TagStation | null): Promise<TagSheet> {
  const read = station && (await readTagNow(station))
  const record = read?.ok ? read.value.record : null
  const bom = record?.bom ?? []
  const definition = record && listDefinitions(db).find((d) => d.t === record.t && d.machines.includes(record.m ?? ''))
  return {
    chips: listSimTags(db),
    read,
    parts: [...namesOf(db, bom)].map(([id, name]) => ({ id, name, count: bom.filter((b) => b === id).length })),
    definition: definition ? { id: definition.id, name: definition.name } : null,
  }
}
