/** What the screens of measure say. */
export const say = {
  putAnAdapterOn: 'Scan the adapter that is on the spindle.',
  noAdapterYet: 'There is no adapter yet. A lead enters the first one above, or in Settings.',
  anAdapterHasItsMaster: 'Each adapter is checked with a master of its taper.',
  checkWithTheFirstTool:
    'This bench has no camera that Boulder reads. Its master check is asked for on the sheet of the next tool.',
  howFar: 'How far it is',
  savedAs: (verdict: string) => `saved: ${verdict}`,
  certificateSaved: (master: string) => `The certificate of ${master} is saved.`,
  // actions.ts
  adapterOf: (coupling: string) => `adapter ${coupling}`,
  toolWithoutADefinition: 'Tool without a definition',

  // pictures-fault.ts

  // program-steps.ts
  theLimitsOfCannotBe: (name: string, feature: string, more: string) =>
    `${name}: the limits of ${feature} cannot be read. Type the upper limit, and the lower one if there is one, in ${more}.`,
  aStep: 'A step',

  // use-bench.ts
  noToolFoundInThe: 'No tool found in the light. Check that one is clamped and that the light is on.',
  theBenchStoppedOpenThe: 'The bench stopped. Open the tool again.',
  thePicturesCannotBeMeasured: 'The pictures cannot be measured: too dark, overexposed or empty.',
  theBenchCouldNotBe: 'The bench could not be started in this browser.',

  // use-camera.ts

  // use-hand.ts
  theBenchsPictureArrowsMove: 'The bench’s picture: arrows move the carriage, Alt and arrows turn the spindle',

  // unplanned-form.tsx
  asOnTheHolder: (markRule: string) => `${markRule}, as on the holder.`,
  atMostCharacters: 'At most 80 characters.',
  aWholeNumber: 'A whole number.',
  from: 'From 1.',
  to: 'To 99999.',
  notKnownYetChooseIts: 'not known yet. Choose its taper, then measure it',
  measureWithoutAJob: 'Measure without a job',
  markOnTheHolder: 'Mark on the holder',
  scanIt: 'scan it',
  taper: 'Taper',
  name: 'Name',
  endMillDrill: 'end mill, drill, …',
  tNumber: 'T number',
  machine: 'Machine',
  later: 'later',
  notSaved: 'Not saved.',
  saveAndMeasure: 'Save and measure',

  // measure/page.tsx
  measure: 'Measure',
  sheetsOfTheBench: 'Sheets of the bench',
  scanTheHolderOnThe: 'scan the holder on the spindle, or take it from the rack',
  checkThatTheAdapterHas: 'Check that the adapter has the tool’s taper.',
  cleanTaperFlangeAndEdges: 'Clean taper, flange and edges. Clamp the tool.',
  scanTheMarkOnThe: 'Scan the mark on the holder to open the tool.',
  measureAllEdgesFollowThe: 'Measure all edges, follow the advice, scan the holder again to save.',
  noToolHere: 'No tool here.',
  kitByKit: 'Kit by kit',
  oneToolToMeasure: 'one tool to measure',
  toolsToMeasure: (count: number) => `${count} tools to measure`,

  // adjust-live.tsx
  edgeLive: (edge: number) => `edge ${edge}, live`,
  toLimits: (limits: string) => `to ${limits}`,
  onTarget: '● on target',
  toGo: (mm: string) => `${mm} to go`,
  oneDivision: 'One division',
  divisionsToGo: 'Divisions to go',
  notTurned: 'Not turned.',
  turnTheScrewWithThe:
    'Turn the screw with the spindle stopped. If it has play, come from below. Then tighten and measure again.',
  adjustedMeasureAllAgain: 'Adjusted: measure all again',

  tipPointsTo: (q: number) => `Tip orientation ${q}`,
  noseCentre: (x: string, z: string) => `centre of the nose at X ${x}, Z ${z}`,
  asOnTheBench: 'as on the bench',
  setByDial: 'Set by its dial',
  overshot: (divisions: string) => `Too large by ${divisions} divisions. Back off past the play, then come from below again.`,

  // edge-ribbon.tsx
  radius: 'radius',
  length: 'length',
  theEdgesAreFoundWhen: 'The edges are found when the tool turns.',
  edgeWithMore: (edge: number, more: string, more2: string) => `Edge ${edge}${more}${more2}`,
  radiusLength: (dx: string, dz: string) => `, radius ${dx}, length ${dz}`,
  toClean: ', to clean',
  edgeLower: 'edge ',
  clean: '◆ clean',

  // feature-rows.tsx
  wasOld: (old: string) => `was ${old}`,
  ofMax: (max: string) => `of ${max}`,
  noLimitSetNotJudged: 'no limit set, not judged',

  // live-picture.tsx
  theBenchsPicture: (edge: string) => `The bench’s picture${edge}`,
  ofEdge: (edge: number) => ` of edge ${edge}`,
  noPictureYet: 'No picture yet',
  movingToTheTool: 'Moving to the tool …',
  edgeOfEdges: (edge: number, edges: string, spindleDeg: string) => `edge ${edge}${edges} · ${spindleDeg}°`,
  ofEdges: (edges: number) => ` of ${edges}`,
  spindleAt: (spindleDeg: string) => `spindle ${spindleDeg}°`,
  turning: 'turning',
  sharp: 'sharp',
  notSharp: 'not sharp',
  lengthMm: (mm: string) => `length ${mm}`,
  radiusMm: (mm: string) => `radius ${mm}`,
  highCleanHere: 'high: clean here',

  // overrule.tsx
  notApproved: 'Not approved.',
  orGoOnWithoutIt: 'Or go on without it for this shift. Reason',
  approveAsLead: 'Approve as lead',

  // measure-station.tsx
  spindleAndCarriageMoveBy: 'Spindle and carriage move by themselves. Keep hands, sleeves and rags clear.',
  cleanOnlyWithTheSpindle: 'Clean only with the spindle stopped. No gloves near it while it turns. Wear eye protection with air.',
  itCouldNotBeSaved: 'It could not be saved.',
  noAnswerFromTheTool: 'No answer from the tool room. The measurement is still here. Scan again when the connection is back.',
  cleaning: 'Cleaning …',
  edgeWhat: (edge: number, what: string) => `Edge ${edge}${what} …`,
  ofWhat: (what: number) => ` of ${what}`,
  lookingForTheEdges: 'Looking for the edges …',
  thisMeasurement: 'This measurement',
  isOnTheSpindleMeasure: 'is on the spindle; measure it, then scan it again to save',
  wasScannedIsOnThe: (scanned: string, serial: string) =>
    `${scanned} was scanned, ${serial} is on the spindle. Nothing was saved.`,
  preparingThePictures: 'Preparing the pictures …',
  measuringThePicturesOnThe: 'Measuring the pictures on the server …',
  thereAreNoPicturesTo: 'There are no pictures to save. Measure first.',
  savedTheSameWithinUncertainty: 'saved: the same within uncertainty. Its hand-over is still current',
  notJudged: 'not judged',
  forWord: '· for',
  isOnTheSpindle: (serial: string) => `${serial} is on the spindle`,
  cleanTaperFlangeAndEdgesPress:
    'Clean taper, flange and edges: press putty on straight, use air or a brush for fine edges. Then measure.',
  stillWarmItReadsUp: (warmMm: string) => `Still warm: it reads up to ${warmMm} too long.`,
  thisIsIncludedInThe: (measureAt: string) => `This is included in the uncertainty. ${measureAt}`,
  coldEnoughInComputed: (measureAt: string) => `Cold enough in ${measureAt}, computed.`,
  nearlyCold: 'Nearly cold.',
  measuringIsStopped: 'Measuring is stopped.',
  measuredWithoutTheMasterCheck: 'Measured without the master check.',
  leadApproval: (overruled: string) => `Lead approval: ${overruled}`,
  whyItChanged: 'Why it changed',
  regroundAdjustedDropped: 'reground, adjusted, dropped …',
  aTurnShowsEdgesNot: (seen: number, edges: number) => `A turn shows ${seen} edges, not ${edges}.`,
  checkThatThisIsThe: 'Check that this is the cutter on the parts list, and that no insert is missing.',
  nothingMeasured: 'Nothing measured.',
  scanningSavesItAsOut: 'Scanning saves it as out of tolerance.',
  goToTheMasterCheck: 'Go to the master check',
  cleanEdgeAndMeasureIt: (edge: number) => `Clean edge ${edge} and measure it again`,
  correctItAndMeasureAgain: 'Correct it and measure again',
  scanToSave: (serial: string) => `Scan ${serial} to save`,
  measureAllEdges: 'Measure all edges',
  typeInValues: 'Type in values',
  itsRoutine: 'Its routine',
  measureAllAgain: 'Measure all again',
  adjustWithLiveReading: 'Adjust with live reading',
  saveRoutine: 'Save routine',
  cleanAllAndMeasureAgain: 'Clean all and measure again',

  // measure/[serial]/page.tsx
  nothingToMeasure: 'Nothing to measure.',
  itIsInUnloadIt: (machine: string | number | null | undefined) => `It is in ${machine}. Unload it first.`,
  thereIsNoToolOn: 'There is no tool on this holder. Scan another one, or measure it without a job on Measure.',
  edgeCount: (edges: number) => (edges === 1 ? ', 1 edge' : `, ${edges} edges`),

  // values-check.tsx
  masterCheckSaved: 'Master check saved.',
  theValuesOfTheOther: 'The values of the bench without a camera count for this shift.',
  noMasterFor: (coupling: string) => `No master for ${coupling}.`,
  aLeadCanEnterIt: 'A lead can enter it. Until then the values of the bench without a camera do not count.',
  lengthError: (error: string) => `Length: ${error}`,
  diameterError: (error: string) => `Diameter: ${error}`,
  masterCheckDue: 'Master check due.',
  markOnTheMaster: 'Mark on the master',
  lengthReads: 'Length reads',
  diameterReads: 'Diameter reads',
  saveMasterCheck: 'Save master check',

  // figures-form.tsx
  whatYouTyped: 'What you typed',
  savedTheSameWithinUncertaintyIts: 'saved: the same within uncertainty. Its hand-over is still current.',
  valuesOfABenchWithout: (about: string) => `${about} · values of a bench without a camera`,
  valuesAsTheSerialGauge: 'Values as the serial gauge shows them. They are read once more when the holder is scanned.',
  readEachValueAndType:
    'Read each value and type it. Then type it again without looking at the first. Measure from the gauge line, not from the back of the flange.',
  fromTheLine: 'from the line',
  first: 'first',
  again: 'again',
  wanted: 'wanted',
  wasBefore: (before: string) => `was ${before}`,
  notTheSame: 'not the same',
  noPictures: 'No pictures',
  countWithNearALimit: (more: string, formatLength: string, unit: string) =>
    `${more} count with ± ${formatLength} ${unit}. Near a limit they stay borderline. Runout is not measured and keeps its last verdict.`,
  valuesFromASerialGauge: 'Values from a serial gauge',
  typedValues: 'Typed values',
  whyItIsRight: 'Why it is right',
  readingTheGauge: 'Reading the gauge …',
  readAgain: 'Read again',
  readFromSerialGauge: 'Read from serial gauge',

  // measure/[serial]/figures/page.tsx
  figures: 'Figures',

  // step-form.tsx
  belowTheTip: (downMm: string, unit: string) => `${downMm} ${unit} below the tip,`,
  fromTheAxis: (xMm: string, unit: string) => `${xMm} ${unit} from the axis`,
  foundAtTheToolsEnd: 'found at the tool’s end',
  limitsFromTheLibrary: 'limits from the library',
  lowerLimit: 'Lower limit',
  upperLimit: 'Upper limit',
  least: 'least',
  greatest: 'greatest',

  // program-station.tsx
  stepNumber: (n: number) => `Step ${n}`,
  thisProgram: 'This program',
  nothingCanBeMeasuredFrom: (name: string) => `${name}: nothing can be measured from there. Move the picture to the edge.`,
  sayWhyInAFew: 'Say why in a few words. It is shown beside the version.',
  howItIsMeasured: (title: string) => `${title}: how it is measured`,
  versionBase: (base: number) => `version ${base}`,
  noRoutineYet: 'no routine yet',
  moveThePictureToA:
    'Move the picture to a place on the tool (drag, arrow keys, wheel), then add it. The place is saved from the tip, so it fits the next tool too.',
  stepEarlier: (i: number) => `Step ${i} earlier`,
  stepLater: (i: number) => `Step ${i} later`,
  takeStepOut: (i: number) => `Take step ${i} out`,
  addThisViewAsA: 'Add this view as a step',
  measuring: 'Measuring …',
  tryThisStep: 'Try this step',
  whyItIsChanged: 'Why it is changed',
  firstToolOfThisKind: 'first tool of this kind …',
  notDone: 'Not done.',
  keepAsVersion: (base: number) => `Save as version ${base}`,
  noNameYet: 'no name yet',
  measuresNothing: 'measures nothing',
  notSeen: 'not seen',
  triedOnEdge: (name: string) => `${name}, tried on edge 1.`,

  // measure/[serial]/program/page.tsx
  measuringProgram: 'Measuring program',

  // kit-run.tsx
  isInTheMachineUnload: 'is in the machine. Unload it first',
  tIsOnTheSpindle: (t: string | number) => `T${t} is on the spindle`,
  measureJob: (job: string) => `Measure ${job}`,
  toolAfterTool: 'tool after tool',
  noToolOfThisJob: 'No tool of this job is built yet. Build one, and it appears here.',
  toMeasure: '▲ to measure',
  measuredNotJudged: 'measured, not judged',
  allMeasured: 'All measured',
  oneToolToGo: 'One tool to go',
  toolsToGo: (waiting: number) => `${waiting} tools to go`,
  cleanAndClamp: 'Clean and clamp',
  thenScanItsHolderThe: (name: string) => `, ${name}, then scan its holder. The order does not matter.`,
  allToolsOfThisJob: 'All tools of this job are measured.',
  oneIsOutOfTolerance: 'One is out of tolerance.',
  correctItAndMeasureIt: 'Correct it and measure it again. It cannot be handed over like this.',
  scanSerial: (serial: string) => `Scan ${serial}`,
  goToHandOver: 'Go to Hand over',

  // measure/kit/[job]/page.tsx
  measureAKit: 'Measure a kit',

  // drift-chart.tsx
  driftOfTheBenchOver: (checks: number) => `Drift of the bench over ${checks} checks`,

  // masters-forms.tsx
  measureAgain: (tools: number, more: string) => `Measure again: ${tools} ${more}.`,
  theyWereMeasuredBeforeA: 'They were measured before a drift was found. Their hand-overs are on hold.',
  inMachine: (machine: string) => `◆ in ${machine}`,
  renewTheCertificate: 'Renew the certificate',
  lengthTitle: 'Length',
  diameterTitle: 'Diameter',
  certificateUntil: 'Certificate until',
  saveCertificate: 'Save certificate',
  enterAnotherAdapter: 'Enter another adapter',
  markOnIt: 'Mark on it',
  takes: 'Takes',
  notEntered: 'Not entered.',
  enterAdapter: 'Enter adapter',

  // masters-station.tsx
  firstCheckOfThisAdapter: 'First check of this adapter.',
  itSetsTheZeroOf: 'It sets the zero of this adapter. Scan the master to save it.',
  normalThermalDrift: 'Normal thermal drift.',
  scanTheMasterToSave: 'Scan the master to save the check.',
  theZeroHasDrifted: 'The zero has drifted.',
  savingCorrectsEveryValueFrom:
    'Saving corrects every value from now on, and checks what was measured before. Scan the master to save it.',
  thisIsMoreThanThermal: 'This is more than thermal drift.',
  cleanSpindleAdapterAndMaster:
    'Clean spindle, adapter and master, check that it is the right master, and measure again. A lead can accept it with a reason.',
  masters: 'Masters',
  driftAtEachCheckDotted: 'drift at each check. Dotted lines: normal thermal drift',
  noCheckYet: 'No check yet.',
  checks: 'Checks',
  when: 'When',
  who: 'Who',
  master: 'Master',
  radiusTitle: 'Radius',
  noAdapterChosen: 'No adapter chosen',
  onTheSpindle: 'On the spindle',
  scanOrChooseTheAdapter: 'Scan or choose the adapter that is on the spindle',
  notChanged: 'Not changed.',
  noMasterBelongsToThis: 'No master belongs to this adapter.',
  changeTheAdapterOrAsk: 'Change the adapter, or ask a lead to enter its master.',
  theCheckCouldNotBe: 'The check could not be saved.',
  noAnswerFromTheToolRoom: 'No answer from the tool room. Scan the master again when the connection is back.',
  isOnTheSpindleMeasureIts: 'is on the spindle; measure its master',
  measureItFirstThenScan: 'measure it first, then scan it to save the check',
  checkSavedToolsMayBe: 'check saved; tools may be measured',
  radiusReads: 'Radius reads',
  whyADriftOfMore: (tooFarMm: string) => `Why a drift of more than ${tooFarMm} is accepted`,
  theCheckIsDue: 'The check is due.',
  noToolCanBeMeasured: 'No tool can be measured until then.',
  movingToTheMaster: 'Moving to the master …',
  measuringTheMaster: 'Measuring the master …',
  scanToSaveMark: (mark: string) => `Scan ${mark} to save`,
  measureTheMaster: 'Measure the master',
  measureItAgain: 'Measure it again',

  // set-values.tsx
  oneEdge: 'one edge',
  edgeCountOf: (edges: number) => `${edges} edges`,
  runoutIs: (radialRunout: string, unit: string) => ` · runout ${radialRunout} ${unit}`,

  // from-camera.tsx
  cornerFrom: 'Corner from',
  cornerAsItComes: 'whichever picture explains itself',
  cornerSingle: 'the edge at its highest alone',
  cornerTurn: 'the outermost outline over a turn',
  // camera-station.tsx

  // from-files.tsx

  // measure/pictures/page.tsx

  // measure/programs/page.tsx
  measuringPrograms: 'Measuring programs',
  howEachKindOfTool:
    'How each kind of tool is measured. Save a routine at the bench after a good measurement. Without one, the tool is measured and judged by the limits in the library.',
  tool: 'tool',
  machines: 'machines',
  steps: 'steps',
  versionLower: 'version',
  kept: 'saved',
  noToolsDefinedYetDefine: 'No tools defined yet. Define its tool in the library to save a routine.',

  // measure/programs/[id]/page.tsx
  upTo: (max: string, mark: string) => `up to ${max}${mark}`,
  tHowItIsMeasured: (t: number) => `T${t}: how it is measured`,
  versionNumber: (version: number) => `version ${version}`,
  noRoutine: 'no routine',
  belowTheTipFromThe: (downMm: string, unit: string, xMm: string, unit2: string) =>
    `${downMm} ${unit} below the tip, ${xMm} ${unit2} from the axis`,
  pictureOfT: (t: number) => `Picture of T${t}`,
  versions: 'Versions',
  noneYetMeasureATool: 'None yet. Measure a tool of this kind. If it is in tolerance, save it as the routine.',
  changeAndTryItWith: 'Change and try it with a tool of this kind on the spindle.',
  thereIsNoToolOf: 'There is no tool of this kind in the tool room. Build one to change or try its routine.',
  onSerial: (serial: string) => `On ${serial}`,

  // pictures-kept.tsx
  cleanTheMasterAndClampIt:
    'Clean spindle, adapter and master with putty or air. Clamp it like a tool. Keep hands clear when it turns.',
}
