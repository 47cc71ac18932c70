import type { ChainFault, ChainState, SealFault, SealState } from '@/core/tool'
import { Say } from '../common/sheet'
import { formatWhen } from '../format/due'
import { say } from '@/words/screens/records'

const FAULT: Readonly<Record<ChainFault | SealFault, string>> = {
  changed: say.wasChangedAfterItWas,
  missing: say.isMissing,
  'not chained': say.hasNoHash,
  'not sealed': say.hasNoHash,
}

const ROWS: Readonly<Record<string, string>> = {
  measurement: say.measurement,
  handover: say.handOver,
  move: say.booking,
  assembly: say.build,
  bench_check: say.check,
}

/** Whether the record is as it was written. */
export function RecordState({
  state,
  seals,
  more,
  walked,
  wholeAt,
}: {
  readonly state: ChainState
  /** What was found when all rows that nobody may change were last looked at; null before the first time. */
  readonly seals: SealState | null
  /** New entries are left to look at. */
  readonly more: boolean
  /** How far the check of all entries has come; null while none is under way. */
  readonly walked: number | null
  /** When all entries were last checked; null before the first time since the start. */
  readonly wholeAt: string | null
}) {
  if (!state.whole)
    return (
      <Say tone="off" lead={say.entryFault(state.seq, FAULT[state.fault])} role="alert">
        {say.entriesBeforeItCanBe}
      </Say>
    )
  if (seals && !seals.whole)
    return (
      <Say tone="off" lead={say.rowFault(ROWS[seals.table] ?? seals.table, seals.id, FAULT[seals.fault])} role="alert">
        {say.rowsBeforeItCanBe}
      </Say>
    )
  return (
    <p className="text-holds text-lg font-semibold">
      <span aria-hidden="true">●</span>{' '}
      {say.recordIntact(more ? say.checkedUpToEntry(state.entries) : say.entryCount(state.entries))}
      <small className="figures text-soft ml-2 font-normal">
        {walked !== null && walked > 0
          ? `checking all again: ${walked.toLocaleString('en')} so far`
          : wholeAt
            ? say.allChecked(formatWhen(wholeAt))
            : ''}
      </small>
    </p>
  )
}
