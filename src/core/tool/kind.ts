/** The kinds of parts and what each kind is described by: forms, imports and checks ask for nothing else. */
import type { PropertyKey } from './property'

/** What a part is in a tool, from the spindle to the tip. */
export const ROLES = [
  'stud',
  'holder',
  'extension',
  'nut',
  'collet',
  'cutter',
  'insert',
  'screw',
  'stop-screw',
  'key',
  'balance-screw',
] as const
export type Role = (typeof ROLES)[number]

/** Roles whose parts come out of a drawer for each tool. Holders and extensions have serials; a stud stays in its holder. */
export const FETCHED: readonly Role[] = ['nut', 'collet', 'cutter', 'insert', 'screw', 'stop-screw']
export const WITH_SERIAL: readonly Role[] = ['holder', 'extension']

export interface KindSpec {
  readonly role: Role
  readonly has: readonly PropertyKey[]
  readonly may: readonly PropertyKey[]
}

/** Where a holder is balanced; a holder without any has none of them. */
const BALANCED = [
  'balanceThread',
  'frontAngles',
  'frontRadiusMm',
  'frontHeightMm',
  'backAngles',
  'backRadiusMm',
  'backHeightMm',
  'frontRingGmm',
  'frontRingHeightMm',
  'backRingGmm',
  'backRingHeightMm',
  'drillRadiusMm',
  'drillDepthMm',
  'drillFrontMm',
  'drillBackMm',
  'drillNever',
  'addAngles',
  'addRadiusMm',
  'addMostG',
  'addFrontMm',
  'addBackMm',
] as const

