/** The short words under which entries of the record stand, where people say them otherwise than the record keeps them. */
const SAID: Readonly<Record<string, string>> = {
  kept: 'reserved',
  freed: 'no longer reserved',
  steps: 'steps saved',
  'routine kept': 'routine saved',
  'post kept': 'post saved',
  'label kept': 'label saved',
  'rules kept': 'rules saved',
  overruled: 'lead approval',
}

/** What the column `what` says to a reader: an entry keeps its own word for ever, ours may change. */
export const kindText = (what: string): string => SAID[what] ?? what
