import type { ChainFault, ChainState } from '@/core/tool'
import { Say } from '../common/sheet'
import { formatWhen } from '../format/due'

const FAULT: Readonly<Record<ChainFault, string>> = {
  changed: 'was changed after it was written',
  missing: 'is missing',
  'not chained': 'has no hash',
}

/** Whether the record is as it was written. */
export function RecordState({
  state,
  more,
  walked,
  wholeAt,
}: {
  readonly state: ChainState
  /** New entries are left to look at. */
  readonly more: boolean
  /** How far the check of all entries has come; null while none is under way. */
  readonly walked: number | null
  /** When all entries were last checked; null before the first time since the start. */
  readonly wholeAt: string | null
}) {
  if (!state.whole)
    return (
      <Say tone="off" lead={`Entry ${state.seq} ${FAULT[state.fault]}.`} role="alert">
        Entries before it can be trusted, later ones cannot. Copy the data folder now and compare it with the last backup.
      </Say>
    )
  return (
    <p className="text-holds text-lg font-semibold">
      <span aria-hidden="true">●</span> Record intact:{' '}
      {more ? `checked up to entry ${state.entries}` : `${state.entries} entries`}
      <small className="figures text-soft ml-2 font-normal">
        {walked !== null && walked > 0
          ? `checking all again: ${walked.toLocaleString('en')} so far`
          : wholeAt
            ? `all checked ${formatWhen(wholeAt)}`
            : ''}
      </small>
    </p>
  )
}
