'use client'
import Link from '../common/link'
import { useState, type SetStateAction, type Dispatch } from 'react'
import { readScan } from '@/codecs/label-text'
import type { PickLine, PickList } from '@/core/plan'
import type { StoreUnit } from '@/core/tool'
import { BigAction, RowAction, SmallAction, SmallActions } from '../common/actions'
import { NumberField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct, type Run } from '../common/use-act'
import { useScans, useShell, type ScanSaid } from '../shell/shell-context'
import { keyOf, lineNow, lineOf, toTake } from './machine'
import { Plan } from '../store/plan'
import type { Ask, Said } from '@/stations/contract'
import type * as kit from '@/stations/kit/contract'
import { say } from '@/words/screens/kit'
import type { Result } from '@/core/units'

export interface PickPanelProps {
  readonly job: string
  readonly complete: readonly { readonly t: number; readonly serial: string; readonly place: string; readonly stale: boolean }[]
  readonly list: PickList
  readonly names: Readonly<Record<string, string>>
  readonly taken: readonly { readonly component: string; readonly count: number }[]
  readonly units: readonly StoreUnit[]
  readonly floor: { readonly width: number; readonly height: number }
  /** Free holders by type: they are taken by the scan that begins the build. */
  readonly holders: Readonly<Record<string, readonly string[]>>
  readonly take: Ask<typeof kit.takePart>
  readonly putBack: Ask<typeof kit.putBack>
  readonly short: Ask<typeof kit.shortPick>
}

/** What to fetch, in walking order: a scan of the drawer or the part takes it, the big button takes the next. */
export function PickPanel(props: PickPanelProps) {
  const { job, complete, list, names, taken, units, floor, holders, take, putBack, short } = props
  const { busy, problem, run, setProblem } = useAct()
  const [chosen, setChosen] = useState<string | null>(null)
  const [found, setFound] = useState<string | null>(null)
  const parts = toTake(list.lines, holders)
  const line = lineNow(parts, chosen)
  const takeLine = (l: PickLine) => take({ job, component: l.component, count: l.count, place: l.place })

  const { actions } = useShell()
  useScans(async (raw): Promise<ScanSaid | null> => {
    const found = lineOf(readScan(raw), parts)
    if (!found) {
      const said = await actions.answerScan(raw)
      if (said.kind !== 'part' && said.kind !== 'place') return said
      const text = parts.length
        ? say.notOnTheListNext(said.text, names[parts[0].component] ?? parts[0].component, parts[0].place)
        : say.notOnTheListEverything(said.text)
      setProblem(text)
      return { title: said.title, text, tone: 'off' }
    }
    const done = await takeLine(found)
    setProblem(done.ok ? null : done.error.text)
    return { title: found.place, text: done.ok ? done.value.text : done.error.text, tone: done.ok ? 'holds' : 'off' }
  })

  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <h2 className="text-2xl font-bold">
        {list.lines.length + complete.length ? say.pick : say.nothingToPick}{' '}
        <span className="text-soft font-medium">
          {list.lines.length + complete.length ? say.inWalkingOrder : say.forWhatCanBeBuilt}
        </span>
      </h2>
      <div className="grid min-h-0 flex-1 grid-rows-[minmax(120px,1fr)_auto] max-[1100px]:grid-cols-2 max-[1100px]:grid-rows-[minmax(0,270px)] max-[1100px]:gap-4">
        <ul className="max-h-full min-h-[120px] overflow-auto" tabIndex={0} aria-label={say.pickList}>
          <Complete complete={complete} />
          {taken.map(({ component, count }) => (
            <li key={`taken-${component}`} className="border-rule flex min-h-11 items-center gap-3 border-b">
              <span className="text-holds font-head w-[62px] shrink-0 text-lg font-semibold">{say.here}</span>
              <span className="text-soft min-w-0 flex-1 leading-tight line-through">{names[component] ?? component}</span>
              <RowAction onAct={() => void run(() => putBack({ job, component, count }))}>{say.putBack(count)}</RowAction>
            </li>
          ))}
          <Lines list={list} holders={holders} line={line} setChosen={setChosen} names={names} />
          {list.short.map(({ component, count, purposes }) => (
            <li key={`short-${component}`} className="border-rule flex min-h-11 items-center gap-3 border-b">
              <span className="text-off font-head w-[62px] shrink-0 text-lg font-semibold">{say.short}</span>
              <span className="min-w-0 flex-1 leading-tight">
                {names[component] ?? component} <small className="text-soft block text-[14px]">{purposes.join(', ')}</small>
              </span>
              <span className="figures pr-2 text-lg font-semibold">{count}</span>
            </li>
          ))}
        </ul>
        <div className="mt-2 max-[1100px]:mt-0">
          <Plan
            units={units}
            width={floor.width}
            height={floor.height}
            round={list.round}
            lit={line?.unit ?? null}
            title={line ? say.wayTo(line.unit) : say.theStore}
          />
        </div>
      </div>
      <Problem lead={say.notPicked} text={problem} />
      <TakeNext
        line={line}
        run={run}
        takeLine={takeLine}
        busy={busy}
        names={names}
        setFound={setFound}
        found={found}
        job={job}
        short={short}
      />
    </div>
  )
}

