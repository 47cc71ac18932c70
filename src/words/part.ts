/** What is wrong with a part that somebody typed or sent. */
import { KIND_LABELS, PROPERTY_NAMES } from './properties'
import { specOf, type PartFault, type PropertyKey } from '@/core/tool'

/** What every part has, whatever its kind. */
const BASE: Readonly<Record<string, string>> = {
  id: 'number',
  name: 'name',
  makerNumber: 'maker number',
  price: 'price',
  leastStock: 'least stock',
  drawing: 'picture',
  note: 'note',
  reground: 'regrind',
}

function nameOf(key: string): string {
  const base = BASE[key]
  if (base) return base
  const { symbol } = specOf(key as PropertyKey)
  const name = PROPERTY_NAMES[key as PropertyKey]
  return symbol ? `${name} (${symbol})` : name
}

const shown = (value: unknown): string => {
  const text = String(value)
  return text.length > 40 ? `${text.slice(0, 40)}…` : text
}

export function partFaultText(fault: PartFault): string {
  switch (fault.code) {
    case 'UNKNOWN_KIND':
      return fault.kind ? `There is no kind of part “${shown(fault.kind)}”.` : 'Say which kind of part it is.'
    case 'MISSING':
      return fault.key === 'id' || fault.key === 'name'
        ? `Give it ${fault.key === 'id' ? 'a number' : 'a name'}.`
        : `The ${nameOf(fault.key)} is missing.`
    case 'NOT_TEXT':
      return `The ${nameOf(fault.key)} cannot be used. Write it with letters and digits.`
    case 'TOO_LONG':
      return `The ${nameOf(fault.key)} can have ${fault.most} characters at most.`
    case 'NOT_ANGLES':
      return `The ${nameOf(fault.key)} are not angles. Write degrees from 0 to 359, like 0 60 120.`
    case 'NOT_ARCS':
      return `“${nameOf(fault.key)}” are not stretches. Write degrees from and to, like 40-80 200-230.`
    case 'NOT_A_NUMBER':
      return `The ${nameOf(fault.key)} “${shown(fault.value)}” is not a number.`
    case 'OUT_OF_RANGE':
      return `The ${nameOf(fault.key)} ${fault.value} is outside ${fault.min} … ${fault.max}.`
    case 'UNKNOWN_COUPLING':
      return `No coupling is called “${shown(fault.value)}”. Write it as it stands in Settings, or add it there.`
    case 'NOT_A_CHOICE':
      return `The ${nameOf(fault.key)} “${shown(fault.value)}” is not one of ${fault.choices.join(', ')}.`
    case 'NOT_OF_THIS_KIND':
      return `A ${KIND_LABELS[fault.kind]} has no “${shown(fault.key)}”.`
    case 'CONTRADICTION':
      return `The ${nameOf(fault.key)} is larger than the ${nameOf(fault.other)}.`
  }
}

export const partFaultsText = (faults: readonly PartFault[]): string => faults.map(partFaultText).join(' ')
