/** What the screens of settings say. */
export const say = {
  backToStandard: (name: string) => `${name}: the standard value applies.`,
  valueSaved: (name: string) => `${name}: your value applies.`,
  // practice-table.tsx
  standardValue: (standard: number, unit: string, source: string) => `standard ${standard} ${unit}, ${source}`,
  changeName: (name: string) => `Change: ${name}`,
  changeTitle: 'Change',
  typeANumberFromTo: (min: number, max: number) => `Type a number from ${min} to ${max}.`,
  fromTo: (min: number, max: number, unit: string) => `From ${min} to ${max} ${unit}`,
  newValue: (name: string) => `${name}, new value`,
  notSaved: 'Not saved.',
  cancel: 'Cancel',
  standardAndSource: (standard: number, unit: string) => `Standard: ${standard} ${unit}`,
  save: 'Save',

  // settings/page.tsx
  settings: 'Settings',
  revMinFiguresIn: (about: string, coupling: string, greatestRpm: string, unit: string) =>
    `${about} · ${coupling} · ${greatestRpm} rev/min · figures in ${unit}`,
  badgeRole: (role: string) => `badge · ${role}`,
  markOfTheMasterFor: (coupling: string) => `mark of the master for ${coupling}`,
  actionCard: 'Action card',
  doesWhatTheBigButton: 'does what the big button on the screen does. Keep it at the bench',
  look: 'Look',
  shopValues: 'Shop values',
  valuesOfThisShopEvery: (more: string) => `Values of this shop. Every calculation uses them${more}`,
  aLeadCanChangeThem: '. A lead can change them.',
  codesToPrint: 'Codes to print',
  codeText: (text: string) => `Code ${text}`,
  scannerOfThisTerminal: 'Scanner of this terminal',
  aSlowScannerIsTaken: 'A slow scanner is taken for typing. Scan this code once to set it up.',
  testCode: 'Test code',
}