/** The next one is taken, or is not where it should be. */
function TakeNext({
  line,
  run,
  takeLine,
  busy,
  names,
  setFound,
  found,
  job,
  short,
}: {
  readonly line: PickLine | undefined
  readonly run: Run
  readonly takeLine: (l: PickLine) => Promise<Result<{ text: string }, Said>>
  readonly busy: boolean
  readonly names: PickPanelProps['names']
  readonly setFound: Dispatch<SetStateAction<string | null>>
  readonly found: string | null
  readonly job: PickPanelProps['job']
  readonly short: PickPanelProps['short']
}) {
  return (
    line && (
      <div className="mt-2.5">
        <BigAction onAct={() => void run(() => takeLine(line))} disabled={busy} hint={say.scanOrSpace}>
          {say.pickCount(line.count > 1 ? `${line.count} × ` : '', names[line.component] ?? line.component)}
        </BigAction>
        <SmallActions>
          <SmallAction onAct={() => setFound(found === null ? '0' : null)}>{say.shortCountAgain}</SmallAction>
          <SmallAction href={`/kit/${encodeURIComponent(job)}/fetch`}>{say.list}</SmallAction>
          <SmallAction href={`/kit/${encodeURIComponent(job)}/setup`}>{say.setupSheet}</SmallAction>
        </SmallActions>
        {found !== null && (
          <div className="mt-2.5 flex items-end gap-2.5">
            <NumberField
              label={say.howManyAreIn(line.place)}
              decimals={false}
              value={found}
              onChange={(e) => setFound(e.target.value)}
            />
            <SmallAction
              onAct={() =>
                void run(
                  () => short({ component: line.component, place: line.place, found: /^\d+$/.test(found) ? Number(found) : -1 }),
                  () => setFound(null),
                )
              }
            >
              {say.counted}
            </SmallAction>
          </div>
        )}
      </div>
    )
  )
}

/** Tools that are complete already: they are only put on the cart. */
function Complete({ complete }: { readonly complete: PickPanelProps['complete'] }) {
  return complete.map(({ t, serial, place, stale }) => (
    <li key={serial} className="border-rule border-b">
      <Link href={`/tools/${serial}`} className="flex min-h-11 items-center gap-3">
        <span className="figures w-[62px] shrink-0 text-lg font-bold">{place}</span>
        <span className="min-w-0 flex-1 py-1 leading-tight">
          {say.tComplete(t)}{' '}
          <small className="text-soft block text-[14px]">
            {serial}
            {stale ? say.measureAgainFirst : say.putOnTheCart}
          </small>
        </span>
      </Link>
    </li>
  ))
}

/** What is still to be fetched. */
function Lines({
  list,
  holders,
  line,
  setChosen,
  names,
}: {
  readonly list: PickPanelProps['list']
  readonly holders: PickPanelProps['holders']
  readonly line: PickLine | undefined
  readonly setChosen: Dispatch<SetStateAction<string | null>>
  readonly names: PickPanelProps['names']
}) {
  return list.lines.map((l) => {
    const free = holders[l.component]
    return (
      <li key={keyOf(l)} className={`border-rule border-b ${l === line ? 'bg-ground' : ''}`}>
        <button
          type="button"
          disabled={!!free}
          className="flex min-h-11 w-full items-center gap-3 text-left"
          onClick={() => setChosen(keyOf(l))}
        >
          <span className="figures w-[62px] shrink-0 text-lg font-bold">{l.place}</span>
          <span className="min-w-0 flex-1 py-1 leading-tight font-normal">
            <span className="font-sans">{names[l.component] ?? l.component}</span>{' '}
            <small className="text-soft block font-sans text-[14px]">
              {l.purposes.join(', ')}
              {free ? say.anyOfScanItAt(free.slice(0, 3).join(', ')) : ''}
            </small>
          </span>
          <span className="figures pr-2 text-lg font-semibold">{l.count}</span>
        </button>
      </li>
    )
  })
}
