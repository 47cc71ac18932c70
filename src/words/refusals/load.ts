import { pocketText } from '../pocket'
import { fixed } from '@/core/units'
import type { LoadRefusals } from '@/stations/load/contract'
import { loadSaidText, stepLineText } from '../load'
import { labelFaultText, scanSaidText } from '../scans'
import type { Sentences } from './sentences'

export const LOAD: Sentences<LoadRefusals> = {
  SCANS: ({ said }) => (said ? scanSaidText(said) : 'Scan machine, holder and label first.'),
  RULE: ({ finding, machine, ask }, _unit, units) =>
    `${loadSaidText(finding.said, machine, units)}${ask === 'reason' ? ' To go on, say why.' : ask === 'lead' ? ' Only a lead can go on.' : ''}`,
  NO_POCKET: ({ machine }) => `${machine} has no pocket for it.`,
  FIRST: ({ who, serial, machine, pocket }) =>
    `${who ?? 'Somebody'} was first: ${serial ?? 'another tool'} is being loaded into ${machine}, ${pocketText(pocket)}. Scan again.`,
  LOAD_NOT_BEGUN: ({ serial }) => `${serial} is not being loaded. Scan machine, holder and label.`,
  LOAD_OVER: ({ serial }) => `Loading ${serial} has ended already.`,
  NOT_BY_HAND: () => 'When a tool goes into the spindle by hand, the magazine does not turn.',
  NOT_THIS_STEP: () => 'This step is not next. Look at the sheet again.',
  WATCHED: ({ step }) => `A switch checks this: ${stepLineText(step).toLowerCase()} is not reported yet.`,
  STEP_FIRST: ({ step }) =>
    `First: ${stepLineText(step).toLowerCase()}${step.watched ? '. The switch does not report it yet' : ''}.`,
  READS_BACK_ITSELF: ({ machine }) => `${machine} reads its offsets back by itself.`,
  NO_SUCH_REGISTER: ({ machine, register }) => `${machine} has no ${register}.`,
  TYPED_WRONG: ({ register, shown, wanted, machine }) =>
    `The control shows ${fixed(shown, machine.decimals)} as ${register}. It must be ${fixed(wanted, machine.decimals)}. Type it again at the control, then read it back.`,
  NOT_TYPED: ({ register }) => `The ${register} is not typed and read back yet.`,
  LISTED_WRONG: ({ there, own, pocket }) =>
    `The control lists ${there === null ? 'no tool' : `T${there}`} in ${pocketText(pocket)}, not T${own}. Check its list.`,
  POCKET_TAKEN: ({ pocket }) => `Somebody else took ${pocketText(pocket)} just now. Scan again for another one.`,
  RULE_FIXED: () => 'This rule protects people or the machine. It cannot be changed.',
  BAD_CRC: () => labelFaultText({ code: 'BAD_CRC' }),
  NOT_A_LABEL: () => labelFaultText({ code: 'NOT_A_LABEL' }),
}
