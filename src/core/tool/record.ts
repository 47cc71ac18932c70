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
  readonly text: string
  readonly before: unknown
  readonly after: unknown
}

export type NewEntry = Omit<RecordEntry, 'seq' | 'who'>

export interface Person {
  readonly id: string
  readonly name: string
  readonly role: 'operator' | 'lead'
}
