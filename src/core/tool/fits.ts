/** Whether this very holder may become that tool, and how the parts stack up. */
import type { ShrinkHolder, SolidCutter } from './component'
import type { Definition } from './definition'

export interface HolderItem {
  readonly serial: string
  readonly component: string
  readonly retired: boolean
  /** T of the tool it carries now, null when it is free. */
  readonly carriesT: number | null
  readonly carries: boolean
  readonly heats: number
}

export type Refusal =
  | { readonly code: 'HOLDER_CARRIES_TOOL'; readonly serial: string; readonly t: number | null }
  | { readonly code: 'HOLDER_RETIRED'; readonly serial: string }
  | { readonly code: 'WRONG_TAPER'; readonly has: string; readonly needs: string }
  | { readonly code: 'WRONG_BORE'; readonly hasMm: number; readonly needsMm: number }
  | { readonly code: 'OTHER_TYPE'; readonly has: string; readonly needs: string }
  | { readonly code: 'TOO_SHALLOW'; readonly depthMm: number; readonly leastMm: number }
  | { readonly code: 'TOO_DEEP'; readonly depthMm: number; readonly greatestMm: number }
  | { readonly code: 'FLUTES_IN_BORE'; readonly byMm: number }
  | { readonly code: 'NONE_IN_STOCK'; readonly name: string }

/** Everything that speaks against this holder, the weightiest first; empty when it fits. */
export function refuseHolder(item: HolderItem, offered: ShrinkHolder, wanted: ShrinkHolder, cutter: SolidCutter): Refusal[] {
  const refusals: Refusal[] = []
  if (item.carries) refusals.push({ code: 'HOLDER_CARRIES_TOOL', serial: item.serial, t: item.carriesT })
  if (item.retired) refusals.push({ code: 'HOLDER_RETIRED', serial: item.serial })
  if (offered.coupling !== wanted.coupling) refusals.push({ code: 'WRONG_TAPER', has: offered.coupling, needs: wanted.coupling })
  if (offered.boreMm !== cutter.DMM) refusals.push({ code: 'WRONG_BORE', hasMm: offered.boreMm, needsMm: cutter.DMM })
  if (refusals.length === 0 && offered.id !== wanted.id)
    refusals.push({ code: 'OTHER_TYPE', has: offered.name, needs: wanted.name })
  return refusals
}

export interface StackUp {
  /** Nose face to the tip, and depth of the shank in the bore, mm. */
  readonly stickOutMm: number
  readonly depthMm: number
  readonly massKg: number
  /** Smallest of all parts. */
  readonly greatestRpm: number
}

export function stackUp(definition: Definition, holder: ShrinkHolder, cutter: SolidCutter): StackUp {
  const stickOutMm = definition.LF.nominal - holder.projectionMm
  return { stickOutMm, depthMm: cutter.OAL - stickOutMm, massKg: holder.massKg + cutter.massKg, greatestRpm: holder.greatestRpm }
}

export function refuseStack({ stickOutMm, depthMm }: StackUp, holder: ShrinkHolder, cutter: SolidCutter): Refusal[] {
  const refusals: Refusal[] = []
  if (depthMm < holder.depth.min) refusals.push({ code: 'TOO_SHALLOW', depthMm, leastMm: holder.depth.min })
  if (depthMm > holder.depth.max) refusals.push({ code: 'TOO_DEEP', depthMm, greatestMm: holder.depth.max })
  if (stickOutMm < cutter.LCF) refusals.push({ code: 'FLUTES_IN_BORE', byMm: cutter.LCF - stickOutMm })
  return refusals
}

const mm = (value: number) => `${Number(value.toFixed(2))} mm`

export function refusalText(r: Refusal): string {
  switch (r.code) {
    case 'HOLDER_CARRIES_TOOL':
      return `Holder ${r.serial} already carries ${r.t === null ? 'a tool' : `T${r.t}`}. Take another holder, or take that tool apart first.`
    case 'HOLDER_RETIRED':
      return `Holder ${r.serial} is retired. Put it aside and take another.`
    case 'WRONG_TAPER':
      return `Wrong taper: this holder is ${r.has}, the tool needs ${r.needs}.`
    case 'WRONG_BORE':
      return `Wrong bore: this holder takes ${mm(r.hasMm)}, the shank is ${mm(r.needsMm)}.`
    case 'OTHER_TYPE':
      return `This is a ${r.has}; the tool is set up for a ${r.needs}.`
    case 'TOO_SHALLOW':
      return `The shank would be only ${mm(r.depthMm)} deep in the bore; at least ${mm(r.leastMm)} is needed.`
    case 'TOO_DEEP':
      return `The shank would be ${mm(r.depthMm)} deep; the bore takes ${mm(r.greatestMm)} before the cutter bottoms.`
    case 'FLUTES_IN_BORE':
      return `The flutes would reach ${mm(r.byMm)} into the bore.`
    case 'NONE_IN_STOCK':
      return `No ${r.name} left in stock. Receive or regrind one first.`
  }
}
