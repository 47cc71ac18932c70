/** What two neighbouring parts say to each other. Cheap: tens of thousands a few milliseconds. */
import { closesByMm } from '../clamp'
import { numberOf, valueOf, type Component } from '../tool'
import type { Refusal } from './refusal'

/** Sizes are nominal; two are the same within this, mm. */
const SAME_MM = 0.0005
const same = (a: number | undefined, b: number | undefined) => a !== undefined && b !== undefined && Math.abs(a - b) <= SAME_MM

const colletName = (part: Component) => `${String(valueOf(part, 'colletSystem'))} size ${numberOf(part, 'colletSize')}`

/** Collet into holder, and nut onto holder. */
export function fitsColletHolder(holder: Component, part: Component): Refusal[] {
  if (holder.kind !== 'collet-holder') return [{ code: 'NOT_FOR_THIS_HOLDER', holder: holder.kind, cutter: part.name }]
  if (valueOf(part, 'colletSystem') === holder.colletSystem && valueOf(part, 'colletSize') === holder.colletSize) return []
  const code = part.kind === 'nut' ? 'OTHER_NUT' : 'OTHER_COLLET'
  return [{ code, has: colletName(part), needs: colletName(holder) }]
}

/** Smallest shank a collet closes on: its own record, else the usual rule. */
export const smallestShankMm = (collet: Component & { readonly DCX: number }): number =>
  numberOf(collet, 'DCN') ?? collet.DCX - closesByMm(collet.DCX)

/** Shank into collet. A shank larger than the number on the collet spoils it. */
export function fitsCollet(collet: Component, shankMm: number): Refusal[] {
  if (collet.kind !== 'collet') return [{ code: 'NO_PART', role: 'collet' }]
  if (collet.colletSystem === 'single size')
    return same(shankMm, collet.DCX) ? [] : [{ code: 'NOT_THAT_SIZE', shankMm, sizeMm: collet.DCX }]
  if (shankMm > collet.DCX + SAME_MM) return [{ code: 'SHANK_TOO_LARGE', shankMm, largestMm: collet.DCX }]
  const smallestMm = smallestShankMm(collet)
  return shankMm < smallestMm - SAME_MM ? [{ code: 'SHANK_TOO_SMALL', shankMm, smallestMm }] : []
}

/** Whatever has a shank, bore, thread or module into what holds it; the collet is asked separately. */
export function fitsCarrier(carrier: Component, upper: Component): Refusal[] {
  const no: Refusal = { code: 'NOT_FOR_THIS_HOLDER', holder: carrier.kind, cutter: upper.name }
  const shankMm = numberOf(upper, 'DMM')
  const coarse = (): Refusal[] => {
    const shankClass = String(valueOf(upper, 'shankClass'))
    return shankClass === 'h5' || shankClass === 'h6' ? [] : [{ code: 'SHANK_TOO_COARSE_HERE', holder: carrier.kind, shankClass }]
  }
  const bore = (): Refusal[] => {
    const hasMm = numberOf(carrier, 'DCONWS') ?? 0
    if (shankMm === undefined) return [no]
    return same(hasMm, shankMm) ? [] : [{ code: 'WRONG_BORE', hasMm, needsMm: shankMm }]
  }
  const flat = valueOf(upper, 'shankForm') === 'flat'
  switch (carrier.kind) {
    case 'shrink-holder':
    case 'shrink-extension':
      return [...bore(), ...(flat ? [{ code: 'FLAT_NOT_HERE', cutter: upper.name } as const] : [])]
    case 'hydraulic-holder':
      return [
        ...bore(),
        ...(shankMm === undefined ? [] : coarse()),
        ...(flat ? [{ code: 'FLAT_NOT_HERE', cutter: upper.name } as const] : []),
      ]
    case 'side-lock-holder':
      return [...bore(), ...(shankMm === undefined || flat ? [] : [{ code: 'NEEDS_FLAT', cutter: upper.name } as const])]
    case 'collet-holder':
      return shankMm === undefined ? [no] : []
    case 'drill-chuck':
      if (shankMm === undefined) return [no]
      if (shankMm > carrier.DCX) return [{ code: 'SHANK_TOO_LARGE', shankMm, largestMm: carrier.DCX }]
      return shankMm < carrier.DCN ? [{ code: 'SHANK_TOO_SMALL', shankMm, smallestMm: carrier.DCN }] : []
    case 'shell-arbor': {
      const needsMm = numberOf(upper, 'DCONWS')
      if (upper.kind !== 'shell-mill' || needsMm === undefined) return [no]
      return same(carrier.DCONWS, needsMm) ? [] : [{ code: 'WRONG_PILOT', hasMm: carrier.DCONWS, needsMm }]
    }
    case 'screw-in-holder':
      if (upper.kind !== 'screw-in-cutter') return [no]
      return upper.TDZ === carrier.TDZ ? [] : [{ code: 'WRONG_THREAD', has: upper.TDZ, needs: carrier.TDZ }]
    case 'modular-holder':
    case 'module-extension': {
      const has = valueOf(upper, 'moduleMS')
      if (has === undefined) return [no]
      return has === carrier.moduleWS ? [] : [{ code: 'WRONG_MODULE', has: String(has), needs: carrier.moduleWS }]
    }
    case 'turning-holder': {
      const needsMm = numberOf(upper, 'shankHeight')
      if (upper.kind !== 'turning-tool' || needsMm === undefined) return [no]
      return same(carrier.shankHeight, needsMm) ? [] : [{ code: 'WRONG_SHANK_HEIGHT', hasMm: carrier.shankHeight, needsMm }]
    }
    default:
      return [no]
  }
}

/** Insert into the pockets of a body. @param count inserts in the parts list, null when that is not to be asked */
export function fitsSeat(body: Component, insert: Component, count: number | null): Refusal[] {
  const needs = valueOf(body, 'SSC')
  const seats = numberOf(body, 'CICT')
  if (needs === undefined || seats === undefined) return []
  const refusals: Refusal[] = []
  const has = String(valueOf(insert, 'SSC') ?? '')
  if (has !== needs) refusals.push({ code: 'WRONG_SEAT', insert: insert.name, has, needs: String(needs) })
  if (count !== null && count !== seats) refusals.push({ code: 'INSERT_COUNT', has: count, needs: seats })
  return refusals
}

/** @param studForms what the machine's gripper takes; empty when nobody asks */
export function fitsStud(coupling: string, stud: Component, studForms: readonly string[]): Refusal[] {
  if (stud.kind !== 'pull-stud') return [{ code: 'NO_STUD', coupling }]
  if (stud.CCMS !== coupling) return [{ code: 'WRONG_STUD', stud: stud.name, has: `for ${stud.CCMS}`, needs: coupling }]
  if (studForms.length && !studForms.includes(stud.studForm))
    return [{ code: 'WRONG_STUD', stud: stud.name, has: `form ${stud.studForm}`, needs: `form ${studForms.join(' or ')}` }]
  return []
}
