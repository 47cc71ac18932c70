/** What a machine tells of itself: its switches, its magazine's list, its spindle, its programs. */
export interface MachineState {
  /** Whether a stand-in answers, which has no hands of its own. */
  readonly standIn: boolean
  /** Whether it keeps a list of its pockets that can be written. */
  readonly listed: boolean
  /** null where no switch watches it. */
  readonly door: 'open' | 'shut' | null
  /** The pocket at the loading place; null when the control does not tell. */
  readonly atDoor: number | null
  /** Whether the switch there sees a tool; null where none watches. */
  readonly toolAtDoor: boolean | null
  /** T in the spindle by the control's own list. */
  readonly spindle: number | null
  /** Whether something is clamped in the spindle; null where no switch watches it. */
  readonly inSpindle: boolean | null
  readonly changer: 'automatic' | 'manual' | null
  readonly running: { readonly program: string; readonly tools: readonly number[] } | null
  /** T by pocket, as the control has it in its list. */
  readonly magazine: ReadonlyMap<number, number>
  /** SHA-256 of each program that lies in the control. */
  readonly programs: readonly { readonly name: string; readonly hash: string }[]
  /** Minutes that the tool of each row of the table has cut since it was written. */
  readonly cutMin: ReadonlyMap<number, number>
}

/** A control of which nothing is known, such as one that only takes typing. */
export const SILENT: MachineState = {
  standIn: false,
  listed: false,
  door: null,
  atDoor: null,
  toolAtDoor: null,
  spindle: null,
  inSpindle: null,
  changer: null,
  running: null,
  magazine: new Map(),
  programs: [],
  cutMin: new Map(),
}
