import 'server-only'
import { NO_ZERO, type Master, type Zero } from '@/core/judge'
import { seededRandom } from '@/core/numeric'
import { firstOf, numberOf, type Assembly, type Component, type Definition } from '@/core/tool'
import { buildNumber } from '@/db/assembly/read'
import { adapterNow } from '@/db/bench/read'
import { inTransaction, type Db } from '@/db/connection'
import { getComponent, getDefinition } from '@/db/library/read'
import { getThing, getTicket } from '@/db/truth/read'
import { putTicket } from '@/db/truth/write'
import {
  adjusted,
  FORMS,
  fromTicket,
  makeMaster,
  makeTruth,
  seatedWrong,
  toTicket,
  wiped,
  type Form,
  type NominalTool,
} from '@/devices/world/tool-truth'

/** Where seeds start; with this one the demo has a chip, an edge that stands out, and tools that hold. */
const FIRST_SEED = 5435

/** A seed that belongs to the n-th tool on this holder: it looks the same tomorrow. */
function seedOf(db: Db, assembly: Assembly): number {
  let seed = FIRST_SEED
  for (const c of `${assembly.serial}/${buildNumber(db, assembly)}`) seed = (Math.imul(seed, 31) + c.charCodeAt(0)) >>> 0
  return seed
}

/** What the stand-in of the bench draws for this tool; opaque to whoever carries it. */
export function benchTicket(db: Db, assembly: Assembly): string {
  const known = getTicket(db, assembly.id)
  if (known) return known
  const definition = assembly.definition && getDefinition(db, assembly.definition.id, assembly.definition.version)
  const seed = seedOf(db, assembly)
  const nominal = definition ? nominalOf(db, definition, assembly) : unplannedOf(seed)
  const ticket = toTicket(makeTruth(seed, nominal))
  inTransaction(db, (tx) => putTicket(tx, assembly.id, ticket))
  return ticket
}

/** What the definition asks for, in the form of the cutter that the tool was built with. */
function nominalOf(db: Db, definition: Definition, assembly: Assembly): NominalTool {
  const id = assembly.parts.find((part) => part.role === 'cutter')?.component ?? firstOf(definition, 'cutter')
  const cutter = id === null ? null : getComponent(db, id)
  return {
    LF: definition.LF.nominal,
    DC: definition.DC.nominal,
    RE: definition.RE?.nominal ?? 0,
    edges: definition.edges,
    form: cutter ? formOf(cutter) : 'corner',
    pointDeg: cutter ? numberOf(cutter, 'SIG') : undefined,
    edgeDeg: cutter ? numberOf(cutter, 'KAPR') : undefined,
  }
}

function formOf(cutter: Component): Form {
  if (cutter.kind === 'solid-cutter') return FORMS.find((form) => form === cutter.form) ?? 'corner'
  return cutter.kind === 'turning-tool' ? 'turning' : 'insert'
}

/** Nobody knows what hangs on a holder that came in unannounced: its seed says. */
const unplannedOf = (seed: number): NominalTool => ({
  LF: 90 + (seed % 70),
  DC: [8, 10, 12, 16][seed % 4],
  RE: [0.5, 1, 1.5][seed % 3],
  edges: 3 + (seed % 2),
  form: 'corner',
})

/** Under this name stands what a lesson moved the bench’s zero by, mm. */
export const PLANTED_ZERO = 'zero'

const DAY_MS = 86_400_000

/** What the axes read too much now: by the adapter, by how it was mounted, and as the frame breathes with the day. */
function zeroTruth(db: Db, nowMs: number): Zero {
  const adapter = adapterNow(db)
  if (!adapter) return NO_ZERO
  const chanceOf = (text: string) => {
    let seed = FIRST_SEED
    for (const c of text) seed = (Math.imul(seed, 31) + c.charCodeAt(0)) >>> 0
    return seededRandom(seed)
  }
  // each adapter has a zero of its own, and sits a little differently each time
  const piece = chanceOf(adapter.serial)
  const mounting = chanceOf(`${adapter.serial}/${adapter.since}`)
  const breath = Math.sin((2 * Math.PI * nowMs) / DAY_MS)
  const moved = JSON.parse(getThing(db, PLANTED_ZERO) ?? '{"x":0,"z":0}') as Zero
  return {
    x: 0.0018 * piece.normal() + 0.0008 * mounting.normal() + 0.0008 * breath + moved.x,
    z: 0.0022 * piece.normal() + 0.001 * mounting.normal() + 0.0015 * breath + moved.z,
  }
}

const STEEL_PER_K = 11.5e-6
/** The nose cools a little faster than the computed curve. */
const COOLS_FASTER = 0.9

/** How much longer a tool stands because its nose is still warm, mm. */
function warmMm({ heat }: Assembly, nowMs: number): number {
  if (!heat) return 0
  const seconds = Math.max(0, (nowMs - Date.parse(heat.endedAt)) / 1000)
  const excess = (heat.fromC - heat.ambientC) * Math.exp(-seconds / (COOLS_FASTER * heat.tauS))
  return STEEL_PER_K * heat.heatedMm * excess
}

/** A ticket as the bench in the browser gets it: with where the axes stand now, how warm the tool is, and how it is seated. */
export function handOut(db: Db, ticket: string, now: string, assembly?: Assembly): string {
  const nowMs = Date.parse(now)
  const truth = { ...fromTicket(ticket), zeroMm: zeroTruth(db, nowMs) }
  if (!assembly) return toTicket(truth)
  const adapter = adapterNow(db)
  const warm = { ...truth, warmMm: warmMm(assembly, nowMs), coolsInS: COOLS_FASTER * (assembly.heat?.tauS ?? 1) }
  return toTicket(adapter && adapter.coupling !== assembly.coupling ? seatedWrong(warm) : warm)
}

/** The setting master on the spindle. */
export const masterTicket = (db: Db, master: Master, now: string): string =>
  handOut(db, toTicket(makeMaster(FIRST_SEED, { LF: master.LFmm, DC: master.DCmm })), now)

/** A cloth went over the edge at this turn of the spindle (null: over all): returns what the bench draws from now on. */
export function wipeTicket(db: Db, assembly: Assembly, spindleDeg: number | null): string {
  const ticket = toTicket(wiped(fromTicket(benchTicket(db, assembly)), spindleDeg))
  inTransaction(db, (tx) => putTicket(tx, assembly.id, ticket))
  return ticket
}

/** A screw of the tool was turned on the spindle: returns what the bench draws from now on. */
export function adjustTicket(db: Db, assembly: Assembly, longerMm: number, widerMm: number): string {
  const ticket = toTicket(adjusted(fromTicket(benchTicket(db, assembly)), longerMm, widerMm))
  inTransaction(db, (tx) => putTicket(tx, assembly.id, ticket))
  return ticket
}
