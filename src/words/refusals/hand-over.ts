import type { HandoverRefusals } from '@/stations/hand-over/contract'
import { printerErrorText, tagFaultText, tagReaderText } from '../devices'
import { handoverRefusalText, tableRefusalText, voidText } from '../hand-over'
import { labelFaultText } from '../scans'
import type { Sentences } from './sentences'

export const HAND_OVER: Sentences<HandoverRefusals> = {
  HANDOVER: ({ refusal }) => handoverRefusalText(refusal),
  TABLE: ({ refusal, machine }) => tableRefusalText(refusal, machine),
  NOT_COMPLETE: () => 'Length, diameter, T number and machine are needed. Complete them on the tool page.',
  CONCESSION_OPEN: () => 'Say for which job the concession counts, or until when.',
  CONCESSION_JOB: ({ job }) => `There is no open job ${job} on this machine.`,
  CONCESSION_PAST: () => 'The concession would end in the past. Choose a later day.',
  VALUES_DIFFER: (data) =>
    data.what === 'machine'
      ? `Hand-over ${data.issue} of ${data.serial} was released for ${data.for}, not for ${data.not}.`
      : labelFaultText({ code: 'VALUES_DIFFER', ...data }),
  SUPERSEDED: (data) =>
    data.what === 'label'
      ? labelFaultText({ code: 'SUPERSEDED', ...data })
      : `Hand-over ${data.issue} of ${data.serial} is out of date: ${voidText(data.why)}. Nothing was ${data.nothing}.`,
  IN_BY_THIS_HANDOVER: ({ serial }) => `${serial} is in its machine by this hand-over. Unload it first.`,
  NO_FILES: ({ machine }) => `${machine} takes no files. Its offsets are typed in.`,
  FILE_THERE: ({ file, machine }) =>
    `${file} is still in the folder of ${machine}: the control has not taken it. Overwrite it only when you know why.`,
  T_TWICE: ({ t, serial }) =>
    `T${t} would be written twice${serial ? `, ${serial} has the same T` : ''}. Choose one of the two tools.`,
  LABEL_TOO_SMALL: ({ leastMm }) =>
    `The label is too small for its code. It needs at least ${Math.ceil(leastMm.widthMm)} × ${Math.ceil(leastMm.heightMm)} mm.`,
  LINE_CUT: ({ line }) => `Line ${line} is cut off at its end. Make it shorter, or the label wider.`,
  UNKNOWN_POST: ({ post }) => `There is no post ${post}.`,
  STANDARD_POST: ({ post }) => `${post} is a standard post and cannot be changed. Save yours under another name.`,
  NO_TOOL_TO_TRY: () => 'Choose a measured tool to try it on. A post must be tried before it is saved.',
  TRIED_WITHOUT_REGISTER: () => 'The tool it was tried on has no offset register. Try it on another tool.',
  NO_TOOL: ({ serial }) => `There is no tool on holder ${serial}.`,
  NOT_MEASURED: ({ serial }) => `${serial} has no measured length and diameter, or no T number.`,
  PRINTER: ({ error, printed, of }) => `${printerErrorText(error)} ${printed} of ${of} labels were printed.`,
  TAG_READER: ({ error }) => tagReaderText(error),
  TAG: ({ fault }) => tagFaultText(fault),
  NO_TAG: () => 'That holder has no chip yet.',
  OTHER_TAG: ({ is, serial }) => `The chip at the reader belongs to ${is}, not to ${serial}. Nothing was written.`,
  TAG_READ_BACK: () => 'The chip does not read back what was written. Write it again. If that fails, replace the chip.',
}
