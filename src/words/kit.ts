/** What Kit says of a tool that a program calls. */
import type { Difference } from '@/core/plan'
import type { ProgramWarning } from '@/core/program'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'

const plain = (kind: string) => kind.replaceAll('-', ' ')

/** How a program's comment and a definition differ, such as `the comment says spot drill, the definition is a drill`. */
export function differenceText(difference: Difference, unit: LengthUnit): string {
  const size = (mm: number) => `${formatLength(mm, unit)} ${unitMark(unit)}`
  switch (difference.what) {
    case 'kind':
      return `the comment says ${plain(difference.says)}, the definition is a ${plain(difference.is)}`
    case 'diameter':
      return `the comment says diameter ${size(difference.saysMm)}, the definition ${size(difference.isMm)}`
    case 'corner':
      return `the comment says corner ${size(difference.saysMm)}, the definition ${size(difference.isMm)}`
  }
}

/** A warning as it is kept: the ones of earlier versions have their sentence with them. */
type KeptWarning = ProgramWarning | { readonly line: number; readonly code: string; readonly text: string }

const MANY = {
  H_NOT_T: 'a length offset with another number than its tool',
  D_NOT_T: 'a radius offset with another number than its tool',
  NO_LENGTH_OFFSET: 'a tool that moves in Z without a length offset',
  PRESELECT_NEVER_CHANGED: 'a tool that is called but never changed to',
  CHANGE_WITHOUT_T: 'a tool change without a T',
} as const

export function programWarningText(warning: KeptWarning): string {
  if ('text' in warning) return warning.text
  switch (warning.code) {
    case 'H_NOT_T':
      return `T${warning.t} is called with H${warning.offset}.`
    case 'D_NOT_T':
      return `T${warning.t} is compensated with D${warning.offset}.`
    case 'NO_LENGTH_OFFSET':
      return `T${warning.t} moves in Z without a length offset (G43).`
    case 'PRESELECT_NEVER_CHANGED':
      return `T${warning.t} is called but never changed to.`
    case 'CHANGE_WITHOUT_T':
      return `Line ${warning.line} changes the tool, but no T was called since the last change.`
    case 'MORE':
      return `${warning.count} more of these: ${MANY[warning.of]}.`
    case 'MORE_CHANGES':
      return `T${warning.t} is changed to ${warning.count} more times.`
    case 'UNITS_MIXED':
      return `Line ${warning.line} changes to ${warning.to}. The program began in ${warning.from}.`
    case 'NO_UNITS':
      return 'The program has neither G20 nor G21, so its unit is not known.'
    case 'NOT_READ':
      return {
        call: () => `Line ${warning.line} calls another program. Tools changed there are not listed.`,
        text: () => `Line ${warning.line} is a macro or text that cannot be read.`,
        more: () => `${'lines' in warning ? warning.lines : 0} more lines cannot be read.`,
      }[warning.what]()
  }
}
