import { gradeText, speedText } from './balance'

/** What a label says: its own few words, and the fields its lines may name. */
export const LABEL_SAYINGS = {
  copy: (t: number, number: number) => `T${t} copy ${number}`,
  fromGaugeLine: (axis: string, size: string) => `${axis} ${size} from gauge line`,
  fromMaster: (size: string) => `offset ${size} from master`,
  radius: (size: string) => `radius ${size}`,
  tip: (orientation: number) => `tip ${orientation}`,
  pocket: (pocket: number) => `pocket ${pocket}`,
  issue: (issue: number) => `no. ${issue}`,
  balance: (grade: number, rpm: number) => `${gradeText(grade)} at ${speedText(rpm)}`,
}

/** Fields to insert in a line, with their meaning. Lengths have the machine's unit. */
export const LABEL_FIELDS: Readonly<Record<string, string>> = {
  t: 'T number, for a sister tool also its number in the control',
  serial: 'mark of the holder',
  name: 'what it is',
  length: 'length, or Z on a lathe, from the gauge line',
  offset: 'value of the length register, where it counts from a master tool',
  size: 'radius or diameter, as the machine keeps it',
  corner: 'corner radius',
  tip: 'tip orientation, on a lathe',
  machine: 'which machine',
  pocket: 'pocket, where one is given',
  issue: 'number of the hand-over',
  balance: 'grade and speed, where it was balanced',
  job: 'job',
  who: 'who released it',
  when: 'when, with its time zone',
  concession: 'what a tool out of tolerance was released for; printed as a last line if no line has it',
}
