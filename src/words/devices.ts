/** What a device that does not do as asked is told about, and what to do then. */
import type { Units } from '@/core/units'
import type { TableFault } from '@/codecs/faults'
import type { TagFault } from '@/core/handover'
import type { ControlError } from '@/devices/control/port'
import type { LineError } from '@/devices/line-bench/port'
import type { PrinterError } from '@/devices/printer/port'
import type { UnitError } from '@/devices/shrink/port'
import type { SpindleError } from '@/devices/spindle/port'
import type { TagDeviceError } from '@/devices/tag/port'
import { temperatureText } from './quantity'
import { timeText } from './time'

function tableFaultText(fault: TableFault): string {
  switch (fault.code) {
    case 'NO_T':
      return 'Its first column must be T.'
    case 'COLUMN':
      return `${fault.column.slice(0, 40) || 'A column without a name'} is no register.`
    case 'NUMBER':
      return `Line ${fault.line}, ${fault.column}: this is not a number.`
  }
}

/** What a driver says of a line that is down. */
const LINE: Readonly<Record<string, string>> = {
  timeout: 'no answer in time',
  incomplete: 'the line was closed in the middle',
  other: 'something else than an MTConnect agent answers there',
}
const lineText = (detail: string) => LINE[detail] ?? detail

export function controlErrorText(error: ControlError): string {
  if (error.code === 'UNREACHABLE')
    return `The control does not answer${error.detail ? ` (${lineText(error.detail)})` : ''}. It is not known whether anything was written. Read its table before you try again.`
  switch (error.code) {
    case 'WAITS':
      return `${error.file} is in the machine’s folder. Run it at the control, then press again.`
    case 'NO_TABLE':
      return 'There is no table.csv in the machine’s folder. Let the control write its offset table there.'
    case 'OLD_TABLE':
      return `The offset table in the machine’s folder is of ${timeText(error.at)}. Let the control write it again.`
    case 'BAD_TABLE':
      return `The table in the machine’s folder cannot be read. ${tableFaultText(error.fault)}`
  }
  return error.line
    ? `The control refuses the file at line ${error.line}: ${error.detail}. Nothing was written.`
    : `The control refuses${error.detail ? `: ${error.detail}` : ' without a reason'}. Nothing was written.`
}

export function unitErrorText(error: UnitError, units: Units): string {
  switch (error.code) {
    case 'BUSY':
      return `${error.serial} is in the coil. Put it into a cooling body first.`
    case 'UNKNOWN_COIL':
      return `The shrink unit has no coil position ${error.coil}. It has ${error.coils.join(', ')}.`
    case 'ABOVE_LIMIT':
      return `${temperatureText(error.targetC, units)} is above the holder limit ${temperatureText(error.greatestC, units)}.`
    case 'STILL_WARM':
      return `${error.serial} is still at ${temperatureText(error.noseC, units)}. One heat, then cool it fully. Never heat a warm nose again.`
    case 'BODY_TAKEN':
      return `${error.serial} is cooling in body ${error.body}. Take a free one.`
    case 'NOT_IN_COIL':
      return `${error.serial} is not in the coil.`
    case 'UNREACHABLE':
      return 'The shrink unit does not answer. Check that it is switched on and connected.'
    case 'NOT_CONNECTED':
      return 'No shrink unit is connected. Heat by its own panel, and note here what you did.'
  }
}

export function spindleErrorText(error: SpindleError): string {
  switch (error.code) {
    case 'GUARD_OPEN':
      return 'The guard of the balancing spindle is open. Shut it, then start.'
    case 'TURNING':
      return 'The balancing spindle is still turning. Wait until it stops.'
    case 'EMPTY':
      return 'There is no tool in the balancing spindle. Clamp it, then start.'
    case 'TOO_FAST':
      return `${error.rpm} rev/min is more than the balancing spindle can run: ${error.most} at most.`
    case 'NO_RECORD':
      return 'The balancing spindle has recorded nothing. Start the run again.'
    case 'BROKEN_OFF':
      return 'The run was stopped before its end. Shut the guard and start it again.'
    case 'UNREACHABLE':
      return 'The balancing spindle does not answer. Check that it is switched on and connected.'
    case 'NOT_CONNECTED':
      return 'No balancing spindle is connected. Type in a result from elsewhere.'
  }
}

export const printerErrorText = (error: PrinterError): string =>
  error.code === 'NO_LABELS'
    ? 'The printer is out of labels. Put in a new roll.'
    : `The printer does not answer (${lineText(error.detail)}). Check that it is switched on.`

const TAG_READER: Readonly<Record<TagDeviceError['code'], string>> = {
  NO_TAG: 'There is no chip at the reader. Turn the holder until its chip faces the reader.',
  LOST: 'The chip was pulled away during writing. Its old content is still valid. Hold it still and write again.',
  NOT_CONNECTED: 'No tag reader is connected. Use a label, or a file.',
}
/** What answers when it is tried. */
export const TRIED = { carrier: (bytes: number) => `a chip of ${bytes} bytes` } as const
export const tagReaderText = ({ code }: TagDeviceError): string => TAG_READER[code]

export function tagFaultText(fault: TagFault): string {
  switch (fault.code) {
    case 'FOREIGN':
      return 'This chip was not written by Boulder, or its header is damaged. It was left as it is.'
    case 'NO_VALID_SLOT':
      return 'Nothing on the chip can be read. Write it again from the tool page.'
    case 'TOO_LONG':
      return `The record has ${fault.bytes} bytes, the chip holds ${fault.most}. Shorten the tool’s name or its parts list.`
  }
}

export function lineErrorText(error: LineError): string {
  switch (error.code) {
    case 'UNREACHABLE':
      return `The serial gauge does not answer: ${lineText(error.detail)}. Check that it is switched on, or type in the values.`
    case 'GARBLED':
      return error.line
        ? `The gauge sent “${error.line}”, which cannot be read. Send it again.`
        : 'What the gauge sent cannot be read. Send it again.'
    case 'NOTHING':
      return 'The gauge shows no value yet. Measure there first.'
  }
}
