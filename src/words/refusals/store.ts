import { pocketText } from '../pocket'
import type { Account, MoveError } from '@/core/plan'
import type { StoreRefusals } from '@/stations/store/contract'
import { timeText } from '../time'
import type { Sentences } from './sentences'

const WHERE: Readonly<Record<Account, string>> = {
  outside: 'outside',
  hand: 'in its place',
  taken: 'picked',
  built: 'built in',
  scrap: 'scrapped',
}

function moveText(error: MoveError, name: string): string {
  switch (error.code) {
    case 'BAD_COUNT':
      return `${error.count} is not a number of pieces. Type a whole number from 1.`
    case 'NOT_A_MOVE':
      return `${error.name} does not go from ${WHERE[error.from]} to ${WHERE[error.to]}.`
    case 'TOO_FEW':
      return error.have === 0
        ? `No ${name} is ${WHERE[error.account]} any more: somebody else may have taken the last one. Nothing was booked.`
        : `Only ${error.have} of ${name} ${error.have === 1 ? 'is' : 'are'} ${WHERE[error.account]}, not ${error.wanted}. Nothing was booked.`
  }
}

export const STORE: Sentences<StoreRefusals> = {
  MOVE: ({ error, name }) => moveText(error, name),
  TOO_FEW_THERE: ({ place, have, name, wanted }) =>
    `${place ?? 'The tool room'} has ${have} of ${name}, not ${wanted}. Nothing was booked.`,
  NO_PLACE: () => 'Say where it goes.',
  UNKNOWN_BOOKING: ({ id }) => `There is no entry ${id}.`,
  UNDONE_ALREADY: ({ id, by }) => `Entry ${id} was undone already, by entry ${by}.`,
  IS_UNDOING: () => 'This entry undoes another one. Make a new entry instead.',
  PART_OF_A_TOOL: ({ serial }) => `This piece is in the tool on ${serial}. Take the tool apart instead.`,
  BAD_STOCK_COUNT: () => 'Type how many there are, as a whole number from 0.',
  BAD_UNIT_ID: () => 'A short name has letters, digits and dashes, such as OAK.',
  OFF_THE_PLAN: ({ unit }) => `${unit} would be outside the plan.`,
  IN_THE_WAY: ({ of }) => `${of} is there already.`,
  UNKNOWN_TAPER: ({ taper }) => `There is no taper ${taper}.`,
  WRONG_SLOT: ({ place, takes, has }) => `${place} takes ${takes}. This holder is ${has}. Take another slot.`,
  STILL_IN_MACHINE: ({ serial, machine, pocket }) =>
    `By the record ${serial} is in ${machine}, ${pocketText(pocket)}. Return it first.`,
  TOOL_HOT: ({ serial, until }) =>
    `${serial} is hot until ${timeText(until)} at the earliest (computed). Put nothing hot on a cart.`,
  SLOT_TAKEN: ({ place, by }) =>
    by === null
      ? `Somebody has just put another tool into ${place}.`
      : `T${by.t ?? '?'} on ${by.serial} is in ${place}. Take another slot.`,
}
