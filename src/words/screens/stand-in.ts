/** What is said of stand-ins: the demo's machine, chips and screws. */
export const say = {
  openTheDoor: 'open the door',
  putItIn: 'put it in',
  shutTheDoor: 'shut the door',
  changerToManual: 'changer to manual',
  standInMachine: (play: string) => `Stand-in machine: ${play}`,
  standInMachineTakeIt: 'Stand-in machine: take it out',
  aNewChip: 'a new chip',
  aSmallOne: 'a small one',
  anotherMakers: 'another maker’s',
  flipABit: 'flip a bit',
  pullItAwayAtThe: 'pull it away at the next write',
  theStandInsChipIn: (serial: string) => `The stand-in’s chip in ${serial}`,
  demoTheHandOnThe: 'Demo: the hand on the screw, in divisions.',

  // the balancing spindle
  spindleStandIn: 'Stand-in spindle',
  clampAt: (seat: number) => `Clamp at ${seat}°`,
  shutTheGuard: 'Shut the guard',
  turnTo: (deg: number) => `Turn to ${deg}°`,
  doAsSaid: 'Do as it says',
  tooHeavy: 'Heavier screw',
}
