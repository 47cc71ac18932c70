/** What is wrong with a part that somebody typed or sent. */
import { KIND_LABELS, PROPERTY_NAMES } from './properties'
import { specOf, type PartFault, type PropertyKey } from '@/core/tool'

export function partFaultText(fault: PartFault): string {
  const nameOf = (key: PropertyKey) => {
    const { symbol } = specOf(key)
    const name = PROPERTY_NAMES[key]
    return symbol ? `${name} (${symbol})` : name
  }
  switch (fault.code) {
    case 'UNKNOWN_KIND':
      return fault.kind ? `There is no kind of part “${fault.kind}”.` : 'Say which kind of part it is.'
    case 'MISSING':
      return fault.key === 'id' || fault.key === 'name'
        ? `Give it ${fault.key === 'id' ? 'a number' : 'a name'}.`
        : `The ${nameOf(fault.key as PropertyKey)} is missing.`
    case 'NOT_A_NUMBER':
      return `The ${nameOf(fault.key)} “${String(fault.value)}” is not a number.`
    case 'OUT_OF_RANGE':
      return `The ${nameOf(fault.key)} ${fault.value} is outside ${fault.min} … ${fault.max}.`
    case 'NOT_A_CHOICE':
      return `The ${nameOf(fault.key)} “${String(fault.value)}” is not one of ${fault.choices.join(', ')}.`
    case 'NOT_OF_THIS_KIND':
      return `A ${KIND_LABELS[fault.kind]} has no “${fault.key}”.`
    case 'CONTRADICTION':
      return `The ${nameOf(fault.key)} is larger than the ${nameOf(fault.other)}.`
  }
}

export const partFaultsText = (faults: readonly PartFault[]): string => faults.map(partFaultText).join(' ')
