/** Which parts of the library would do in each place of a tool, and for places where none does, the nearest. */
import type { ShrinkPractice } from '../clamp'
import { numberOf, roleOf, type Component, type Couplings, type Definition, type Machine, type Role } from '../tool'
import { chainOf, checkTool, type Depth } from './check'
import { fitsCarrier, fitsCollet, fitsColletHolder, fitsSeat, fitsStud } from './pair'
import type { Refusal } from './refusal'
import { partIn, type StackPart } from './stack'

export interface Candidates {
  readonly role: Role
  /** Best first: what the parts list names before others. */
  readonly fits: readonly Component[]
  /** Where none fits: the one that fails by least, and why. */
  readonly nearest: { readonly component: Component; readonly refusals: readonly Refusal[] } | null
}

/** What stands around each place in the tool, found once for all candidates. */
interface Around {
  readonly parts: readonly StackPart[]
  readonly holder: Component | null
  readonly cutter: Component | null
  readonly chain: readonly Component[]
  readonly couplings: readonly string[]
  readonly studForms: readonly string[]
  readonly shankMm: number | undefined
  readonly leastDC: number
  readonly greatestDC: number
  readonly nominalDC: number
}

function aroundOf(definition: Definition, parts: readonly StackPart[], machines: readonly Machine[]): Around {
  const cutter = partIn(parts, 'cutter')
  const { nominal, lower, upper } = definition.DC
  return {
    parts,
    holder: partIn(parts, 'holder'),
    cutter,
    chain: chainOf(parts),
    couplings: machines.map((m) => m.coupling),
    studForms: machines.flatMap((m) => m.studForms),
    shankMm: cutter ? numberOf(cutter, 'DMM') : undefined,
    leastDC: nominal + lower,
    greatestDC: nominal + upper,
    nominalDC: nominal,
  }
}

/** What the neighbours in the tool say to a candidate, without stacking anything up. */
function neighbourRefusals(role: Role, part: Component, around: Around): Refusal[] {
  const { parts, holder, cutter, chain, shankMm } = around
  switch (role) {
    case 'holder': {
      const wrong = 'CCMS' in part ? around.couplings.find((coupling) => coupling !== part.CCMS) : undefined
      if (wrong !== undefined && 'CCMS' in part) return [{ code: 'WRONG_TAPER', has: part.CCMS, needs: wrong }]
      if (holder && part.kind !== holder.kind) return [{ code: 'OTHER_TYPE', has: part.name, needs: holder.name }]
      return chain[1] ? fitsCarrier(part, chain[1]) : []
    }
    case 'collet': {
      if (!holder) return []
      const size = fitsColletHolder(holder, part)
      return size.length || !shankMm ? size : fitsCollet(part, shankMm)
    }
    case 'nut':
      return holder ? fitsColletHolder(holder, part) : []
    case 'stud':
      return holder && 'CCMS' in holder ? fitsStud(holder.CCMS, part, around.studForms) : []
    case 'insert':
      return cutter ? fitsSeat(cutter, part, null) : []
    case 'cutter': {
      if (cutter && part.kind !== cutter.kind) return [{ code: 'OTHER_TYPE', has: part.name, needs: cutter.name }]
      const hasMm = numberOf(part, 'DC')
      if (hasMm !== undefined && (hasMm < around.leastDC || hasMm > around.greatestDC))
        return [{ code: 'WRONG_DIAMETER', hasMm, needsMm: around.nominalDC }]
      const carrier = chain[chain.length - 2]
      return carrier ? fitsCarrier(carrier, part) : []
    }
    case 'extension': {
      const at = chain.findIndex((p) => roleOf(p) === 'extension')
      return at > 0 ? [...fitsCarrier(chain[at - 1], part), ...fitsCarrier(part, chain[at + 1])] : []
    }
    default: {
      const now = partIn(parts, role)
      return now && part.id !== now.id ? [{ code: 'OTHER_TYPE', has: part.name, needs: now.name }] : []
    }
  }
}

