import { MARK_RULE } from '../faults'
import type { AdministratorOnly, LeadOnly, SharedRefusals } from '@/stations/refusals'
import { controlErrorText } from '../devices'
import { fieldText } from '../faults'
import { fitsText } from '../fits'
import type { Sentences } from './sentences'

const LEAD: Readonly<Record<LeadOnly, string>> = {
  labels: 'Only a lead can save how labels look: everybody reads them.',
  posts: 'Only a lead can save a post: every tool of this machine depends on it.',
  templates: 'Only a lead can try out changed lines or posts.',
  'set-up': 'Only a lead can change what the shop has: everybody works by it.',
  rules: 'Only a lead can change what is refused at a machine.',
  practice: 'Only a lead can save this: many calculations depend on it.',
  certificates: 'Only a lead can enter a certificate: every measurement depends on it.',
  lessons: 'Only a lead can make lessons and say who needs them.',
  'master checks': 'Only a lead can let measuring go on without the master check.',
  pictures: 'Only a lead can delete pictures.',
  steps: 'Only a lead can change assembly steps: everybody builds by them.',
  watch: 'Only a lead can let a difference stay: it stops no load any more.',
  tools: 'Only a lead can add or change a tool: its limits decide what is in tolerance.',
  imports: 'Only a lead can import a file into the library.',
  limits: 'Only a lead can change the limits of a routine. Save it with the limits it had.',
  prices: 'Only a lead can change a price or the temperature a holder may have.',
}

const ADMINISTRATOR: Readonly<Record<AdministratorOnly, string>> = {
  people: 'Only an administrator can say who works here and what they may do.',
  clients: 'Only an administrator can make or end a token of another program.',
  devices: 'Only an administrator can choose devices: everything measured depends on them.',
  'sign-in': 'Only an administrator can say how people sign in.',
  shop: 'Only an administrator can say what the shop is called.',
}

/** What only a lead may do, and why. */
export const leadOnlyText = (what: LeadOnly): string => LEAD[what]

const DOING = {
  load: 'loading this tool, or another one into this machine',
  'give up': 'cancelling a load in this machine',
  unload: 'taking this tool, or another one, out of this machine',
  release: 'releasing this tool',
} as const

const CHANGED = {
  build: 'Somebody else is working on this build. Look again.',
  steps: 'These assembly steps were changed meanwhile. Look again.',
  routine: 'Somebody else saved a newer version of this routine. Open it again. Your steps are still on this screen.',
  readings: 'The gauge shows other values than before. Read them again and check them.',
  drawer: 'Somebody has just booked on this drawer. Look again.',
  job: 'Somebody has just changed this job. Try again.',
  practice: 'Somebody else has changed this value meanwhile. Look again.',
  person: 'Somebody else has changed this meanwhile. Look again.',
  devices: 'Somebody else has changed this meanwhile. Look again.',
  adapter: 'Somebody else has put another adapter on meanwhile. Look again.',
} as const

