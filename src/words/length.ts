/** What is wrong with a length that somebody typed. */
import type { LengthTextError } from '@/core/units'

export function lengthErrorText(error: LengthTextError): string {
  switch (error.code) {
    case 'EMPTY':
      return 'Type a length.'
    case 'NOT_A_LENGTH':
      return `“${error.text}” is not a length. Type it like 19.05, 3/4 in or 0,5.`
    case 'COMMA_AMBIGUOUS':
      return `“${error.text}”: is that ${error.asDecimal} or ${error.asThousands}? Type it with a point, or without the comma.`
  }
}
