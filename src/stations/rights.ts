/**
 * Who may do what: one line a verb, looked at before anything of it is done. `person` is whoever is signed in; any other
 * word but `everybody` is a lead's, and says what it is about. What a verb allows a lead to overrule, it looks at itself.
 */
import { isLead, type Person } from '@/core/tool'
import * as atMachine from './at-machine/contract'
import * as balance from './balance/contract'
import * as bore from './bore/contract'
import * as build from './build/contract'
import * as causes from './causes/contract'
import type { Contract } from './contract'
import * as devices from './devices/contract'
import * as find from './find/contract'
import * as handOver from './hand-over/contract'
import * as kit from './kit/contract'
import * as lessons from './lessons/contract'
import * as library from './library/contract'
import * as load from './load/contract'
import * as measure from './measure/contract'
import * as outside from './outside/contract'
import * as people from './people/contract'
import * as practice from './practice/contract'
import type { AdministratorOnly, LeadOnly, Refusal } from './refusals'
import * as back from './return/contract'
import * as setUp from './set-up/contract'
import * as standIn from './stand-in/contract'
import * as store from './store/contract'
import * as study from './study/contract'
import * as teaching from './teaching/contract'
import * as watch from './watch/contract'

export type Right = 'everybody' | 'person' | LeadOnly | AdministratorOnly
/** All contracts of a station, and nothing else: a verb that is forgotten does not compile. */
type RightsOf<M> = { readonly [K in keyof M as M[K] extends Contract ? K : never]: Right }

const AT_MACHINE: RightsOf<typeof atMachine> = {
  noteTouchOff: 'person',
  changeInsert: 'person',
  checkBlock: 'person',
  keepCheckBlock: 'posts',
  setStation: 'person',
}
const BALANCE: RightsOf<typeof balance> = {
  setWanted: 'person',
  spindleState: 'person',
  startSpin: 'person',
  takeSpin: 'person',
  computeFits: 'person',
  chooseFit: 'person',
  confirmStep: 'person',
  saveBalance: 'person',
  typeBalance: 'person',
  dropBalance: 'person',
  beginCalibration: 'person',
  startCalibrationSpin: 'person',
  takeCalibrationSpin: 'person',
  dropCalibration: 'person',
}
const BORE: RightsOf<typeof bore> = { setDial: 'person', moveDial: 'person', saveBore: 'person' }
const BUILD: RightsOf<typeof build> = {
  beginBuild: 'person',
  finishBuild: 'person',
  abandonBuild: 'person',
  tickStep: 'person',
  addExtension: 'person',
  startHeat: 'person',
  coolDown: 'person',
  shrinkByHand: 'person',
  heatOut: 'person',
  coolOut: 'person',
  heatOutByHand: 'person',
  takeOut: 'person',
  unitState: 'person',
  correctCondition: 'person',
  takeApart: 'person',
  disturb: 'person',
  putSteps: 'steps',
}
const CAUSES: RightsOf<typeof causes> = { sayCause: 'person' }
const DEVICES: RightsOf<typeof devices> = { putDevices: 'devices', putOwnDevices: 'devices', tryDevice: 'person' }
const FIND: RightsOf<typeof find> = { findAnything: 'person' }
const HAND_OVER: RightsOf<typeof handOver> = {
  releaseHandover: 'person',
  voidHandover: 'person',
  dropPost: 'person',
  printLabels: 'person',
  writeTag: 'person',
  prepareNfc: 'person',
  noteNfc: 'person',
  tryTemplate: 'person',
  keepPost: 'posts',
  tryLabel: 'person',
  keepLabel: 'labels',
}
const KIT: RightsOf<typeof kit> = {
  addJob: 'person',
  addTools: 'person',
  closeJob: 'person',
  changeJob: 'person',
  copyJob: 'person',
  reopenJob: 'person',
  mapTool: 'person',
  neededNow: 'person',
  takeBackNow: 'person',
  takePart: 'person',
  putBack: 'person',
  shortPick: 'person',
  reserveTool: 'person',
  putIntoPlace: 'person',
  writeNote: 'person',
  tickOff: 'person',
}
const LESSONS: RightsOf<typeof lessons> = {
  startLesson: 'person',
  sayFault: 'person',
  askOpinion: 'person',
  endLesson: 'person',
  startRoom: 'person',
  endRoom: 'person',
  stepDone: 'person',
}
const LIBRARY: RightsOf<typeof library> = {
  putPart: 'person',
  putDefinition: 'tools',
  regrind: 'person',
  addHolder: 'person',
  inspectHolder: 'person',
  replaceStud: 'person',
  previewCsv: 'person',
  importCsv: 'imports',
  readContour: 'person',
  readArchetype: 'person',
  importFile: 'imports',
}
const LOAD: RightsOf<typeof load> = {
  beginLoad: 'person',
  turnMagazine: 'person',
  tickStep: 'person',
  typeFigure: 'person',
  loadTool: 'person',
  dropLoad: 'person',
  keepLimits: 'rules',
}
const MEASURE: RightsOf<typeof measure> = {
  changeAdapter: 'person',
  addAdapter: 'person',
  renewMaster: 'certificates',
  overruleCheck: 'master checks',
  saveValuesCheck: 'person',
  cameraState: 'person',
  saveFigures: 'person',
  readLine: 'person',
  saveLineFigures: 'person',
  keepProgram: 'person',
  takeInTool: 'person',
  cleanPictures: 'pictures',
}
const OUTSIDE: RightsOf<typeof outside> = { makeHook: 'clients', endHook: 'clients', tellAgain: 'clients' }
const PRACTICE: RightsOf<typeof practice> = { keepPractice: 'practice' }
const RETURN: RightsOf<typeof back> = { unloadTool: 'person', turnForReturn: 'person' }
const STAND_IN: RightsOf<typeof standIn> = {
  cutBore: 'person',
  sweepPost: 'person',
  hand: 'person',
  takeFromMachine: 'person',
  tagTrick: 'person',
  wipe: 'person',
  letTimePass: 'person',
  turnScrew: 'person',
  spindleHand: 'person',
  reallyDo: 'person',
}
const PEOPLE: RightsOf<typeof people> = {
  signIn: 'everybody',
  beginShop: 'everybody',
  signOut: 'person',
  setPin: 'person',
  putPerson: 'people',
  putShop: 'shop',
  setSignIn: 'sign-in',
  endSessions: 'people',
  makeClient: 'clients',
  endClient: 'clients',
}
const SET_UP: RightsOf<typeof setUp> = {
  putRow: 'set-up',
  retireRow: 'set-up',
  standardCoupling: 'set-up',
  previewTable: 'set-up',
  putTable: 'set-up',
}
const STORE: RightsOf<typeof store> = { book: 'person', countStock: 'person', putRight: 'person', placeUnit: 'person' }

