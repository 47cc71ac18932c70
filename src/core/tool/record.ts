/** One entry of the record: what happened to which tool, who did it, and what it was before. */
export interface RecordEntry {
  readonly seq: number
  readonly at: string
  readonly personId: string | null
  readonly who: string
  /** A short word: `built`, `measured`, `released`, `loaded`, `refused`, … */
  readonly what: string
  readonly serial: string | null
  readonly t: number | null
  readonly machine: string | null
  /** What happened, as a code with its data; null for entries from before there were any. */
  readonly entry: { readonly code: string } | null
  /** The sentence of an entry from before; empty where there is a code. */
  readonly text: string
  readonly before: unknown
  readonly after: unknown
}

export type NewEntry = Omit<RecordEntry, 'seq' | 'who'>

export type ChainFault = 'changed' | 'missing' | 'not chained'

/** Whether the record is as it was written. @param seq the first entry that is not */
export type ChainState =
  | { readonly whole: true; readonly entries: number; readonly head: string }
  | { readonly whole: false; readonly seq: number; readonly fault: ChainFault }

export type SealFault = 'changed' | 'missing' | 'not sealed'

/** Whether the rows that nobody may change are as they were written. @param table and id of the first that is not */
export type SealState =
  | { readonly whole: true; readonly rows: number; readonly head: string }
  | { readonly whole: false; readonly table: string; readonly id: number; readonly fault: SealFault }
