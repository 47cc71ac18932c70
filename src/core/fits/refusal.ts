/** What speaks against a pair of parts, a stack or a holder; each says which part and which number. */
import type { ShrinkError } from '../clamp'
import type { Kind, Role } from '../tool'

export type Refusal =
  | { readonly code: 'NO_PART'; readonly role: Role }
  | { readonly code: 'OTHER_TYPE'; readonly has: string; readonly needs: string }
  | { readonly code: 'WRONG_TAPER'; readonly has: string; readonly needs: string }
  | { readonly code: 'WRONG_STUD'; readonly stud: string; readonly has: string; readonly needs: string }
  | { readonly code: 'NO_STUD'; readonly coupling: string }
  | { readonly code: 'WRONG_BORE'; readonly hasMm: number; readonly needsMm: number }
  | { readonly code: 'SHANK_TOO_COARSE_HERE'; readonly holder: Kind; readonly shankClass: string }
  | { readonly code: 'NEEDS_FLAT'; readonly cutter: string }
  | { readonly code: 'FLAT_NOT_HERE'; readonly cutter: string }
  | { readonly code: 'OTHER_COLLET'; readonly has: string; readonly needs: string }
  | { readonly code: 'OTHER_NUT'; readonly has: string; readonly needs: string }
  | { readonly code: 'SHANK_TOO_LARGE'; readonly shankMm: number; readonly largestMm: number }
  | { readonly code: 'SHANK_TOO_SMALL'; readonly shankMm: number; readonly smallestMm: number }
  | { readonly code: 'NOT_THAT_SIZE'; readonly shankMm: number; readonly sizeMm: number }
  | { readonly code: 'TOO_SHALLOW'; readonly depthMm: number; readonly leastMm: number }
  | { readonly code: 'TOO_DEEP'; readonly depthMm: number; readonly greatestMm: number }
  | { readonly code: 'FLUTES_IN_BORE'; readonly byMm: number }
  | { readonly code: 'WRONG_PILOT'; readonly hasMm: number; readonly needsMm: number }
  | { readonly code: 'WRONG_THREAD'; readonly has: string; readonly needs: string }
  | { readonly code: 'WRONG_MODULE'; readonly has: string; readonly needs: string }
  | { readonly code: 'WRONG_SHANK_HEIGHT'; readonly hasMm: number; readonly needsMm: number }
  | { readonly code: 'NOT_FOR_THIS_HOLDER'; readonly holder: Kind; readonly cutter: string }
  | { readonly code: 'WRONG_SEAT'; readonly insert: string; readonly has: string; readonly needs: string }
  | { readonly code: 'INSERT_COUNT'; readonly has: number; readonly needs: number }
  | { readonly code: 'WRONG_NOSE_RADIUS'; readonly hasMm: number; readonly needsMm: number }
  | { readonly code: 'WRONG_DIAMETER'; readonly hasMm: number; readonly needsMm: number }
  | { readonly code: 'LENGTH_OFF'; readonly wouldMm: number; readonly wantedMm: number }
  | { readonly code: 'REACH_TOO_SHORT'; readonly clearMm: number; readonly reachMm: number; readonly part: string }
  | { readonly code: 'TOO_FAST'; readonly programRpm: number; readonly greatestRpm: number; readonly part: string }
  | { readonly code: 'TORQUE_LOW'; readonly part: string; readonly holdsNm: number; readonly wantedNm: number }
  | { readonly code: 'TOO_LONG'; readonly LF: number; readonly greatestMm: number }
  | { readonly code: 'TOO_HEAVY'; readonly massKg: number; readonly greatestKg: number }
  | { readonly code: 'SHRINK'; readonly error: ShrinkError }
  // of one piece with a serial
  | { readonly code: 'HOLDER_CARRIES_TOOL'; readonly serial: string; readonly t: number | null }
  | { readonly code: 'HOLDER_RETIRED'; readonly serial: string }
  | { readonly code: 'HEATS_USED_UP'; readonly serial: string; readonly heats: number; readonly greatest: number }
  | { readonly code: 'INSPECTION_DUE'; readonly serial: string; readonly since: string }
  | { readonly code: 'STUD_TOO_OLD'; readonly serial: string; readonly since: string }
  | { readonly code: 'STUD_NOT_KNOWN'; readonly serial: string }
  | { readonly code: 'HOLDER_FELL'; readonly serial: string; readonly at: string }
  /** Hot from its last heat; computed, the unit's light comes first. */
  | { readonly code: 'HOLDER_HOT'; readonly serial: string; readonly until: string }
  /** The library has a collet whose size is nearer above the shank. */
  | { readonly code: 'COLLET_NOT_NEAREST'; readonly has: string; readonly better: string }
  // of the stock
  | { readonly code: 'NONE_IN_STOCK'; readonly name: string }
