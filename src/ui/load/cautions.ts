/** Safety at the machine, second to its own instructions. */
export const CAUTIONS = [
  'Never reach in while the magazine can turn. Edges capped, heavy tools by the lift.',
  'Afterwards: first approach slowly, single block, distance to go watched.',
]
export const BY_HAND =
  'Hold it from below by its holder. After the change, cycle start may drive to the work position. What was in the spindle must be put away first; call a tool afterwards and watch the old one go home.'