export const KINDS = {
  'shrink-holder': {
    role: 'holder',
    has: [
      'CCMS',
      'DCONWS',
      'boreMin',
      'boreMax',
      'LPR',
      'BD',
      'coneDeg',
      'heatedMm',
      'LSCN',
      'LSCX',
      'greatestC',
      'yieldMPa',
      'coil',
      'RPMX',
      'WT',
    ],
    may: ['greatestHeats', 'TDZ', ...BALANCED],
  },
  'collet-holder': {
    role: 'holder',
    has: ['CCMS', 'colletSystem', 'colletSize', 'LPR', 'BD', 'LSCX', 'RPMX', 'WT'],
    may: ['TQX', 'TDZ', ...BALANCED],
  },
  'hydraulic-holder': {
    role: 'holder',
    has: ['CCMS', 'DCONWS', 'LPR', 'BD', 'LSCN', 'LSCX', 'TQ', 'keyMm', 'RPMX', 'WT'],
    may: ['TQX', ...BALANCED],
  },
  'side-lock-holder': {
    role: 'holder',
    has: ['CCMS', 'DCONWS', 'LPR', 'BD', 'LSCN', 'LSCX', 'TQ', 'keyMm', 'RPMX', 'WT'],
    may: ['TQX', ...BALANCED],
  },
  'shell-arbor': {
    role: 'holder',
    has: ['CCMS', 'DCONWS', 'LPR', 'BD', 'TQ', 'keyMm', 'RPMX', 'WT'],
    may: ['TQX', ...BALANCED],
  },
  'screw-in-holder': {
    role: 'holder',
    has: ['CCMS', 'TDZ', 'LPR', 'BD', 'TQ', 'keyMm', 'RPMX', 'WT'],
    may: ['TQX', ...BALANCED],
  },
  'modular-holder': {
    role: 'holder',
    has: ['CCMS', 'moduleWS', 'LPR', 'BD', 'TQ', 'keyMm', 'RPMX', 'WT'],
    may: ['TQX', ...BALANCED],
  },
  'drill-chuck': {
    role: 'holder',
    has: ['CCMS', 'DCN', 'DCX', 'LPR', 'BD', 'LSCN', 'LSCX', 'TQ', 'RPMX', 'WT'],
    may: ['TQX', 'keyMm', ...BALANCED],
  },
  'turning-holder': {
    role: 'holder',
    has: ['CCMS', 'shankHeight', 'LPR', 'BD', 'TQ', 'keyMm', 'WT'],
    may: ['RPMX'],
  },
  'shrink-extension': {
    role: 'extension',
    has: [
      'DMM',
      'shankClass',
      'shankMaterial',
      'OAL',
      'LPR',
      'DCONWS',
      'boreMin',
      'boreMax',
      'BD',
      'coneDeg',
      'heatedMm',
      'LSCN',
      'LSCX',
      'greatestC',
      'yieldMPa',
      'coil',
      'RPMX',
      'WT',
    ],
    may: ['greatestHeats'],
  },
  'module-extension': {
    role: 'extension',
    has: ['moduleMS', 'moduleWS', 'LPR', 'BD', 'TQ', 'keyMm', 'RPMX', 'WT'],
    may: [],
  },
  collet: {
    role: 'collet',
    has: ['colletSystem', 'colletSize', 'DCX', 'OAL', 'WT'],
    may: ['DCN', 'RPMX'],
  },
  nut: {
    role: 'nut',
    has: ['colletSystem', 'colletSize', 'TQ', 'torqueSchool', 'lubricated', 'RPMX', 'WT'],
    may: ['TDZ'],
  },
  'pull-stud': { role: 'stud', has: ['CCMS', 'studForm', 'TDZ', 'TQ', 'WT'], may: ['ageMonths'] },
  'solid-cutter': {
    role: 'cutter',
    has: ['form', 'DC', 'NOF', 'OAL', 'DMM', 'shankClass', 'shankMaterial', 'LCF', 'WT'],
    may: ['RE', 'SIG', 'KAPR', 'shankForm', 'coolantBoreMm', 'RPMX', 'TDZ'],
  },
  'insert-cutter': {
    role: 'cutter',
    has: ['DC', 'NOF', 'OAL', 'DMM', 'shankClass', 'shankMaterial', 'LCF', 'CICT', 'SSC', 'KAPR', 'WT'],
    may: ['shankForm', 'coolantBoreMm', 'RPMX'],
  },
  'shell-mill': {
    role: 'cutter',
    has: ['DC', 'NOF', 'LF', 'DCONWS', 'BD', 'CICT', 'SSC', 'KAPR', 'WT'],
    may: ['RPMX'],
  },
  'screw-in-cutter': {
    role: 'cutter',
    has: ['DC', 'NOF', 'LF', 'TDZ', 'BD', 'CICT', 'SSC', 'KAPR', 'WT'],
    may: ['RPMX', 'RE'],
  },
  'boring-head': {
    role: 'cutter',
    has: ['moduleMS', 'DCN', 'DCX', 'LF', 'BD', 'CICT', 'SSC', 'divisionMm', 'WT'],
    may: ['RPMX', 'zeroMm', 'noseMm', 'backlashMm', 'KAPR'],
  },
  'turning-tool': {
    role: 'cutter',
    has: ['shankHeight', 'LH', 'OAL', 'CICT', 'SSC', 'KAPR', 'WT'],
    may: [],
  },
  insert: { role: 'insert', has: ['SSC', 'RE', 'S', 'insertEdges', 'WT'], may: ['IC', 'TQ', 'EPSR', 'insertClass'] },
  screw: { role: 'screw', has: ['TDZ', 'TQ', 'WT'], may: ['SSC', 'keyMm'] },
  'stop-screw': { role: 'stop-screw', has: ['TDZ', 'OAL', 'WT'], may: ['keyMm'] },
  'balance-screw': { role: 'balance-screw', has: ['TDZ', 'screwG'], may: ['OAL', 'keyMm'] },
  key: { role: 'key', has: ['keyMm', 'WT'], may: ['TQ'] },
} as const satisfies Record<string, KindSpec>

export type Kind = keyof typeof KINDS
export const KIND_NAMES = Object.keys(KINDS) as Kind[]
export const isKind = (key: string): key is Kind => Object.hasOwn(KINDS, key)
export const kindSpec = (kind: Kind): KindSpec => KINDS[kind]
/** The properties a kind has, the ones it must have first. */
export const propertiesOf = (kind: Kind): readonly PropertyKey[] => [...kindSpec(kind).has, ...kindSpec(kind).may]
