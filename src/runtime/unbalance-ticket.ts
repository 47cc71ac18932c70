import 'server-only'
import { provisionOf, type FitStep, type Provision } from '@/core/balance'
import { numberOf, roleOf, type Role } from '@/core/tool'
import { buildNumber, getAssembly } from '@/db/assembly/read'
import { holderBalance } from '@/db/balance/read'
import { inTransaction, type Db } from '@/db/connection'
import { getComponent } from '@/db/library/read'
import { getUnbalance } from '@/db/truth/read'
import { putUnbalance } from '@/db/truth/write'
import {
  fromUnbalanceTicket,
  makeUnbalance,
  toUnbalanceTicket,
  withAdded,
  withHole,
  withMass,
  without,
  withRing,
  withScrew,
  type RealPart,
  type UnbalanceTruth,
} from '@/devices/world/unbalance-truth'

/** The rotor that a simulated spindle is calibrated with: as good as balanced. */
export const ROTOR = 'ROTOR'
const ROTOR_TRUTH: UnbalanceTruth = { massKg: 3, cgZMm: 60, off: [] }

/** How far such a part's mass centre is off the axis, µm, and where about it is over the gauge line. */
const OFF: Readonly<Partial<Record<Role, { readonly um: number; readonly zMm: number }>>> = {
  holder: { um: 9, zMm: 20 },
  extension: { um: 12, zMm: 80 },
  nut: { um: 35, zMm: 70 },
  collet: { um: 25, zMm: 60 },
  stud: { um: 25, zMm: -45 },
  cutter: { um: 18, zMm: 105 },
  insert: { um: 60, zMm: 130 },
}

const STAYS: readonly Role[] = ['holder', 'stud']

function seedOf(text: string): number {
  let seed = 1733
  for (const c of text) seed = (Math.imul(seed, 31) + c.charCodeAt(0)) >>> 0
  return seed
}

/** What a simulated tool, or the rotor, weighs where; opaque to whoever carries it. */
export function unbalanceTicket(db: Db, serial: string): string {
  if (serial === ROTOR) return getUnbalance(db, ROTOR) ?? toUnbalanceTicket(ROTOR_TRUTH)
  const assembly = getAssembly(db, serial)
  if (!assembly) return toUnbalanceTicket({ massKg: 1, cgZMm: 30, off: [] })
  const name = String(assembly.id)
  const known = getUnbalance(db, name)
  if (known) return known
  const parts = assembly.parts.flatMap(({ component, count }): RealPart[] => {
    const part = getComponent(db, component)
    const off = part && OFF[roleOf(part)]
    const massKg = part ? (numberOf(part, 'WT') ?? 0) * count : 0
    // the holder stays what it is, whatever is built on it
    const piece = part && STAYS.includes(roleOf(part)) ? serial : `${serial}/${buildNumber(db, assembly)}`
    return part && off && massKg > 0
      ? [{ seed: seedOf(`${piece}/${part.id}`), what: part.id, massKg, zMm: off.zMm, offUm: off.um }]
      : []
  })
  const bare = makeUnbalance(parts.length ? parts : [{ seed: seedOf(serial), what: 'holder', massKg: 1, zMm: 20, offUm: 10 }])
  // what the tools before on this holder were balanced with is still in
  const has = holderBalance(db, serial)
  const provision = provisionFor(db, serial)
  let truth = bare
  for (const screw of has.screws) truth = done(truth, provision, { type: 'screw in', deg: 0, ...screw }, serial)
  for (const ring of has.rings) truth = done(truth, provision, { type: 'ring', ...ring }, serial)
  for (const hole of has.holes) truth = done(truth, provision, { type: 'drill', ...hole }, serial)
  for (const mass of has.added) truth = done(truth, provision, { type: 'add', ...mass }, serial)
  const ticket = toUnbalanceTicket(truth)
  inTransaction(db, (tx) => putUnbalance(tx, name, ticket))
  return ticket
}

function provisionFor(db: Db, serial: string): Provision | null {
  const holder = getAssembly(db, serial)
    ?.parts.map(({ component }) => getComponent(db, component))
    .find((part) => part && roleOf(part) === 'holder')
  return holder ? provisionOf(holder) : null
}

/** A step as hands really do it: each screw weighs a little else than is written on it. */
function done(truth: UnbalanceTruth, provision: Provision | null, step: FitStep, serial: string): UnbalanceTruth {
  const name = step.type === 'ring' ? `ring ${step.plane} ${step.ring}` : `${step.plane} ${'hole' in step ? step.hole : step.deg}`
  const seed = seedOf(`${serial}/${name}/${'massG' in step ? step.massG : step.deg}`)
  switch (step.type) {
    case 'screw out':
      return without(truth, name)
    case 'screw in': {
      const place = provision?.screws.find((p) => p.name === step.plane)
      const hole = place?.holes[step.hole]
      return place && hole ? withScrew(truth, { name, zMm: place.zMm, ...hole }, step.massG, seed) : truth
    }
    case 'ring': {
      const place = provision?.rings.find((p) => p.name === step.plane)
      return place ? withRing(truth, { name, zMm: place.zMm, gmm: place.gmm }, step.deg, seed) : truth
    }
    case 'drill': {
      const place = provision?.drill.find((p) => p.name === step.plane)
      if (!place) return truth
      const gmm = step.removedG * (place.radiusMm - step.depthMm / 2)
      return withHole(truth, { name: `hole ${name}`, zMm: place.zMm, gmm, deg: step.deg }, seed)
    }
    case 'add': {
      const place = provision?.add.find((p) => p.name === step.plane)
      return place ? withAdded(truth, { ...place, name: `mass ${name}`, deg: step.deg }, step.massG, seed) : truth
    }
  }
}

/** Hands do a step at a simulated tool: whatever was wished, this is what the tool is from now on. */
export function reallyDo(db: Db, serial: string, step: FitStep): void {
  const assembly = getAssembly(db, serial)
  if (!assembly) return
  const truth = done(fromUnbalanceTicket(unbalanceTicket(db, serial)), provisionFor(db, serial), step, serial)
  inTransaction(db, (tx) => putUnbalance(tx, String(assembly.id), toUnbalanceTicket(truth)))
}

/** What is in the rotor of a simulated spindle: nothing, or a mass in one of its planes. */
export function loadRotor(db: Db, mass: { readonly zMm: number; readonly gmm: number; readonly deg: number } | null): void {
  const truth = mass ? withMass(ROTOR_TRUTH, { name: 'mass', ...mass }) : ROTOR_TRUTH
  inTransaction(db, (tx) => putUnbalance(tx, ROTOR, toUnbalanceTicket(truth)))
}
