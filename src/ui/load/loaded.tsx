import { useGo } from '../common/going'
import type { CheckRow } from '@/core/handover'
import { SPINDLE } from '@/core/tool'
import { BigAction } from '../common/actions'
import { Cautions, Say } from '../common/sheet'
import { CheckTable } from '../hand-over/check-table'
import { CAUTIONS } from './cautions'
import type { LoadMachine } from './load-props'
import { say } from '@/words/screens/load'

export interface LoadDone {
  readonly pocket: number
  readonly rows: readonly CheckRow[]
  readonly machine: LoadMachine
}

/** What was read back, and what to do with the label. */
export function Loaded({ done: { pocket, rows, machine } }: { readonly done: LoadDone }) {
  const router = useGo()
  return (
    <>
      <h2 className="text-2xl font-bold">
        {machine.typed ? say.readBackByEyeFrom : say.readBackFrom} {machine.name}
      </h2>
      <div className="overflow-x-auto" tabIndex={0}>
        <CheckTable rows={rows} decimals={machine.decimals} heldName={say.controlHolds} />
      </div>
      <Cautions lines={CAUTIONS.slice(1)} />
      <div className="mt-auto">
        <Say
          tone="holds"
          lead={say.andReadBack(
            pocket === SPINDLE ? say.inTheSpindle : say.inPocket(pocket),
            machine.typed ? 'figures typed' : say.offsetsWritten,
          )}
          role="status"
        >
          {say.takeTheLabelOffIts}
        </Say>
        <BigAction onAct={() => router.push(`/load?machine=${machine.key}`)}>{say.nextToolFor(machine.name)}</BigAction>
      </div>
    </>
  )
}
