import type { PocketState } from '@/core/load'
import { SPINDLE } from '@/core/tool'
import { BigAction, SmallActions } from '../common/actions'
import { FIELD } from '../common/form'
import { Say } from '../common/sheet'
import type { LoadMachine } from './load-props'

/** Claims the pocket, and turns the magazine to it where that can be asked for. */
export function BeginStep({
  machine,
  pocket,
  busy,
  begin,
}: {
  readonly machine: LoadMachine
  readonly pocket: number
  readonly busy: boolean
  readonly begin: () => void
}) {
  const turns = pocket !== SPINDLE && !machine.typed
  const [lead, button] =
    pocket === SPINDLE
      ? ['By hand into the spindle.', 'Start: into the spindle']
      : machine.typed
        ? [`Put it into pocket ${pocket}.`, `Start: pocket ${pocket}`]
        : [`The magazine turns to pocket ${pocket}.`, `Turn to pocket ${pocket}`]
  return (
    <>
      <Say tone="todo" lead={lead}>
        {turns ? 'Door shut, nobody inside. The magazine moves when you press.' : 'The pocket is reserved for it now.'}
      </Say>
      <BigAction onAct={begin} disabled={busy}>
        {busy ? 'Reserving the pocket …' : button}
      </BigAction>
    </>
  )
}

/** Another pocket than the proposed one, for fingers: the drawing's are too small for gloves. */
export function PocketChoice({
  pockets,
  pocket,
  choose,
}: {
  readonly pockets: readonly PocketState[]
  readonly pocket: number | null
  readonly choose: (pocket: number) => void
}) {
  return (
    <SmallActions>
      <select
        className={`${FIELD} mt-0! flex-1`}
        aria-label="Another pocket"
        value={pocket ?? ''}
        onChange={(e) => choose(Number(e.target.value))}
      >
        {pocket === null && <option value="">no pocket</option>}
        {pockets
          .filter((p) => p.type === 'free' || p.pocket === pocket)
          .map((p) => (
            <option key={p.pocket} value={p.pocket}>
              Pocket {p.pocket}
            </option>
          ))}
        <option value={SPINDLE}>By hand, spindle</option>
      </select>
    </SmallActions>
  )
}
