import { fileFaultText } from '../files'
import type { KitRefusals } from '@/stations/kit/contract'
import type { Sentences } from './sentences'

export const KIT: Sentences<KitRefusals> = {
  TOO_LARGE: ({ program }) => `${program} is too large. A program can have 8 MB.`,
  TOO_MANY_TOOLS: ({ program, most }) => `${program} has more than ${most} different tools. Split it.`,
  NOT_A_PROGRAM: ({ program }) => `${program} has no block that can be read. Is it the NC program?`,
  OTHER_KIND: ({ program, kind, machine, is }) =>
    `${program} is written for a ${kind}. ${machine} is a ${is}. Choose the other machine.`,
  NOT_A_LIST: ({ list, fault }) => `${list}: ${fileFaultText(fault)}`,
  START_PAST: () => 'The start is in the past. Type when the job starts.',
  NO_TOOLS: () => 'Add an NC program or a tool list, or type in the tools.',
  JOB_EXISTS: ({ job }) => `There is a job ${job} already. Give this one another number.`,
  JOB_IS_OPEN: ({ job }) => `Job ${job} is open.`,
  UNKNOWN_DEFINITION: ({ definition }) => `There is no definition ${definition}.`,
  NOT_FOR_MACHINE: ({ definition, machine }) =>
    `${definition} is not set up for ${machine}. Add the machine to its definition first.`,
  NO_T: ({ serial }) => `Machine and T number of the tool on ${serial} are not known. Add a job by hand.`,
  RUSHED_ALREADY: ({ serial, t }) => `T${t} on ${serial} is reported broken already. Its sister tool is on the list.`,
  NOT_RUSHED: ({ job }) => `There is no rush under ${job}.`,
  NOT_SHORT: ({ place, should, found }) => `${place} should have ${should}; ${found} is not less. Count it on the store plan.`,
  OTHER_MACHINE: ({ serial, machine, job, jobMachine }) =>
    `${serial} is for ${machine ?? 'no machine yet'}. ${job} is for ${jobMachine}.`,
  SERVES_IN_MACHINE: ({ serial, machine }) => `${serial} is in ${machine}. It is there for every job.`,
  RESERVED: ({ serial, job }) => `${serial} is reserved for ${job}. A lead can give it to another job.`,
  NOTE_EMPTY: () => 'Write what the next shift should know.',
}
