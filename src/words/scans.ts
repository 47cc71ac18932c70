/** What Load says of the scans of machine, holder and label. */
import { pocketText } from './pocket'
import { isTyped } from '@/core/tool'
import { voidText } from './hand-over'
import type { LabelFault, ScanSaid } from '@/stations/load/contract'

export function labelFaultText(fault: LabelFault): string {
  switch (fault.code) {
    case 'NOT_A_LABEL':
      return 'This is not a tool label.'
    case 'BAD_CRC':
      return 'The label is damaged or was misread: its check digits are wrong. Clean it and scan again, or print a new one.'
    case 'UNKNOWN_SERIAL':
      return `There is no holder ${fault.serial} in the library.`
    case 'UNKNOWN_HANDOVER':
      return `Holder ${fault.serial} never had a hand-over ${fault.issue}.`
    case 'VALUES_DIFFER':
      return `The values on this label differ from hand-over ${fault.issue} of ${fault.serial}. Destroy it and print a new one.`
    case 'SUPERSEDED':
      return `This label is out of date: hand-over ${fault.issue} of ${fault.serial} was ${voidText(fault.why)}. Destroy it and take the new one.`
  }
}

export function scanSaidText(said: ScanSaid): string {
  switch (said.code) {
    case 'SCAN_MACHINE':
      return 'Scan the label on the machine.'
    case 'NO_SUCH_MACHINE':
      return `There is no machine ${said.machine}.`
    case 'MACHINE':
      return `${said.machine.name}, ${said.machine.coupling}, offsets ${isTyped(said.machine) ? 'typed in' : 'in'} ${said.machine.unit}.`
    case 'SCAN_HOLDER':
      return 'Scan the mark on the holder: it says which tool this is.'
    case 'NO_TOOL_ON':
      return said.known ? `There is no tool on holder ${said.serial}.` : `There is no holder ${said.serial} in the library.`
    case 'IN_ALREADY':
      return `${said.serial} is in ${said.machine} already, ${pocketText(said.pocket)}.`
    case 'HOLDER':
      return `T${said.t ?? '?'} ${said.name} on ${said.serial}.`
    case 'SCAN_LABEL':
      return 'Scan the label: it has the values.'
    case 'LABEL_REFUSED':
      return labelFaultText(said.fault)
    case 'HANDOVER_OLD':
      return `Hand-over ${said.issue} is out of date: ${voidText(said.why)}.`
    case 'HANDOVER':
      return `Hand-over ${said.issue}, current${said.fromRecord ? ', from the record' : ''}.`
    case 'NOTHING_RELEASED':
      return `${said.serial} has no current hand-over. Measure and release it first.`
    case 'OTHER_LABEL':
      return `Wrong label: it belongs to ${said.belongsTo}. The holder is ${said.serial}.`
    case 'NOT_CURRENT':
      return `${said.serial} has no current hand-over: it is ${said.state}.`
    case 'BELONGS':
      return 'Label and holder belong together.'
  }
}
