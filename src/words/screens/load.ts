/** What the screens of load say. */
export const say = {
  recordAndControlDiffer: 'Record and control differ.',
  // cautions.ts
  neverReachInWhileThe: 'Never reach in while the magazine can turn. Edges capped, heavy tools by the lift.',
  afterwardsFirstApproachSlowly: 'Afterwards: first approach slowly, single block, distance to go watched.',

  // checks.tsx
  anyoneCanGoOnWith: 'anyone can go on with a reason',
  aLeadCanGoOn: 'a lead can go on with a reason',
  approvedBy: (who: string, reason: string) => `Approved by ${who}: ${reason}`,
  whyItCanBeLoaded: 'why it can be loaded',
  whyText: (text: string) => `Why: ${text}`,
  oneRuleIsMet: 'One rule is met',
  rulesAreMet: (holding: number) => `${holding} rules are met`,

  // magazine.tsx
  magazineOfOfPocketsTaken: (name: string, pockets: number, pockets2: number) =>
    `Magazine of ${name}: ${pockets} of ${pockets2} pockets taken`,
  inIt: (more: string, known: string) => `${more} in it${known}`,
  oneTool: 'One tool',
  toolCount: (taken: number) => `${taken} tools`,
  massKnown: (known: string) => `, ${known} known`,
  weightMissing: 'weight missing',
  pocketFree: (pocket: number) => `Pocket ${pocket}: free`,
  onSerial: (serial: string) => ` on ${serial}`,
  knownToTheControlOnly: ', known to the control only',
  pocketTakenBy: (pocket: number, who: string, more: string) => `Pocket ${pocket}: ${who}${more}`,
  withMass: (mass: string) => `, ${mass}`,
  pocketTooNarrowBeside: (pocket: number, who: string) => `Pocket ${pocket}: too narrow beside ${who}`,

  // steps.tsx
  stepsOfThisLoad: 'Steps of this load',
  noSwitch: 'no switch',

  // typed-figures.tsx
  rowOfSTable: (number: number, name: string) => `Row ${number} of ${name}’s table`,
  registersToType: 'Registers to type',
  readBack: (f: string) => `${f}, read back`,
  theControlShows: 'The control shows',
  enter: 'Enter',
  readBackTitle: 'Read back',

  // begin-step.tsx
  byHandIntoTheSpindle: 'By hand into the spindle.',
  startIntoTheSpindle: 'Start: into the spindle',
  putItIntoPocket: (pocket: number) => `Put it into pocket ${pocket}.`,
  startPocket: (pocket: number) => `Start: pocket ${pocket}`,
  theMagazineTurnsToPocket: (pocket: number) => `The magazine turns to pocket ${pocket}.`,
  turnToPocket: (pocket: number) => `Turn to pocket ${pocket}`,
  doorShutNobodyInsideThe: 'Door shut, nobody inside. The magazine moves when you press.',
  thePocketIsReservedFor: 'The pocket is reserved for it now.',
  reservingThePocket: 'Reserving the pocket …',
  anotherPocket: 'Another pocket',
  noPocket: 'no pocket',
  pocketNumber: (pocket: number) => `Pocket ${pocket}`,
  byHandSpindle: 'By hand, spindle',

  // loaded.tsx
  readBackByEyeFrom: 'Read back by eye from',
  readBackFrom: 'Read back from',
  controlHolds: 'control holds',
  andReadBack: (more: string, more2: string) => `${more}, ${more2} and read back.`,
  inTheSpindle: 'In the spindle',
  inPocket: (pocket: number) => `In pocket ${pocket}`,
  offsetsWritten: 'offsets written',
  takeTheLabelOffIts: 'Take the label off its clip. Check by eye that it is this tool: no switch can tell.',
  nextToolFor: (name: string) => `Next tool for ${name}`,

  // load-left.tsx
  takenPalerKnownToThe:
    '● taken (paler: known to the control only) · ○ free · × too narrow for this tool · ▶ at the loading place',
  standsIn: (name: string, pocket: string) => `stands in ${name}, ${pocket}.`,

  // next-step.tsx
  allOffsetsAreTypedAnd: 'All offsets are typed and read back.',
  itIsInDoorShut: (pocket: string) => `It is in ${pocket}, door shut.`,
  saveItToTheRecord: 'Save it to the record.',
  theOffsetsAreSentTo: (name: string) => `The offsets are sent to ${name} and read back.`,
  writingAndReadingBack: 'Writing and reading back …',
  saveToTheRecord: 'Save to the record',
  sendOffsetsTo: (name: string) => `Send offsets to ${name}`,
  aSwitchOfTheMachine: 'A switch of the machine checks this. The sheet goes on by itself.',
  doneStep: (step: string) => `${step}: done`,
  cancelLoading: 'Cancel loading …',
  whyLoadingIsCancelled: 'Why loading is cancelled',
  cancelLoadingTitle: 'Cancel loading',

  // load-station.tsx
  labelOfT: (t: number) => `Label of T${t}`,
  handOver: (serial: string, issue: number) => `${serial}, hand-over ${issue}`,
  scanTheMachine: 'Scan the machine',
  scanTheHolder: 'Scan the holder',
  scanTheLabel: 'Scan the label',
  scanAnotherLabel: 'Scan another label',
  scanAnotherTool: 'Scan another tool',
  figuresTyped: (name: string) => `${name}, figures typed`,
  startedBy: (pocket: string) => `${pocket}, started by`,
  notDone: 'Not done.',
  theControlDoesNotAnswer: 'The control does not answer.',
  notLoaded: 'Not loaded.',
  giveAReasonOnThe: 'Give a reason on the left',
  goOnWithT: (t: number, pocket: string) => `Go on with T${t}, ${pocket}`,

  // ready-jobs.tsx
  noOpenJobForThis: 'No open job for this machine.',
  readyToStart: '● ready to start',
  ofIn: (tools: number, tools2: number) => `▲ ${tools} of ${tools2} in`,

  // load/page.tsx
  load: 'Load',
  sheetsOfLoad: 'Sheets of Load',
  scanTheHolderAndIts: 'scan the holder and its label',
  scanTheMachineTheHolder: 'scan the machine, the holder and its label, in any order',
  into: '· into',
  offsetsIn: (name: string, unit: string) => `${name}, offsets in ${unit}`,
  offsetsOfTheMachine: 'Offsets of the machine',
  length: 'Length',
  radius: 'Radius',
  diameter: 'Diameter',

  // rules-form.tsx
  whoeverLoads: 'whoever loads',
  aLead: 'a lead',
  fromMin: (min: number) => `from ${min}`,
  upTo: (max: number) => `up to ${max}`,
  whatYouChangedInThese: 'What you changed in these rules',
  whatIsCheckedBeforeA: 'what is checked before a tool goes in',
  rule: 'rule',
  whoCanGoOnWith: 'who can go on with a reason',
  whoMayGoOnAgainst: (ruleNames: string) => `Who may go on against: ${ruleNames}`,
  nobody: 'nobody',
  limits: 'Limits',
  measuredWithin: 'Measured within',
  balancedFrom: 'Balanced from',
  changerSlowFrom: 'Changer slow from',
  byLiftFrom: 'By lift from',
  theLabelMustBeScanned: 'The label must be scanned',
  magazinePockets: (pockets: number) => `Magazine, ${pockets} pockets`,
  form: 'Form',
  chain: 'chain',
  drum: 'drum',
  rack: 'rack',
  pitch: 'Pitch',
  gap: 'Gap',
  onlyALeadCanChange: 'Only a lead can change these.',
  theseRulesProtectEverybody: 'These rules protect everybody.',
  kept: 'Saved.',
  theyCountFromTheNext: 'They count from the next load.',
  notKept: 'Not saved.',
  keepFor: (name: string) => `Save for ${name}`,

  // load/rules/page.tsx
  rulesOfLoading: 'Rules of loading',
  rules: 'Rules',
  holdItFromBelow:
    'Hold it from below by its holder. After the change, cycle start may drive to the work position. Put away what was in the spindle first. Call a tool afterwards and watch the old one go home.',
}
