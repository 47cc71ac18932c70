/** What the screens of shell say. */
export const say = {
  clients: 'Tokens',
  noLine: 'No connection to the tool room.',
  noLineAbout: 'What you have typed stays here. It goes on by itself when the line is back.',
  whoIsThere: 'Who is there?',
  stillName: (name: string) => `Still ${name}`,
  whoWorksHere: 'Who works here?',
  scanYourBadge: 'Scan your badge',
  scanYourBadgeOrPress: 'Scan your badge, or press your name.',
  couplingsHere: 'in this shop',
  otherCouplings: 'others',
  findAnything: 'Find anything',
  findPlaceholder: 'A tool, part, job, holder or page',
  nothingFound: 'Nothing has these letters.',
  pages: 'Pages',
  findKey: 'Ctrl K',
  findTools: 'Tools',
  findJobs: 'Jobs',
  findDefinitions: 'Tools in the library',
  findParts: 'Parts',
  findHolders: 'Holders',
  findMachines: 'Machines',
  timeOfDay: 'Time of day',
  typeTheTime: 'Type the time such as 7:30 or 0730.',
  suchAsADay: '28 Nov 2026',
  pickADay: 'Pick a day',
  typeTheDay: 'Type the day such as 28 Nov 2026 or 28.11.',
  // due.ts
  noDate: 'no date',
  lateSpan: (span: string) => `late ${span}`,
  tomorrowDue: (due: string) => `tomorrow ${due}`,
  day: '1 day',
  dayCount: (days: number) => `${days} days`,
  minS: (whole: number, whole2: number) => `${whole} min ${whole2} s`,

  // record-lines.ts
  lfRadius: (lengthMm: string, radiusMm: string, unit: string) => `LF ${lengthMm}, radius ${radiusMm} ${unit}`,
  lengthRegister: (a: string, b: number) => `length register ${a}${b}`,
  empty: 'empty → ',

  // setup-rows.ts
  sisterNumber: (sister: number) => `, sister ${sister}`,
  lfMeasured: 'LF measured',
  lfAimed: 'LF aimed',
  measured: 'Ø measured',
  aimed: 'Ø aimed',

  // shell-context.tsx
  thisScanCameBeforeThe: 'This scan came before the sheet had changed. Scan again.',
  actionCard: 'Action card',
  didWhatTheBigButton: 'did what the big button does',
  noBigButton: 'There is nothing to do on this sheet yet. Nothing was done.',
  noAnswerFromTheTool: 'No answer from the tool room. Check that this terminal is connected, then scan again.',

  // use-act.ts
  noAnswerFromTheToolRoom: 'No answer from the tool room. Check that this terminal is connected, then try again.',

  // places.ts
  kit: 'Kit',
  build: 'Build',
  measure: 'Measure',
  balance: 'Balance',
  handOver: 'Hand over',
  load: 'Load',
  returnWord: 'Return',
  plan: 'Plan',
  library: 'Library',
  records: 'Records',
  wear: 'Wear',
  asCsv: 'As CSV',
  quality: 'Quality',
  thatDay: 'That day',
  study: 'Bench study',
  watch: 'Table watch',
  worth: 'Worth',
  tryOut: 'Try out',
  lessons: 'Practice room',
  practiceRoom: 'Practice room',
  teaching: 'Teaching',
  readTheEdges: 'Read the edges',
  returns: 'Returned',
  learned: 'Learned',
  today: 'Day',
  magazine: 'Magazine',
  whatIf: 'What if',
  practice: 'Practice',
  settings: 'Settings',

  // leaving.tsx
  isNotSaved: (what: string) => `${what} is not saved`,
  something: 'Something',
  stayToSaveItOr: 'Stay to save it, or leave without it.',
  stayHere: 'Stay here',
  leaveWithoutSaving: 'Leave without saving',

  // frame.tsx
  skipToTheSheet: 'Skip to the sheet',
  boulder: 'Boulder',
  keysOfThisProgram: 'Help and keys',
  keys: 'Keys',
  close: 'Close',
  scanOrTypeACode: 'Scan, or type a code and press Enter',
  lookingUp: 'looking up …',
  scanAHolderAJob: 'Scan a holder, a job, a machine or a badge: anywhere, at any time',
  picture: 'Picture',
  noCodeCanBeRead: 'No code can be read in this picture.',
  noAnswerFromTheToolRoomCheck: 'No answer from the tool room. Check that this terminal is connected.',
  readACodeFromA: 'Read a code from a picture',
  unitOfLengths: 'Unit of lengths',
  shop: 'Shop',
  people: 'People',
  typeYourPin: 'type your PIN',
  pin: 'PIN',
  pinOf: (name: string) => `PIN of ${name}`,
  pinClear: 'Clear',
  pinCancel: 'Cancel',
  notSignedIn: 'Not signed in.',
  signOut: 'Sign out',
  signIn: 'Sign in',
  whoPractises: 'Leave the practice room to sign in as somebody else.',
  thereAreNoPeopleIn: 'There are no people in the list yet.',
  stations: 'Stations',
  worksOnEveryScreenWithout: 'works on every screen, without clicking first',
  spaceOrEnter: 'Space or Enter',
  theBigButton: 'the big button',
  gThenALetter: 'g then a letter',
  walkAlongTheRack: 'walk along the rack',
  mmOrInch: 'mm or inch',
  thisHelp: 'this help',
  scansHere: 'Scans',
  beCareful: 'Be careful',
  practiseIt: 'Practise it:',
  instructionsFirst: 'The unit’s instructions, the shop’s rules and qualified people come first.',

  // layout.tsx
  sBoulder: '%s · Boulder',
  sPractice: 'PRACTICE: %s · Boulder',
  theToolRoomsBench: 'The tool room’s bench',
  toolRoom: 'Tool room',

  // moves-table.tsx
  noEntriesYet: 'No entries yet.',
  askALead: 'Ask a lead.',
  nothingCanBeSaved: 'Nothing can be saved.',
  stockEntries: 'Stock entries',
  when: 'when',
  what: 'what',
  part: 'part',
  pieces: 'pieces',
  where: 'where',
  who: 'who',
  undo: 'undo',
  undoesEntry: (counters: number) => `undoes entry ${counters}`,
  undoneBy: (counteredBy: number) => `undone by ${counteredBy}`,

  // sub-nav.tsx
  jobs: 'Jobs',
  dueList: 'Due list',
  cartsAndRacks: 'Carts and racks',
  slotDisplays: 'Slot displays',
  rush: 'Rush',
  nextShift: 'Next shift',
  tools: 'Tools',
  programs: 'Programs',
  masters: 'Masters',
  devices: 'Devices',
  machines: 'Machines',
  couplings: 'Couplings',
  adapters: 'Adapters',
  measureFromFiles: 'Measure from files',
  labels: 'Labels',
  posts: 'Posts',
  readATag: 'Read a tag',
  setAtMachine: 'Set at machine',
  rules: 'Rules',
  parts: 'Parts',
  holders: 'Holders',
  store: 'Store',
  stock: 'Stock',
  steps: 'Steps',
  importWord: 'Import',

  // no-machine.tsx
  noMachineIsKnownHere: 'no machine is known here yet',

  // rack.tsx
  rack: 'Rack',
  waitsMachine: (machine: string) => `◆ ${machine} waits`,
  moreWaitScanTheOne: (more: string) => `${more} more wait. Scan the one you have.`,

  // station.tsx
  noJobNeedsATool: 'No job needs a tool. Add an NC program below.',
  nothingToBuildEveryTool: 'Nothing to build. Every tool needed is built or in progress.',
  balancedTo: 'balanced',
  noToolToBalance: 'No tool to balance. Scan one, or choose it in the library.',
  noToolToMeasureYou: 'No tool to measure. You can scan any holder to measure it.',
  noToolToHandOver: 'No tool to hand over.',
  noToolToLoad: 'No tool to load.',

  // balance/page.tsx
  balanceWillMeasureTheComplete:
    'Balance will measure the complete assembly at a safe speed, tell its own unbalance from the spindle’s, and say which screw goes where.',

  // tool-drawing.tsx
  gaugeLine: 'gauge line',

  // machine-select.tsx
  machine: 'Machine',

  // print-button.tsx
  print: 'Print',

  // contour.tsx
  nominalContourPieces: (pieces: number) => `Nominal contour, ${pieces} pieces`,

  // plan/page.tsx

  // practice/page.tsx

  // scanner-setup.tsx
  scannerSetUp: 'Scanner set up.',
  itsKeysComeWithinMs: (gapMs: number) =>
    `Its keys come within ${gapMs} ms of each other. This terminal now takes them for a scan.`,
  tooSlow: 'Too slow.',
  msBetweenTwoKeysIs: (gapMs: number) =>
    `${gapMs} ms between two keys is as slow as a person types. Set the scanner to send faster.`,
  notTheTestCode: 'Not the test code.',
  pressTheButtonAndScan: (read: string) => `${read}Press the button and scan the test code again.`,
  readWas: (read: string) => `Read was ${read}. `,
  scanTheTestCodeNow: 'Scan the test code now …',
  setUpASlowScanner: 'Set up a slow scanner',

  // theme-choice.tsx
  lightGranite: 'Light (Granite)',
  darkBasalt: 'Dark (Basalt)',
  lookOfTheScreen: 'Look of the screen',
  sizeOfText: 'Size of text',
  usualText: 'Usual text',
  largeText: 'Large text',
  unitOfTorque: 'Unit of torque',
  unitOfTemperature: 'Unit of temperature',
  unitOfMass: 'Unit of mass',
}
