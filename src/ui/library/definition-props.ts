import type { Definition } from '@/core/tool'
import { type Result } from '@/core/units'
import type { Ask } from '@/stations/contract'
import type * as library from '@/stations/library/contract'
import { type Typed } from './definition-text'

export interface DefinitionFormProps {
  /** The version to change; null for a new tool. */
  readonly definition: Definition | null
  /** What is known of a new tool, such as from the program that calls it. */
  readonly suggested?: Partial<Pick<Typed, 't' | 'name' | 'DC' | 'machines'>>
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly save: (definition: Definition) => Promise<Result<{ id: string; version: number }, { text: string }>>
  readonly readContour: Ask<typeof library.readContour>
  readonly readArchetype: Ask<typeof library.readArchetype>
}
