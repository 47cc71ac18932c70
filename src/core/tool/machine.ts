import type { Coupling } from './coupling'
import type { LengthUnit, Limits } from '../units'
import { USUAL_TURRET, type Turret } from './tip'

/** How a machine's offset table is filled. */
export interface TableOptions {
  /** What a length is counted from: the gauge line, or the length of a master tool that the machine was touched off with. */
  readonly lengthFrom: { readonly type: 'gauge line' } | { readonly type: 'master'; readonly lengthMm: number }
  /** Which row a tool has. */
  readonly numberFrom: 'T' | 'pocket' | 'table'
  /** Row of each T where a table says so. */
  readonly numbers: Readonly<Record<string, number>>
  /** A new figure with an old wear is a wrong figure, unless the shop keeps its wear elsewhere. */
  readonly wear: 'zero' | 'keep'
  readonly sisters: Sisters
  /** Who goes over to the sister when a tool reaches its life. */
  readonly switchBy: 'control' | 'program'
  /** Whether a file says G90. A lathe with G-code system A takes it for a cycle and counts X and Z from the zero anyway. */
  readonly absoluteWord: boolean
}

/**
 * How a machine keeps a second tool of one T: not at all; under a T number of its own in the T's group (T6, then T106); or
 * as a copy of the same T that has a register of its own.
 */
export type Sisters =
  | { readonly type: 'none' }
  /** Added to the T number for each sister. */
  | { readonly type: 'own T'; readonly step: number }
  /** Added to the register for each copy. */
  | { readonly type: 'copies'; readonly step: number }

export const USUAL_TABLE: TableOptions = {
  lengthFrom: { type: 'gauge line' },
  numberFrom: 'T',
  numbers: {},
  wear: 'zero',
  sisters: { type: 'none' },
  switchBy: 'control',
  absoluteWord: true,
}

/** How tools stand in a machine. */
export interface Magazine {
  /** An endless chain, a round drum, or a rack with two ends. */
  readonly form: 'chain' | 'drum' | 'rack'
  /** From one pocket's axis to the next. */
  readonly pitchMm: number
  /** Air between two tools that stand beside each other. */
  readonly gapMm: number
}

export const USUAL_MAGAZINE: Magazine = { form: 'chain', pitchMm: 90, gapMm: 2 }

/** The rules of loading, by name; a machine says who may overrule which. */
export const LOAD_RULES = [
  'control',
  'right-machine',
  'taper',
  'stud',
  'condition',
  'wanted',
  'version',
  'offset',
  'program',
  'measured',
  'concession',
  'balance',
  'speed',
  'mass',
  'length',
  'diameter',
  'pocket',
  'neighbours',
  'register-idle',
  'one-t',
  'register-empty',
  'table',
] as const
export type LoadRule = (typeof LOAD_RULES)[number]

/** Who may go on against a rule, always with a reason that the record keeps. */
export type MayOverrule = 'anyone' | 'lead' | 'nobody'

export interface LoadLimits {
  /** After so many days a measurement is asked about. */
  readonly measuredDays: number
  /** From this speed on a tool that was never balanced is asked about. */
  readonly balanceFromRpm: number
  /** From this mass on the changer is to run slowly. */
  readonly slowFromKg: number
  /** From this mass on it is lifted by a lift. */
  readonly liftFromKg: number
  /** Whether a label must be scanned, or the mark on the holder is enough. */
  readonly asksLabel: boolean
  /** Left out where it is as usual. */
  readonly may: Readonly<Partial<Record<LoadRule, MayOverrule>>>
}

/** Common practice, no source; a lead sets them for each machine. */
export const USUAL_LIMITS: LoadLimits = {
  measuredDays: 14,
  balanceFromRpm: 8000,
  slowFromKg: 5,
  liftFromKg: 10,
  asksLabel: true,
  may: {},
}

/** Switches that the control tells of; what is not watched is asked of whoever loads. */
export interface Switches {
  readonly door: boolean
  readonly pot: boolean
}

/** How a machine's labels look: a large line and smaller ones, as templates. Sizes mm. */
export interface LabelLayout {
  readonly widthMm: number
  readonly heightMm: number
  readonly title: string
  readonly lines: readonly string[]
}

/** What, where, size; who and when: everything somebody without a scanner needs. */
export const USUAL_LABEL: LabelLayout = {
  widthMm: 62,
  heightMm: 29,
  title: '{{ t }}  {{ serial }}',
  lines: [
    '{{ name }}',
    '{{ length }} {{ tip }}',
    '{{ size }} {{ balance }}',
    '{{ machine }} {{ pocket }} · {{ issue }}',
    '{{ who }} {{ when }}',
  ],
}

