/** What a verb answers when it is done, and the names it gives. */
export const DONE = {
  takenApart: (serial: string, coldAt: string | null) =>
    coldAt === null ? `${serial} is free` : `${serial} is free once it is cold: not before ${coldAt}, computed`,
  sisterJob: (t: number, serial: string) => `sister of T${t} on ${serial}`,
  putBack: (count: number, part: string, place: string | null) => `${count} × ${part} back in ${place ?? 'the tool room'}`,
  counted: (place: string, found: number, part: string, before: number) =>
    `${place} counted: ${found} × ${part}, ${before} were booked`,
  chipWritten: 'is out; wear and minutes are on its chip too',
  chipNotWritten: (why: string) => `its chip did not take wear and minutes: ${why}`,
}

/** What a scan was, when the sheet in front has no use for it. */
export const SCANNED = {
  badge: 'Badge',
  signedIn: (role: string) => `signed in, ${role}`,
  unknownBadge: 'Nobody with this badge is known here.',
  badgeFirst: 'Nobody is signed in. Scan your badge first, or press your name.',
  machine: 'machine · now scan the holder',
  unknownMachine: 'No machine with this label is known here.',
  labelOf: (of: string) => `Label of ${of}`,
  label: (serial: string, issue: number) => `${serial}, hand-over ${issue}, current`,
  actionCard: 'Action card',
  nothingToConfirm: 'There is nothing to confirm on this screen.',
  testCode: 'Test code',
  scannerWorks: 'The scanner works.',
  unreadable: 'Unreadable',
  damaged: 'A code of the tool room, but its check digits are wrong. Clean it and scan again.',
  unknownPlace: 'There is no such place on the plan.',
  takeApart: (name: string, condition: string) => `${name} · ${condition}, to take apart`,
  correct: (name: string) => `${name} · out of tolerance, to correct`,
  measure: (name: string) => `${name} · to measure`,
  balance: (name: string) => `${name} · to balance`,
  handOver: (name: string) => `${name} · measured, to hand over`,
  load: (name: string) => `${name} · released, to load`,
  inMachine: (name: string, machine: string, pocket: string) => `${name} · in ${machine}, ${pocket}`,
  building: (t: number, job: string, who: string) => `${who} is building T${t} for ${job} on it`,
  retired: 'holder · retired',
  freeHolder: 'free holder · no job needs a tool in it',
  buildNext: (t: number, name: string) => `free holder · build T${t} ${name}; scan it again to begin`,
  job: (name: string, tools: number) => `${name} · ${tools} tools wanted`,
  unknown: 'Not known here: no holder, job, machine or label has this mark. You can add a tool on Measure.',
}
