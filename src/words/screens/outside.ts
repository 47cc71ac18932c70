/** What the screens of outside say. */
export const say = {
  // problem.ts
  theRequestIsMalformed: 'The request is malformed',
  notAllowedIn: 'Not allowed in',
  notKnownHere: 'Not known here',
  itContradictsTheRecord: 'It contradicts the record',
  tooLarge: 'Too large',
  wrongTypeOfContent: 'Wrong type of content',
  itCannotBeUsed: 'It cannot be used',
  aFaultOfOurOwn: 'A fault of our own',
  theMachinesControlDoesNot: 'The machine’s control does not answer',
  problem: 'Problem',

  // guard.ts
  tokenMayNot: (may: string) => `This token may only ${may}. An administrator can make another one.`,
  sendAuthorizationBearerWithThe: 'Send Authorization: Bearer with the token of this tool room.',

  // route.ts
  thereIsNo: (method: string, pathname: string) => `There is no ${method} ${pathname}.`,

  // body.ts
  sendItAs: (types: string) => `Send it as ${types}.`,
  atMostAreTaken: (limitBytes: string) => `At most ${limitBytes} are taken.`,
  limitInMb: (limitBytes: number) => `${limitBytes} MB`,
  limitInKb: (limitBytes: number) => `${limitBytes} KB`,

  // label.ts
  thereIsNoHandOver: (id: string) => `There is no hand-over ${id}.`,

  // route.ts
  mustBeAWholeNumber: 'must be a whole number',
  mustBeOneOf: (join: string) => `must be one of ${join}`,
  theFilterCannotBeRead: 'The filter cannot be read.',

  // route.ts
  noMeasurementOfIsKnown: (id: string, serial: string) => `No measurement ${id} of ${serial} is known.`,
  itsPicturesWereCleanedAway: 'Its pictures were cleaned away by age.',

  // route.ts
  theClockIsSetForward: 'The clock is set forward only where every device is a stand-in.',

  // route.ts
  noCodeCanBeRead: 'No code can be read in this picture. Hold the camera straight over it, closer, in even light.',
  thisIsNoPngOr: 'This is no PNG or JPEG picture that can be read.',

  // route.ts
  thereIsNoTool: (id: string) => `There is no tool ${id}.`,

  // route.ts
  noPicturesWereKeptWith: 'No pictures were saved with this program.',

  // route.ts
  thereIsNoMachine: (key: string) => `There is no machine ${key}.`,
  handOverOfWasMade: (issue: number, serial: string, machine: string, key: string) =>
    `Hand-over ${issue} of ${serial} was made for ${machine}, not for ${key}.`,
  handOverOfIsOut: (issue: number, serial: string, voidReason: string) =>
    `Hand-over ${issue} of ${serial} is out of date: ${voidReason}.`,
  theControlGetsOtherValues: 'The control gets other values than were measured.',

  // route.ts
  nameTheHandOversIds: (mostLabels: number) => `Name the hand-overs: ?ids=4,5,6, ${mostLabels} at most.`,

  // route.ts
  theDatabaseDoesNotAnswer: 'The database does not answer.',

  // route.ts
  thereIsNoJob: (id: string) => `There is no job ${id}.`,
  forIdName: (id: string, name: string) => `${id} for ${name}`,
  startsLengthsFromTheGauge: (name: string, quantity: number, more: string, dueAt: string, unit: string) =>
    `${name} · ${quantity} ${more} · starts ${dueAt} · lengths from the gauge line, in ${unit}`,
  printedValuesChangeWhenA: (now: string) => `Printed ${now}. Values change when a tool is measured again: scan before loading.`,

  // route.ts
  thisPartHasNoPicture: 'This part has no picture or drawing.',
  theLibraryKnowsNoPart: (id: string) => `The library knows no part ${id}.`,
  sendOneOf: (join: string) => `Send one of ${join}.`,

  // route.ts
  shouldLieThere: 'should lie there',
  onHand: 'on hand',
  builtIn: 'built in',

  // route.ts
  aLabelsTextHasKb: 'A label’s text has 4 KB at most.',

  // route.ts
  theKeyOfAMachine: 'the key of a machine',
  aListOfSerials: 'a list of serials',
  atLeastOneSerial: 'at least one serial',
  theBodyIsNoJson: 'The body is no JSON.',
  somethingInTheBodyIs: 'Something in the body is missing or of the wrong kind.',

  // route.ts
  kindIsMillOrLathe: 'kind is mill or lathe.',
  mustBeMillOrLathe: 'must be mill or lathe',
  aProgramCanHaveTools: (most: number) => `A program can have ${most} different tools at most.`,
  aPictureCanHave: (most: number) => `A picture can be ${most} pixels wide and high at most.`,
  unknownHost:
    'Boulder is not known under this name. Use the address it was started with, or add the name to BOULDER_HOSTS and start it again.',
  foreignOrigin: 'A page of another address may not ask Boulder for anything.',
  unreadableAddress: 'This address cannot be read: a % in it does not stand for a character.',
  wrongName: 'Not known under this name',
  theDiskIsFull: 'The disk is full',
  notOneBlockOfA: 'Not one block of a program can be read in this text.',

  // route.ts
  formatIsCsvOrJson: 'format is csv or json.',
  limitIsAWholeNumber: (most: number) => `limit is a whole number from 1 to ${most}.`,

  // actions.ts
  somethingBroke: 'Something broke here. It is in the server’s log. Nothing was stored.',
  busyTryAgain: 'Busy: try again',
  itsValuesWereTyped: 'Its values were typed in. It has no pictures.',
  sendForward: 'Send {"forwardS": seconds}: more than 0, at most a year.',
  takesNoFiles: (machine: string) => `${machine} takes no files. Its offsets are typed in.`,
  countOutOfRange: 'count must be a whole number from 1 to 4096.',
  noSuchAsset: (id: string) => `There is no tool ${id} that is handed over.`,
}