/** Orientation of the imaginary tip of a turning tool: 1 to 9, as word-address lathes count them. From memory. */
export const isTip = (tip: number | null | undefined): tip is number =>
  tip !== null && tip !== undefined && Number.isInteger(tip) && tip >= 1 && tip <= 9

/** The pocket number of a tool that was put into the spindle by hand. */
export const SPINDLE = 0

/** How far a master touched off in a station of the turret was from where it should be, mm; X as a radius. */
export interface StationError {
  readonly xMm: number
  readonly zMm: number
  /** ISO 8601 */
  readonly at: string
  readonly master: string
}

/** What a machine and its control take. Lengths mm whatever the control's unit. */
export interface Machine {
  readonly key: string
  readonly name: string
  readonly about: string
  readonly kind: 'mill' | 'lathe'
  readonly unit: LengthUnit
  /** Decimals its registers keep, in its own unit. */
  readonly decimals: number
  readonly coupling: Coupling
  /** Forms of pull studs its gripper takes; empty where the taper has none. */
  readonly studForms: readonly string[]
  readonly greatestRpm: number
  /** Heaviest tool its changer carries; null when nobody knows. */
  readonly greatestKg: number | null
  /** What the geometry register for the cutter's size holds. */
  readonly sizeRegister: 'radius' | 'diameter'
  readonly lengthMm: Limits
  readonly radiusMm: Limits
  readonly registers: Limits
  readonly pockets: number
  readonly labelCode: 'datamatrix' | 'qr'
  readonly post: string
  /** Left out where it is as usual. */
  readonly table?: Partial<TableOptions>
  readonly magazine?: Partial<Magazine>
  readonly limits?: Partial<LoadLimits>
  readonly switches?: Partial<Switches>
  /** Of a lathe; left out where it is as usual. */
  readonly turret?: Turret
  /** How far each station of its turret is off, by its number, found with a master; left out: nothing was found. */
  readonly stations?: Readonly<Record<string, StationError>>
  /** Template of the block that looks whether a tool is worn or broken; left out: the one that is shipped. */
  readonly checkBlock?: string
  /** Left out where it is as usual. */
  readonly label?: LabelLayout
  /**
   * How its offsets go: by network; by files in a folder, into which it writes its table back; or typed and read back by eye. Left out:
   * by network.
   */
  readonly figures?: 'network' | 'folder' | 'typed'
  /** Of its control in the network, `host:port`; left out: behind the shop's gateway. */
  readonly address?: string
  /** Of the MTConnect agent that tells how it is, `host:port/device`; left out: it has none. */
  readonly agent?: string
  /** Whether measuring or balancing comes first for its tools. */
  readonly route: 'measure, then balance' | 'balance, then measure' | 'no balance'
  /** How often it was changed: whoever writes names the one that was read. */
  readonly version: number
}

export const tableOf = (machine: Machine): TableOptions => ({ ...USUAL_TABLE, ...machine.table })

export const magazineOf = (machine: Machine): Magazine => ({ ...USUAL_MAGAZINE, ...machine.magazine })
export const loadLimitsOf = (machine: Pick<Machine, 'limits'>): LoadLimits => ({ ...USUAL_LIMITS, ...machine.limits })
export const turretOf = (machine: Machine): Turret => machine.turret ?? USUAL_TURRET
/** How far a station of a lathe's turret is off, as a master showed it; null where nothing is known, or nothing has stations. */
export const stationOff = ({ kind, stations }: Machine, pocket: number | null): StationError | null =>
  (kind === 'lathe' && pocket !== null && stations?.[String(pocket)]) || null

export const switchesOf = (machine: Machine): Switches => ({ door: true, pot: true, ...machine.switches })
export const labelLayoutOf = (machine: Machine): LabelLayout => machine.label ?? USUAL_LABEL
export const isTyped = (machine: Machine): boolean => machine.figures === 'typed'

/** The T by which the control itself knows a tool: a sister may have one of its own. */
export function controlT({ t, sister = 0 }: { readonly t: number; readonly sister?: number }, machine: Machine): number {
  const { sisters } = tableOf(machine)
  return sisters.type === 'own T' ? t + sister * sisters.step : t
}

/** What a post's editor lets a lead change at its machine. */
export type PostOptions = TableOptions & Pick<Machine, 'sizeRegister' | 'decimals'>
