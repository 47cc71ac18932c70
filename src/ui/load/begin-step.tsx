import type { PocketState } from '@/core/load'
import { SPINDLE } from '@/core/tool'
import { BigAction, SmallActions } from '../common/actions'
import { Say } from '../common/sheet'
import type { LoadMachine } from './load-props'
import { say } from '@/words/screens/load'

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
      ? [say.byHandIntoTheSpindle, say.startIntoTheSpindle]
      : machine.typed
        ? [say.putItIntoPocket(pocket), say.startPocket(pocket)]
        : [say.theMagazineTurnsToPocket(pocket), say.turnToPocket(pocket)]
  return (
    <>
      <Say tone="todo" lead={lead}>
        {turns ? say.doorShutNobodyInsideThe : say.thePocketIsReservedFor}
      </Say>
      <BigAction onAct={begin} disabled={busy}>
        {busy ? say.reservingThePocket : button}
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
        className="select flex-1"
        aria-label={say.anotherPocket}
        value={pocket ?? ''}
        onChange={(e) => choose(Number(e.target.value))}
      >
        {pocket === null && <option value="">{say.noPocket}</option>}
        {pockets
          .filter((p) => p.type === 'free' || p.pocket === pocket)
          .map((p) => (
            <option key={p.pocket} value={p.pocket}>
              {say.pocketNumber(p.pocket)}
            </option>
          ))}
        <option value={SPINDLE}>{say.byHandSpindle}</option>
      </select>
    </SmallActions>
  )
}
