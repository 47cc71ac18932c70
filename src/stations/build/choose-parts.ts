import type { StackPart } from '@/core/fits'
import { FETCHED, type Definition, type PartLine } from '@/core/tool'
import type { Db } from '@/db/connection'
import { componentOf, type HolderRead } from '@/db/library/read'
import { balanceOf, listTaken } from '@/db/stock/read'

export interface ChosenPart extends StackPart {
  readonly line: PartLine
  /** Pieces that lie in their places, and pieces fetched for this job. */
  readonly onHand: number
  readonly fetched: number
}

/**
 * The parts a tool would be built of now: of first choice and alternatives the first there is enough of; the first choice
 * when there is none. @param holder the piece that was scanned, whose type counts
 */
export function chooseParts(db: Db, definition: Definition, jobId: string | null, holder: HolderRead | null): ChosenPart[] {
  const taken = listTaken(db).filter((t) => t.job === jobId)
  return definition.parts.map((line): ChosenPart => {
    const options = [line.component, ...line.alternatives].map((id) => ({
      id,
      onHand: balanceOf(db, id).hand,
      fetched: taken.find((t) => t.component === id)?.count ?? 0,
    }))
    const enough = FETCHED.includes(line.role) ? options.find((o) => o.onHand + o.fetched >= line.count) : undefined
    const own = line.role === 'holder' && holder?.component ? { id: holder.component, onHand: 0, fetched: 0 } : undefined
    const { id, onHand, fetched } = own ?? enough ?? options[0]
    return { line, component: componentOf(db, id), count: line.count, onHand, fetched }
  })
}
