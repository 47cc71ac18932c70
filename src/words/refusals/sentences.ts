import type { LengthUnit, Units } from '@/core/units'

/** One sentence for each code, from what belongs to it; the compiler misses none. */
export type Sentences<T> = { readonly [K in keyof T]: (data: T[K], unit: LengthUnit, units: Units) => string }
