import type { PeopleRefusals } from '@/stations/people/contract'
import type { Sentences } from './sentences'

const waitText = (seconds: number): string => (seconds < 90 ? `${seconds} seconds` : `${Math.ceil(seconds / 60)} minutes`)

export const PEOPLE: Sentences<PeopleRefusals> = {
  PIN_NEEDED: ({ name }) => `${name}, type your PIN.`,
  NO_PIN: ({ name }) => `${name} has no PIN yet. An administrator sets one under Settings.`,
  WRONG_PIN: ({ left }) => `That is not the PIN. ${left === 1 ? 'One more try' : `${left} more tries`}, then there is a wait.`,
  SIGN_IN_WAITS: ({ seconds }) => `Too many wrong PINs. Wait ${waitText(seconds)}, then try again.`,
  WEAK_PIN: () => 'Everybody tries that PIN first. Choose one that is no row of equal or rising digits.',
  WRONG_CODE: () => 'That is not the code. It stands in the window in which Boulder was started, and is another one each time.',
  NOT_NEW: () => 'This shop was set up already. Sign in.',
  UNKNOWN_PERSON: ({ id }) => `Nobody called ${id} works here.`,
  PERSON_THERE: ({ id }) => `There is somebody called ${id} already. Choose another short name.`,
  UNKNOWN_CLIENT: () => 'This token has been ended already.',
  ASK_AGAIN: ({ name, minutes }) =>
    `Nothing was done at this terminal for more than ${minutes} minutes. Are you still ${name}? Say so, then do it again.`,
  LAST_ADMINISTRATOR: () => 'This is the only administrator. Make somebody else one first.',
}
