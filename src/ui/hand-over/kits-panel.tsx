'use client'
import Link from '../common/link'
import { useState } from 'react'
import { SmallAction } from '../common/actions'
import { Problem, Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import { DropSaid, useDrop, type DropAction } from './drop-panel'
import type { Ask } from '@/stations/contract'
import type * as handOver from '@/stations/hand-over/contract'
import { say } from '@/words/screens/hand-over'

export interface KitOfMachine {
  readonly machine: string
  readonly name: string
  readonly tools: readonly {
    readonly handover: number
    readonly serial: string
    readonly t: number
    readonly name: string
    readonly job: string | null
  }[]
}

/** What is released and not loaded yet, machine by machine: labels and files of several tools at once. */
export type PrintAction = Ask<typeof handOver.printLabels>

/** Labels to the printer, and what became of them. */
export function usePrint(print: PrintAction) {
  const { busy, problem, run } = useAct()
  const [printed, setPrinted] = useState<string | null>(null)
  const put = (ids: number[]) => {
    setPrinted(null)
    void run(
      () => print({ ids }),
      ({ printed: n, where }) => setPrinted(n === 1 ? say.theLabelIsIn(where) : say.labelsAreInTheSpool(n)),
    )
  }
  return { busy, problem, printed, put }
}

export function PrintSaid({ now }: { readonly now: ReturnType<typeof usePrint> }) {
  return (
    <>
      <Problem lead={say.notPrinted} text={now.problem} />
      {now.printed && (
        <Say tone="holds" lead={say.printed} role="status">
          {now.printed}
        </Say>
      )}
    </>
  )
}

export function KitsPanel({
  kits,
  drop,
  print,
}: {
  readonly kits: readonly KitOfMachine[]
  readonly drop: DropAction
  readonly print: PrintAction
}) {
  return (
    <>
      {kits.map((kit) => (
        <Kit key={kit.machine} kit={kit} drop={drop} print={print} />
      ))}
    </>
  )
}

function Kit({ kit, drop, print }: { readonly kit: KitOfMachine; readonly drop: DropAction; readonly print: PrintAction }) {
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set())
  const now = useDrop(drop)
  const labels = usePrint(print)
  const chosen = kit.tools.filter((t) => !left.has(t.handover)).map((t) => t.handover)
  const toggle = (id: number) => {
    const next = new Set(left)
    if (!next.delete(id)) next.add(id)
    setLeft(next)
  }
  return (
    <section className="mb-4">
      <h2 className="text-2xl font-bold">
        {kit.name}{' '}
        <small className="text-soft text-lg font-medium">
          {say.released(kit.tools.length === 1 ? say.oneTool : say.toolCount(kit.tools.length))}
        </small>
      </h2>
      <ul className="border-rule border-t">
        {kit.tools.map((tool) => (
          <li key={tool.handover} className="border-rule flex min-h-12 items-center gap-3 border-b">
            <label className="grid h-12 w-11 place-items-center">
              <input
                type="checkbox"
                className="checkbox checkbox-primary"
                checked={!left.has(tool.handover)}
                onChange={() => toggle(tool.handover)}
                aria-label={`T${tool.t} ${tool.serial}`}
              />
            </label>
            <b className="font-head figures w-14 text-xl">T{tool.t}</b>
            <Link className="text-act min-w-0 flex-1 truncate font-semibold" href={`/hand-over/${tool.serial}`}>
              {tool.name}
            </Link>
            <span className="text-soft">{tool.job ?? tool.serial}</span>
          </li>
        ))}
      </ul>
      <DropSaid drop={now} />
      <PrintSaid now={labels} />
      <div className="mt-2.5 flex gap-2.5">
        <SmallAction disabled={labels.busy || chosen.length === 0} onAct={() => labels.put(chosen)}>
          {say.printLabels}
        </SmallAction>
        <SmallAction disabled={now.busy || chosen.length === 0} onAct={() => now.put(chosen)}>
          {say.saveFileToFolder}
        </SmallAction>
        <SmallAction href={`/api/handovers/labels.pdf?on=sheet&ids=${chosen.join(',')}`}>{say.labelsOnA4}</SmallAction>
      </div>
    </section>
  )
}
