import { KIND_LABELS } from '../properties'
import { fileFaultText } from '../files'
import type { Units } from '@/core/units'
import type { DefinitionFault, LibraryRefusals } from '@/stations/library/contract'
import { fitsText } from '../fits'
import { partFaultsText } from '../part'
import { nominal } from '../size'
import type { Sentences } from './sentences'

/** Why a definition cannot be built. */
export const definitionFaultText = (fault: DefinitionFault, units: Units): string =>
  fault.code === 'UNKNOWN_PART' ? `There is no part ${fault.part} in the library.` : fitsText(fault.refusal, units)

const unchanged = (inside: 'form' | 'import') => (inside === 'import' ? ' Nothing was imported.' : '')

export const LIBRARY: Sentences<LibraryRefusals> = {
  PART: ({ faults }) => partFaultsText(faults),
  PART_EXISTS: ({ part, name, in: inside }) =>
    name === null
      ? `Somebody has just added ${part}.`
      : inside === 'import'
        ? `${part} ${name} is in the library already. Nothing was imported.`
        : `There is a part ${part} already: ${name}. Give this one another number.`,
  KIND_STAYS: ({ part, kind }) => `${part} is a ${KIND_LABELS[kind]}. Its kind cannot be changed. Add another part instead.`,
  TOOL_EXISTS: ({ definition }) => `Tool ${definition} is in the library already. Nothing was imported.`,
  DOES_NOT_FIT: ({ definition, fault, in: inside }, _unit, units) =>
    `${inside === 'import' ? `Tool ${definition}: ` : ''}${definitionFaultText(fault, units)}${unchanged(inside)}`,
  T_TAKEN: ({ t, by }) => `T${t} is ${by} on one of these machines already.`,
  BAD_FILE: ({ line, column, fault }) =>
    `${line === null ? '' : `Line ${line}${column ? `, ${column}` : ''}: `}${fileFaultText(fault)} Nothing was imported.`,
  IMPORT_EMPTY: ({ source }) => `There is nothing to import in ${source}.`,
  IMPORT_TWICE: () => 'Two rows have the same number. Nothing was imported.',
  NOT_A_CUTTER: ({ part }) => `${part} is not a solid cutter.`,
  GROWN: ({ DC, OAL }, unit) => `A regrind makes it smaller. The old size is Ø${nominal(DC, unit)} × ${nominal(OAL, unit)}.`,
  OTHER_SIZES: ({ part }) => `There is a ${part} with other sizes. Add it by hand under another number.`,
  NOT_A_HOLDER: ({ part }) => `${part} is not a type of holder or extension.`,
  SERIAL_TAKEN: ({ serial }) => `There is a holder ${serial} already.`,
  WHY_RETIRED: () => 'Say why it is retired.',
  INSPECTION_PAST: () => 'The next inspection must be in the future.',
  NOT_A_STUD: ({ part }) => `${part} is not a pull stud.`,
  WRONG_STUD: ({ stud, for: fits, holder }) => `${stud} is for ${fits}. This holder is ${holder}. The wrong stud drops the tool.`,
}
