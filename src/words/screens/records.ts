/** What the screens of records say. */
export const say = {
  rowFault: (what: string, id: number, fault: string) => `${what} ${id} ${fault}`,
  rowsBeforeItCanBe:
    'Somebody changed the database from outside. Stop, keep a copy of the data folder, and compare it with the last backup.',
  measurement: 'Measurement',
  handOver: 'Hand-over',
  booking: 'Stock entry',
  build: 'Build',
  check: 'Bench check',
  // record-table.tsx
  refused: '◆ refused',
  noEntryFound: 'No entry found.',
  noEntriesYet: 'No entries yet.',

  // record-search.tsx
  any: 'any',
  tool: 'Tool',
  what: 'What',
  machine: 'Machine',
  person: 'Person',
  from: 'From',
  to: 'To',
  words: 'Words',
  search: 'Search',

  // record-state.tsx
  wasChangedAfterItWas: 'was changed after it was written',
  isMissing: 'is missing',
  hasNoHash: 'has no hash',
  entryFault: (seq: number, fault: string) => `Entry ${seq} ${fault}.`,
  entriesBeforeItCanBe:
    'Entries before it can be trusted, later ones cannot. Copy the data folder now and compare it with the last backup.',
  recordIntact: (entries: string) => `Record intact: ${entries}`,
  checkedUpToEntry: (entries: number) => `checked up to entry ${entries}`,
  entryCount: (entries: number) => `${entries} entries`,
  allChecked: (wholeAt: string) => `all checked ${wholeAt}`,

  // records/page.tsx
  records: 'Records',
  whoDidWhatToWhich: 'who did what to which tool. Entries are never changed',
  olderThanEntry: (beforeSeq: number) => `older than entry ${beforeSeq}`,
  theNewest: (shown: number) => `the newest ${shown}`,
  oneEntry: 'one entry',
  asCsv: 'as CSV',
  asJson: 'as JSON',
  newest: 'Newest',
  olderEntries: 'Older entries',
  tNumberOrHolder: 'T12 or the holder',
}
