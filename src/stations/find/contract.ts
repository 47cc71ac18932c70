/** Looking for anything by a few letters of it. */
import { z } from 'zod'
import { contract } from '../contract'

export type FoundKind = 'tool' | 'job' | 'definition' | 'part' | 'holder' | 'machine'

export interface Found {
  readonly kind: FoundKind
  /** The number, mark or key it is known by. */
  readonly id: string
  readonly name: string
  /** Its page. */
  readonly href: string
}

export const findAnything = contract<readonly Found[]>()(z.object({ words: z.string().max(80) }))