export const SHARED: Sentences<SharedRefusals> = {
  BUSY: () => 'Boulder is busy with other work. Nothing was saved; what you entered is still here. Try again in a minute.',
  DISK_FULL: () =>
    'The disk is full. Nothing was saved; what you entered is still here. Make room on the server, then try again.',
  READ_ONLY: () => 'The data folder cannot be written to. Nothing was saved. Whoever looks after the server must allow it.',
  BROKEN_FILE: () => 'The database file cannot be read. Nothing was saved. Stop Boulder, and put the last backup in its place.',
  CLAIMED: ({ who, doing }) => `${who} is just ${DOING[doing]}. Wait a moment, look again, and then decide.`,
  CLAIM_LOST: () =>
    'The control took so long to answer that this was given to somebody else. Look at the machine and at this sheet again.',
  OTHER_SCHEMA: () =>
    'The database was written by another version of Boulder. Nothing was changed. Start the version that wrote it, or a newer one.',
  TOO_HEAVY: () => 'This takes too long to read. Nothing was saved. Make it smaller or simpler, and try again.',
  NOBODY: () => 'Nobody is signed in. Scan your badge, or press your name.',
  BAD_INPUT: fieldText,
  LEAD_ONLY: ({ what }) => leadOnlyText(what),
  ADMINISTRATOR_ONLY: ({ what }) => ADMINISTRATOR[what],
  UNKNOWN_MACHINE: ({ machine }) => `There is no machine ${machine}.`,
  UNKNOWN_SERIAL: ({ serial, holder }) =>
    holder ? `There is no holder ${serial} in the library.` : `There is no tool on holder ${serial}.`,
  UNKNOWN_HOLDER: ({ serial }) => `There is no holder ${serial} in the library. Scan the mark on the holder itself.`,
  UNKNOWN_JOB: ({ job, open }) => (open ? `There is no open job ${job}.` : `There is no job ${job}.`),
  UNKNOWN_TOOL: ({ job, t }) => `Job ${job} does not need T${t}, or T${t} has no definition.`,
  UNKNOWN_PART: ({ part }) => `There is no part ${part} in the library.`,
  UNKNOWN_PLACE: ({ place }) => `There is no place ${place} on the plan.`,
  UNKNOWN_HANDOVER: (data) => {
    switch (data.what) {
      case 'these':
        return 'One of these hand-overs is not on record.'
      case 'to-try':
        return 'Choose a released tool to try it on.'
      case 'number':
        return `Holder ${data.serial} never had a hand-over ${data.issue}.`
      case 'current':
        return `${data.serial} has no current hand-over. Measure and release it first.`
    }
  },
  BAD_MARK: () => `A mark has ${MARK_RULE}. Scan it, or type it as it is on the holder.`,
  CHANGED: (data) => {
    switch (data.what) {
      case 'tool':
        return `Somebody else changed ${data.serial} meanwhile. Open it again.`
      case 'holder':
        return `Somebody else changed holder ${data.serial} meanwhile. Open it again.`
      case 'machine':
        return `Somebody else changed ${data.machine} meanwhile. Open this page again, then make your change.`
      case 'part':
        return `Somebody else changed ${data.part} meanwhile. Open it again, then make your change.`
      case 'master':
        return `Somebody else changed master ${data.master} meanwhile. Open it again.`
      case 'load':
        return `Somebody else changed the loading of ${data.serial} meanwhile. Look again.`
      case 'loaded tool':
        return `Somebody else changed ${data.serial} meanwhile. Check the control’s table before you go on.`
      case 'unit':
        return `Somebody else has moved ${data.unit} meanwhile. It is shown where it stands now.`
      case 'definition':
        return data.version === null
          ? `There is no ${data.definition} any more.`
          : `Somebody changed ${data.definition} meanwhile: version ${data.version} is current. Open it again.`
      default:
        return CHANGED[data.what]
    }
  },
  NOT_NOW: ({ serial, state }) =>
    state === 'loaded' ? `${serial} is in a machine. Unload it first.` : `${serial} is ${state}. That cannot be done now.`,
  IN_A_MACHINE: ({ serial, machine }) => `${serial} is in ${machine}. Unload it first.`,
  OTHER_HOLDER: ({ scanned, serial, nothing }) => `${scanned} was scanned. This sheet is for ${serial}. Nothing was ${nothing}.`,
  HOLDER_CARRIES_TOOL: ({ serial, then }) =>
    then === 'open'
      ? `There is a tool on ${serial} already. Scan it to open that one.`
      : `There is a tool on ${serial}. Take it apart first.`,
  NO_HANDOVER: ({ serial }) => `${serial} has no current hand-over. Release it first.`,
  BAD_TEMPLATE: ({ of, detail }) =>
    `${of === 'post' ? 'The post' : of === 'line' ? 'A line' : of} cannot be filled in: ${detail}`,
  FITS: ({ refusal }, _unit, units) => fitsText(refusal, units),
  CONTROL: ({ error }) => controlErrorText(error),
}
