/** What is wrong with a field, by the fault its contract names. */
import type { FieldFault } from '@/stations/contract'

/** What a mark on a holder, master or place may be (core/tool/mark). */
export const MARK_RULE = '3 to 40 letters, digits, dots, dashes or slashes'

export const FAULTS: Readonly<Record<FieldFault, string>> = {
  MARK: `A mark has ${MARK_RULE}.`,
  JOB_NUMBER: 'A job number has at least two characters.',
  T_NUMBER: 'A T number is 1 or more.',
  CHOOSE_MACHINE: 'Choose the machine.',
  START: 'Type when the job starts.',
  DAY: 'Choose a day.',
  PERSON_ID: 'Use up to 31 small letters, digits and dashes, such as ines.',
  SCOPES: 'Choose at least one thing that it may do.',
  STUDY_SEVERAL: 'Choose at least two people and two tools, each measured 2 to 10 times.',
  STUDY_ONE: 'Choose one person and one tool, measured 10 to 50 times, and enter the width of the limits.',
  EVENTS: 'Choose at least one thing that it is told.',
  WEB_ADDRESS: 'Enter a web address that begins with http:// or https://, without a name or a password in it.',
  PIN: 'A PIN has 4 to 12 digits.',
  PARTS_COUNT: 'Type how many parts.',
  PIECES: 'Type how many.',
  FOUND: 'Type how many there are.',
  WHOLE: 'Type a whole number.',
  AT_LEAST_ONE: 'At least one.',
  PROGRAM_SIZE: 'A program can have 8 MB.',
  PROGRAM_COUNT: 'A job can have 20 programs.',
  TABLE_SIZE: 'A table can have 200,000 characters. Take it in in parts.',
  LIST_SIZE: 'A tool list can have 1 MB.',
  FILE_SIZE: 'A file can have 20 MB.',
  TEMPLATE_SIZE: 'A template can have 20,000 characters.',
  NOTE_LENGTH: 'A note can have 400 characters.',
  LINE_LENGTH: 'A line can have 200 characters.',
  WHY: 'Say why in a few words.',
  NAME: 'Give it a name.',
  POST_NAME: 'Name the post with small letters, digits and hyphens.',
  LABEL_WIDTH: 'A label is 20 to 200 mm wide.',
  LABEL_HEIGHT: 'A label is 10 to 200 mm high.',
  SISTER_STEP: 'The step between sister tools is at least 1.',
  STEP_NAME: 'A short name has small letters, digits and hyphens.',
  STEP_TITLE: 'Give each step a title.',
  STEP_TEXT: 'Say what to do in this step.',
  CERTIFICATE_LENGTH: 'Type the length from the new certificate.',
  CERTIFICATE_DIAMETER: 'Type the diameter from the new certificate.',
  CERTIFICATE_DAY: 'Say until when the certificate is valid.',
}

/** Names of fields in sentences about their range. */
const FIELDS: Readonly<Record<string, string>> = {
  measuredDays: 'Measured within',
  balanceFromRpm: 'Balanced from',
  slowFromKg: 'Changer slow from',
  liftFromKg: 'Lift from',
  pitchMm: 'Pitch',
  gapMm: 'Gap',
  grade: 'Grade',
  rpm: 'Speed',
  by: 'Balanced by',
  rotor: 'Rotor',
  backMm: 'Back plane',
  frontMm: 'Front plane',
  trialGmm: 'Unbalance of the mass',
}

/** A field outside its range, or missing. @param field its name in the contract */
export interface FieldProblem {
  readonly fault: string | null
  readonly field: string
  readonly least: number | null
  readonly most: number | null
}

export function fieldText({ fault, field, least, most }: FieldProblem): string {
  if (fault !== null && fault in FAULTS) return FAULTS[fault as FieldFault]
  const name = FIELDS[field]
  if (name && least !== null) return `${name}: at least ${least.toLocaleString('en')}.`
  if (name && most !== null) return `${name}: at most ${most.toLocaleString('en')}.`
  return name ? `${name}: type a number.` : 'Something in this form is missing or cannot be read.'
}