const STUDY: RightsOf<typeof study> = { startStudy: 'master checks', endStudy: 'master checks' }
const TEACHING: RightsOf<typeof teaching> = {
  makeLesson: 'lessons',
  retireLesson: 'lessons',
  putCondition: 'lessons',
  endCondition: 'lessons',
}
const WATCH: RightsOf<typeof watch> = { takeAsWear: 'person', keepOpen: 'watch', lookNow: 'person' }

const STATIONS = [
  ['at-machine', atMachine, AT_MACHINE],
  ['balance', balance, BALANCE],
  ['bore', bore, BORE],
  ['build', build, BUILD],
  ['causes', causes, CAUSES],
  ['devices', devices, DEVICES],
  ['find', find, FIND],
  ['hand-over', handOver, HAND_OVER],
  ['kit', kit, KIT],
  ['lessons', lessons, LESSONS],
  ['library', library, LIBRARY],
  ['load', load, LOAD],
  ['measure', measure, MEASURE],
  ['outside', outside, OUTSIDE],
  ['people', people, PEOPLE],
  ['practice', practice, PRACTICE],
  ['return', back, RETURN],
  ['set-up', setUp, SET_UP],
  ['stand-in', standIn, STAND_IN],
  ['store', store, STORE],
  ['study', study, STUDY],
  ['teaching', teaching, TEACHING],
  ['watch', watch, WATCH],
] as const

interface Verb {
  /** Station and verb, such as `kit.addJob`. */
  readonly name: string
  readonly contract: Contract
  readonly right: Right
}

/** Every verb with who may do it. */
export const VERBS: readonly Verb[] = STATIONS.flatMap(([station, contracts, rights]) =>
  Object.entries(rights as Readonly<Record<string, Right>>).map(([name, right]) => ({
    name: `${station}.${name}`,
    contract: (contracts as Readonly<Record<string, unknown>>)[name] as Contract,
    right,
  })),
)

const byContract = new Map(VERBS.map((verb) => [verb.contract, verb]))

/** @errors a contract that stands in no line above */
function verbOf(contract: Contract): Verb {
  const verb = byContract.get(contract)
  if (!verb) throw new Error('A verb without a line in stations/rights.ts.')
  return verb
}
export const rightOf = (contract: Contract): Right => verbOf(contract).right
/** @returns such as `kit.addJob` */
export const nameOf = (contract: Contract): string => verbOf(contract).name

const ADMINISTRATORS: Readonly<Record<AdministratorOnly, true>> = {
  clients: true,
  devices: true,
  people: true,
  shop: true,
  'sign-in': true,
}
const isAdministrators = (right: Right): right is AdministratorOnly => right in ADMINISTRATORS

/** What moves a machine or writes to its control: whoever does it is asked for again after a quiet time. */
const AT_A_MACHINE: ReadonlySet<Contract> = new Set<Contract>([
  load.turnMagazine,
  load.loadTool,
  load.dropLoad,
  back.unloadTool,
  back.turnForReturn,
  handOver.dropPost,
  atMachine.changeInsert,
])
const STATION_OF = (contract: Contract): string => nameOf(contract).split('.')[0]
/** Lessons leave nothing in the shop but how they went. */
export const isLesson = (contract: Contract): boolean => STATION_OF(contract) === 'lessons'
/** What belongs to the shop itself: nobody does it in a practice room. */
export const isOfTheShop = (contract: Contract): boolean =>
  ['people', 'devices', 'outside', 'teaching'].includes(STATION_OF(contract))
export const isAtMachine = (contract: Contract): boolean => AT_A_MACHINE.has(contract)

/** Why somebody may not do it; null when they may. @param who null: nobody is signed in */
export function refuseRight(right: Right, who: Person | null): Refusal | null {
  if (right === 'everybody') return null
  if (!who) return { code: 'NOBODY' }
  if (right === 'person') return null
  if (isAdministrators(right)) return who.role === 'administrator' ? null : { code: 'ADMINISTRATOR_ONLY', what: right }
  return isLead(who) ? null : { code: 'LEAD_ONLY', what: right }
}
