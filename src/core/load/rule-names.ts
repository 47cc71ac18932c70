import type { LoadRule } from '../tool'

/** What each rule is called at the machine. */
export const RULE_NAMES: Readonly<Record<LoadRule, string>> = {
  control: 'the control answers',
  'right-machine': 'made for this machine',
  taper: 'its taper fits',
  stud: 'its pull stud fits',
  condition: 'neither worn nor broken',
  wanted: 'a job wants it',
  program: 'the program is as it was netted',
  measured: 'measured lately, and holding',
  balance: 'balanced for the program’s speed',
  speed: 'no faster than its weakest part',
  mass: 'light enough for the changer',
  length: 'neither too long nor too short',
  diameter: 'narrow enough for the changer',
  pocket: 'its pocket is free',
  neighbours: 'its neighbours leave it room',
  'register-idle': 'nothing uses its row now',
  'one-t': 'no other tool has its T',
  'register-empty': 'its row is empty',
}
