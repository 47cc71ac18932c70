import { useState } from 'react'
import { say } from '@/words/screens/at-machine'
import { BigAction, Choices } from '../common/actions'
import { SelectField } from '../common/form'
import { Problem, Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { AtMachineProps } from './at-machine-props'

const WEAR = [
  { key: 'zero', name: say.wearZero },
  { key: 'as probed', name: say.wearProbed },
] as const

/** An insert turned or changed while its tool stays in the machine. */
export function InsertForm({ inside, change }: Pick<AtMachineProps, 'inside' | 'change'>) {
  const { busy, problem, run } = useAct()
  const [serial, setSerial] = useState(inside[0]?.serial ?? '')
  const [edge, setEdge] = useState(1)
  const [wear, setWear] = useState<'zero' | 'as probed'>('zero')
  const tool = inside.find((one) => one.serial === serial)
  if (!tool) return <p className="text-soft mt-3">{say.noInsertsInside}</p>
  return (
    <>
      <div className="mt-2 flex flex-col gap-2">
        <SelectField
          label={say.tool}
          value={serial}
          onChange={(event) => {
            setSerial(event.target.value)
            setEdge(1)
          }}
        >
          {inside.map((one) => (
            <option key={one.serial} value={one.serial}>
              {say.toolLine(one.t, one.name, one.serial)}
            </option>
          ))}
        </SelectField>
        <SelectField label={say.edgeNow} value={edge} onChange={(event) => setEdge(Number(event.target.value))}>
          {Array.from({ length: tool.edges }, (_, i) => (
            <option key={i} value={i + 1}>
              {say.edgeOf(i + 1, tool.edges)}
            </option>
          ))}
        </SelectField>
        <span className="font-head text-lg font-semibold">{say.wearIs}</span>
        <Choices label={say.wearIs} all={WEAR} taken={wear} take={setWear} />
      </div>
      <div className="mt-auto pt-2">
        <Problem lead={say.notSaved} text={problem} />
        <Say tone="unsure" lead={wear === 'as probed' ? say.leavesWear : tool.typed ? say.zeroByHand : say.writesWear}>
          {say.measuredLater}
        </Say>
        <BigAction
          disabled={busy}
          onAct={() => void run(() => change({ serial, edge, wear, version: tool.version }), undefined, say.insertSaved(tool.t))}
        >
          {say.changeInsert}
        </BigAction>
      </div>
    </>
  )
}
