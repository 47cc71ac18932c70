/** What properties and kinds of parts, features and shop values are called. */
import type { PracticeKey } from '@/core/clamp'
import type { Feature } from '@/core/features'
import type { FeatureKey } from '@/core/judge'
import type { Kind, PropertyKey } from '@/core/tool'

export const PROPERTY_NAMES: Readonly<Record<PropertyKey, string>> = {
  CCMS: 'machine side',
  moduleMS: 'module, machine side',
  moduleWS: 'module, work side',
  DCONWS: 'bore or pilot, work side',
  boreMin: 'smallest cold bore',
  boreMax: 'largest cold bore',
  LPR: 'gauge line to nose',
  BD: 'nose diameter',
  coneDeg: 'half angle of the nose',
  heatedMm: 'heated length',
  LSCN: 'shortest clamping length',
  LSCX: 'longest clamping length',
  greatestC: 'holder limit',
  yieldMPa: 'yield strength of the nose',
  greatestHeats: 'heat cycles allowed',
  coil: 'coil position',
  RPMX: 'highest speed',
  WT: 'mass',
  TQ: 'tightening torque',
  TQX: 'highest torque it can take',
  torqueSchool: 'torque after',
  lubricated: 'threads and cone',
  keyMm: 'key width',
  colletSystem: 'collet system',
  colletSize: 'collet size',
  DCX: 'largest diameter',
  DCN: 'smallest diameter',
  OAL: 'overall length',
  DMM: 'shank diameter',
  shankClass: 'shank tolerance',
  shankMaterial: 'shank material',
  shankForm: 'shank form',
  form: 'form',
  DC: 'cutting diameter',
  RE: 'corner radius',
  SIG: 'point angle',
  KAPR: 'edge angle',
  NOF: 'edges',
  LCF: 'fluted length',
  LF: 'functional length',
  coolantBoreMm: 'coolant bore',
  TDZ: 'thread',
  SSC: 'seat size',
  CICT: 'insert seats',
  IC: 'inscribed circle',
  S: 'insert thickness',
  insertEdges: 'cutting edges per insert',
  shankHeight: 'shank height',
  LH: 'head length',
  studForm: 'stud form',
  ageMonths: 'months until replaced',
  divisionMm: 'division on diameter',
}

export const KIND_LABELS: Readonly<Record<Kind, string>> = {
  'shrink-holder': 'shrink-fit holder',
  'collet-holder': 'collet holder',
  'hydraulic-holder': 'hydraulic holder',
  'side-lock-holder': 'side-lock holder',
  'shell-arbor': 'shell-mill arbor',
  'screw-in-holder': 'screw-in holder',
  'modular-holder': 'modular holder',
  'drill-chuck': 'drill chuck',
  'turning-holder': 'turning tool block',
  'shrink-extension': 'shrink-fit extension',
  'module-extension': 'modular extension',
  collet: 'collet',
  nut: 'nut',
  'pull-stud': 'pull stud',
  'solid-cutter': 'solid cutter',
  'insert-cutter': 'end mill with inserts',
  'shell-mill': 'shell mill',
  'screw-in-cutter': 'screw-in cutter',
  'boring-head': 'boring head',
  'turning-tool': 'turning tool',
  insert: 'insert',
  screw: 'screw',
  'stop-screw': 'stop screw',
  key: 'key',
}

export const FEATURE_NAMES: Readonly<Record<Feature, string>> = {
  LF: 'Length',
  DC: 'Diameter',
  RE: 'Corner radius',
  SIG: 'Point angle',
  KAPR: 'Edge angle',
  CHW: 'Chamfer width',
  KCH: 'Chamfer angle',
  SCX: 'Sharp corner, radius',
  SCZ: 'Sharp corner, length',
}

/** A shop value: its name, and where its standard value comes from. */
export const PRACTICE_NAMES: Readonly<Record<PracticeKey, readonly [name: string, source: string]>> = {
  frictionMu: ['Friction of shank and bore', 'cautious for dry and clean, from memory'],
  unitPowerW: ['Power of the shrink unit', 'common practice, no source'],
  unitEfficiency: ['Share of the power that heats the nose', 'assumed'],
  contactH: ['Contact cooling', 'from cooling times of 30 to 100 s, common practice'],
  cycleH: ['Cooling cycle of a unit without contact', 'from a fixed cycle of 100 s, common practice'],
  airH: ['Cooling in still air', 'natural convection, from memory'],
  ambientC: ['Temperature of the tool room', 'ISO 1'],
  touchC: ['Cool enough to touch', 'common practice, no source'],
  measureC: ['Cool enough to measure', 'common practice, no source'],
  shrinkBackShare: ['Share of L·α·ΔT by which the stop is set high', 'common practice, no source'],
  warmedCarbide: ['Share of the heat that a carbide shank takes on the way out', 'assumed'],
  warmedSteel: ['Share of the heat that a steel shank takes on the way out', 'assumed: heat fast, pull at once'],
  lookBackMm: ['Look back: smallest change that is reported', 'common practice, no source'],
  guardSigmas: ['Guard band in standard deviations', 'ISO 14253-1: expanded uncertainty, k = 2'],
}

export const featureWord = (key: FeatureKey): string =>
  key === 'radialRunout' ? 'Radial runout' : key === 'axialRunout' ? 'Axial runout' : FEATURE_NAMES[key]

/** Choices of a property whose value in the library is not how people say it. */
const CHOICES: Readonly<Record<string, string>> = { 'by hand and an eighth': 'hand-tight + 1/8 turn' }

export const choiceText = (choice: string): string => CHOICES[choice] ?? choice
