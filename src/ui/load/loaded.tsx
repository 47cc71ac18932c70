import { useRouter } from 'next/navigation'
import type { CheckRow } from '@/core/handover'
import { SPINDLE } from '@/core/tool'
import { BigAction } from '../common/actions'
import { Cautions, Say } from '../common/sheet'
import { CheckTable } from '../hand-over/check-table'
import { CAUTIONS } from './cautions'
import type { LoadMachine } from './load-props'

export interface LoadDone {
  readonly pocket: number
  readonly rows: readonly CheckRow[]
  readonly machine: LoadMachine
}

/** What was read back, and what to do with the label. */
export function Loaded({ done: { pocket, rows, machine } }: { readonly done: LoadDone }) {
  const router = useRouter()
  return (
    <>
      <h2 className="text-2xl font-bold">
        {machine.typed ? 'Read back by eye from' : 'Read back from'} {machine.name}
      </h2>
      <div className="overflow-x-auto" tabIndex={0}>
        <CheckTable rows={rows} decimals={machine.decimals} heldName="control holds" />
      </div>
      <Cautions lines={CAUTIONS.slice(1)} />
      <div className="mt-auto">
        <Say
          tone="holds"
          lead={`${pocket === SPINDLE ? 'In the spindle' : `In pocket ${pocket}`}, ${machine.typed ? 'figures typed' : 'offsets written'} and read back.`}
          role="status"
        >
          Take the label off its clip. Check by eye that it is this tool: no switch can tell.
        </Say>
        <BigAction onAct={() => router.push(`/load?machine=${machine.key}`)}>Next tool for {machine.name}</BigAction>
      </div>
    </>
  )
}
