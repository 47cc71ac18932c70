import type { SetUpRefusals } from '@/stations/set-up/contract'
import { cellFaultText, fieldName, rowText, tableFaultText } from '../set-up'
import type { Sentences } from './sentences'

const counted = (count: number, one: string, many: string): string | false =>
  count > 0 && `${count === 1 ? 'one' : count} ${count === 1 ? one : many}`
const listed = (...all: (string | false)[]): string => all.filter(Boolean).join(', ')

export const SET_UP_WORDS: Sentences<SetUpRefusals> = {
  ROW_FAULT: ({ list, field, fault }, unit) => `${fieldName(list, field)}: ${cellFaultText(list, fault, unit)}`,
  TABLE_FAULT: ({ list, ...fault }, unit) => tableFaultText(list, fault, unit),
  ROW_THERE: ({ list, name }) => `There is a ${rowText(list)} ${name} already. Nothing was saved.`,
  UNKNOWN_ROW: ({ list, name }) => `There is no ${rowText(list)} ${name}.`,
  ROW_CHANGED: ({ list, name }) => `Somebody else changed ${rowText(list)} ${name} meanwhile. Open it again.`,
  FIGURES_OUT: ({ machine, loaded, handedOver }) =>
    `${listed(counted(loaded, 'tool is in', 'tools are in'), counted(handedOver, 'hand-over waits for', 'hand-overs wait for'))} ${machine}, with values as its control reads them now. Unload and void them before you change its kind, coupling, unit, decimals or size register.`,
  MACHINE_IN_USE: ({ machine, loaded, handedOver, jobs }) =>
    `${machine} is in use: ${listed(counted(loaded, 'tool in it', 'tools in it'), counted(handedOver, 'hand-over', 'hand-overs'), counted(jobs, 'open job', 'open jobs'))}. End those first.`,
  COUPLING_IN_USE: ({ coupling, machines, holders }) =>
    `${coupling} is in use: ${listed(counted(machines, 'machine', 'machines'), counted(holders, 'holder, master or adapter', 'holders, masters and adapters'))}.`,
  ADAPTER_ON_SPINDLE: ({ serial }) => `${serial} is on the spindle of the bench. Put another one on first.`,
  COUPLING_STAYS: ({ name }) => `The coupling of ${name} stays: its checks were made with it. Retire it and enter a new one.`,
  NOT_HERE: ({ list }) => `A ${rowText(list)} is changed on its own page.`,
}
