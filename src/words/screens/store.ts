/** What the screens of store say. */
export const say = {
  // plan.tsx
  bench: 'bench',

  // store-plan.tsx
  itStaysAtItsOld: 'It stays at its old place.',
  moveName: (name: string) => `Move ${name}`,
  findAPart: 'Find a part',
  itHasNoPlaceOn: 'It has no place on the plan.',
  addCabinetOrRack: 'Add cabinet or rack',
  shortName: 'Short name',
  kind: 'Kind',
  name: 'Name',
  slots: 'Slots',
  drawers: 'Drawers',
  taper: 'Taper',
  any: 'any',
  notSaved: 'Not saved.',
  addToPlan: 'Add to plan',
}
