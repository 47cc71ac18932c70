/** What Kit says of a tool that a program calls. */
import type { Difference } from '@/core/plan'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'

/** How a program's comment and a definition differ, such as `the comment says spot drill, the definition is a drill`. */
export function differenceText(difference: Difference, unit: LengthUnit): string {
  const size = (mm: number) => `${formatLength(mm, unit)} ${unitMark(unit)}`
  switch (difference.what) {
    case 'kind':
      return `the comment says ${difference.says}, the definition is a ${difference.is}`
    case 'diameter':
      return `the comment says diameter ${size(difference.saysMm)}, the definition ${size(difference.isMm)}`
    case 'corner':
      return `the comment says corner ${size(difference.saysMm)}, the definition ${size(difference.isMm)}`
  }
}
