import { STEP_KINDS, type Block, type StepKind } from '@/core/schedule'

/** A row of the plan: a kind of work, several where more than one goes on at once. */
export interface Lane {
  readonly kind: StepKind
  /** From 1; null where there is only one. */
  readonly number: number | null
  readonly blocks: readonly Block[]
}

/** Blocks of each kind on as few rows as they need, so that none covers another. */
export function lanesOf(blocks: readonly Block[]): readonly Lane[] {
  return STEP_KINDS.flatMap((kind) => {
    const lanes: Block[][] = []
    const own = blocks.filter((b) => b.kind === kind).sort((a, b) => a.fromMin - b.fromMin)
    for (const block of own) {
      const free = lanes.find((lane) => lane[lane.length - 1].toMin <= block.fromMin + 1e-9)
      if (free) free.push(block)
      else lanes.push([block])
    }
    return lanes.map((all, i): Lane => ({ kind, number: lanes.length > 1 ? i + 1 : null, blocks: all }))
  })
}
