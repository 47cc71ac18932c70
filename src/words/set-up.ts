/** What the lists of set-up, their fields and what is wrong with a cell are called. */
import { fieldsOf, type CellFault, type FieldsOf, type SetUpList, type TableFault } from '@/core/set-up'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'

type Names = { readonly [L in SetUpList]: { readonly [K in keyof FieldsOf<L>]: string } }

export const FIELD_NAMES: Names = {
  machine: {
    key: 'short name',
    name: 'name',
    about: 'what it is',
    kind: 'kind',
    coupling: 'coupling',
    studForms: 'pull stud forms',
    greatestRpm: 'greatest speed',
    greatestKg: 'heaviest tool',
    unit: 'control in',
    decimals: 'decimals',
    sizeRegister: 'size register',
    registersFrom: 'first offset',
    registersTo: 'last offset',
    figures: 'offsets go by',
    address: 'address of the control',
    agent: 'MTConnect agent',
    post: 'post',
    labelCode: 'code on labels',
    lengthFrom: 'shortest tool',
    lengthTo: 'longest tool',
    radiusFrom: 'smallest radius',
    radiusTo: 'largest radius',
    pockets: 'pockets',
    magazine: 'magazine',
    pitchMm: 'pocket pitch',
    gapMm: 'gap between tools',
    door: 'tells of its door',
    turretX: 'turret: X of the bench',
    turretZ: 'turret: Z of the bench',
    pot: 'tells which pocket is at the door',
    route: 'order of work',
  },
  coupling: {
    name: 'name',
    standard: 'standard',
    form: 'form',
    gaugeMm: 'gauge diameter',
    insideMm: 'depth in the spindle',
    flangeMm: 'flange diameter',
    flangeHighMm: 'flange height',
    stud: 'has a pull stud',
  },
  master: {
    mark: 'mark on it',
    name: 'name',
    coupling: 'coupling',
    LFmm: 'length',
    DCmm: 'diameter',
    sigmaMm: 'uncertainty (one sigma)',
    calibratedUntil: 'certificate until',
  },
  adapter: { serial: 'mark on it', coupling: 'takes', name: 'name' },
  person: { id: 'short name', name: 'name', role: 'role' },
  holder: { serial: 'mark on it', component: 'part number', place: 'place' },
}

/** One row of each list, in the middle of a sentence. */
const ROWS: Readonly<Record<SetUpList, string>> = {
  machine: 'machine',
  coupling: 'coupling',
  master: 'master',
  adapter: 'adapter',
  person: 'person',
  holder: 'holder',
}
export const rowText = (list: SetUpList): string => ROWS[list]

const CHOICES: Readonly<Record<string, string>> = {
  datamatrix: 'Data Matrix',
  qr: 'QR',
  network: 'network',
  folder: 'files in a folder',
  typed: 'typing them in',
  opposite: 'opposite to the machine’s',
  same: 'as the machine’s',
  steep: 'steep taper 7:24',
  hollow: 'hollow taper shank',
  polygon: 'polygon shank',
  cylinder: 'cylindrical shank',
}
/** A choice as people read it; its own word stands in spreadsheets. */
export const choiceName = (choice: string): string => CHOICES[choice] ?? choice

/** As the label of a field or the heading of a column. */
export const fieldLabel = (list: SetUpList, field: string): string => {
  const name = fieldName(list, field)
  return name.charAt(0).toUpperCase() + name.slice(1)
}

export const fieldName = (list: SetUpList, field: string): string =>
  (FIELD_NAMES[list] as Readonly<Record<string, string>>)[field] ?? field

/** The field that a column of a table means: by its name on the screen, or its own. @param heading in small letters */
export function columnOf(list: SetUpList, heading: string): string | null {
  const found = fieldsOf(list).find(([key]) => key.toLowerCase() === heading || fieldName(list, key).toLowerCase() === heading)
  return found?.[0] ?? null
}

/** The heading of each column of a table to be filled in. */
export const headingsOf = (list: SetUpList, unit: LengthUnit): string[] =>
  fieldsOf(list).map(([key, { kind }]) => `${fieldName(list, key)}${kind === 'length' ? ` (${unitMark(unit)})` : ''}`)

const THERE = {
  coupling: 'There is no coupling of that name. Write it as it stands in Settings › Couplings, or add it there.',
  post: 'There is no post of that name.',
  part: 'There is no holder or extension of that number in the library.',
  place: 'There is no place of that name on the plan.',
} as const

/** What is wrong with a cell, as a sentence that follows its field. */
export function cellFaultText(list: SetUpList, fault: CellFault, unit: LengthUnit): string {
  switch (fault.code) {
    case 'EMPTY':
      return 'This must not be empty.'
    case 'NO_NUMBER':
      return 'This is not a number.'
    case 'COMMA':
      return 'A comma can mean decimals or thousands. Write it without one.'
    case 'NO_WHOLE_NUMBER':
      return 'Type a whole number.'
    case 'RANGE': {
      const shown = (value: number) => (fault.length ? formatLength(value, unit) : value.toLocaleString('en'))
      return `Between ${shown(fault.min)} and ${shown(fault.max)}${fault.length ? ` ${unitMark(unit)}` : ''}.`
    }
    case 'NO_CHOICE':
      return `One of: ${fault.choices.join(', ')}.`
    case 'NO_KEY':
      return 'Up to 20 letters, digits and dashes.'
    case 'NO_MARK':
      return '3 to 40 letters, digits, dots, dashes or slashes.'
    case 'LONG':
      return `At most ${fault.most} characters, in one line.`
    case 'NO_ADDRESS':
      return 'Write it as host:port, such as 10.0.0.12:5000.'
    case 'NO_DAY':
      return 'Write the day as 2027-03-31.'
    case 'NOT_THERE':
      return THERE[fault.kind]
    case 'TWICE':
      return `The same stands in line ${fault.line}.`
    case 'THERE_ALREADY':
      return `This ${rowText(list)} is there already.`
    case 'LARGER':
      return `Larger than the ${fieldName(list, fault.than)}.`
    case 'NO_COLUMN':
      return 'This column is missing.'
    case 'UNKNOWN_COLUMN':
      return 'No field is called this. Rename the column or leave it out.'
  }
}

export const tableFaultText = (list: SetUpList, { line, column, fault }: TableFault, unit: LengthUnit): string =>
  `Line ${line}, ${fieldName(list, column)}: ${cellFaultText(list, fault, unit)}`