/** How far off a refusal is: the number it is about, relative; 10 where there is none to compare. */
function gapOf(r: Refusal): number {
  const pair =
    'hasMm' in r ? [r.hasMm, r.needsMm]
    : r.code === 'SHANK_TOO_LARGE' ? [r.shankMm, r.largestMm]
    : r.code === 'SHANK_TOO_SMALL' ? [r.shankMm, r.smallestMm]
    : r.code === 'NOT_THAT_SIZE' ? [r.shankMm, r.sizeMm]
    : r.code === 'TOO_SHALLOW' ? [r.depthMm, r.leastMm]
    : r.code === 'TOO_DEEP' ? [r.depthMm, r.greatestMm]
    : r.code === 'LENGTH_OFF' ? [r.wouldMm, r.wantedMm]
    : null // prettier-ignore
  return pair ? Math.abs(pair[0] - pair[1]) / Math.max(Math.abs(pair[1]), 1e-9) : 10
}
const gap = (refusals: readonly Refusal[]) => refusals.reduce((sum, r) => sum + 0.01 + gapOf(r), 0)

/**
 * @param parts the tool as its parts list has it; each candidate is tried in the place of the one that is there
 * @param library every part there is
 */
export function whatFits(
  definition: Definition,
  parts: readonly StackPart[],
  library: readonly Component[],
  machines: readonly Machine[],
  practice: ShrinkPractice,
  couplings: Couplings,
): Candidates[] {
  const roles = [...new Set(parts.map((p) => roleOf(p.component)))]
  const passed = new Map<Role, Component[]>(roles.map((role) => [role, []]))
  const nearest = new Map<Role, { component: Component; refusals: readonly Refusal[]; gap: number }>()
  const near = (role: Role, component: Component, refusals: readonly Refusal[]) => {
    const far = gap(refusals)
    const best = nearest.get(role)
    if (!best || far < best.gap) nearest.set(role, { component, refusals, gap: far })
  }
  const around = aroundOf(definition, parts, machines)
  for (const component of library) {
    const role = roleOf(component)
    const list = passed.get(role)
    if (!list) continue
    const refusals = neighbourRefusals(role, component, around)
    if (refusals.length === 0) list.push(component)
    // a near miss is of interest only as long as nothing passes
    else if (list.length === 0) near(role, component, refusals)
  }
  const order = (role: Role, id: string) => {
    const line = definition.parts.find((l) => l.role === role)
    return line?.component === id ? 0 : line?.alternatives.includes(id) ? 1 : 2
  }
  return roles.map((role) => {
    const fits = passed.get(role)!.filter((component) => {
      const tried = parts.map((p) => (roleOf(p.component) === role ? { ...p, component } : p))
      const { refusals } = checkTool(definition, tried, machines, practice, couplings, depthFor(role, definition))
      if (refusals.length) near(role, component, refusals)
      return refusals.length === 0
    })
    const shankMm = numberOf(partIn(parts, 'cutter') ?? fits[0], 'DMM') ?? 0
    fits.sort(
      (a, b) =>
        order(role, a.id) - order(role, b.id) ||
        (role === 'collet' ? nearestAbove(a, shankMm) - nearestAbove(b, shankMm) : 0) ||
        (a.name < b.name ? -1 : a.name > b.name ? 1 : 0),
    )
    const best = nearest.get(role)
    return { role, fits, nearest: fits.length || !best ? null : { component: best.component, refusals: best.refusals } }
  })
}

/** A nut or an insert changes neither the outline nor the shrink fit. */
function depthFor(role: Role, { reachMm }: Definition): Depth {
  const shapes = role === 'holder' || role === 'extension' || role === 'cutter'
  return { drawn: shapes && reachMm !== null, shrink: shapes }
}

/** Of two collets the one whose largest size is nearest above the shank comes first. */
const nearestAbove = (collet: Component, shankMm: number): number => (numberOf(collet, 'DCX') ?? Infinity) - shankMm

/** The collet to take for a shank: of those that hold it, the one whose largest size is nearest above. */
export function chooseCollet(shankMm: number, collets: readonly Component[]): Component | null {
  const holding = collets.filter((c) => c.kind === 'collet' && fitsCollet(c, shankMm).length === 0)
  return holding.reduce<Component | null>(
    (best, c) => (!best || nearestAbove(c, shankMm) < nearestAbove(best, shankMm) ? c : best),
    null,
  )
}
