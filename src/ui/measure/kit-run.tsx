'use client'
import Link from '../common/link'
import { useGo } from '../common/going'
import { readScan } from '@/codecs/label-text'
import type { Verdict } from '@/core/judge'
import type { Coupling, ToolState } from '@/core/tool'
import { BigAction, ScanAction } from '../common/actions'
import { Say, Sheet, Title } from '../common/sheet'
import { VerdictMark } from '../common/verdict'
import { useScans, type ScanSaid } from '../shell/shell-context'
import { say } from '@/words/screens/measure'

interface KitTool {
  readonly serial: string
  readonly t: number | null
  readonly name: string
  readonly coupling: Coupling
  readonly state: ToolState
  /** Of its last measurement; null while it waits for one. */
  readonly verdict: Verdict | null
}

/** A whole kit measured tool after tool: it asks only for the next one. */
export function KitRun({ job, tools }: { readonly job: string; readonly tools: readonly KitTool[] }) {
  const router = useGo()
  const waiting = tools.filter((t) => t.state === 'built')
  const next = waiting[0]
  const open = (serial: string) => `/measure/${serial}?kit=${encodeURIComponent(job)}`

  useScans((raw): ScanSaid | null => {
    const scan = readScan(raw)
    if (scan.type !== 'plain') return null
    const tool = tools.find((t) => t.serial === scan.text.toUpperCase())
    if (!tool) return null
    if (tool.state === 'loaded') return { title: tool.serial, text: say.isInTheMachineUnload, tone: 'off' }
    return { title: tool.serial, text: say.tIsOnTheSpindle(tool.t ?? '–'), tone: 'todo', href: open(tool.serial) }
  })

  return (
    <Sheet
      left={
        <>
          <Title lead={say.measureJob(job)}>{say.toolAfterTool}</Title>
          {tools.length === 0 && <p className="text-soft text-lg">{say.noToolOfThisJob}</p>}
          <ol className="max-w-[760px]">
            {tools.map((tool) => (
              <li
                key={tool.serial}
                className={`border-rule grid min-h-14 grid-cols-[76px_1fr_auto] items-center gap-3 border-b ${tool === next ? 'border-l-act border-l-[5px] bg-[var(--color-base-200)]' : ''}`}
              >
                <b className="font-head figures pl-2 text-[26px]">{tool.t === null ? '–' : `T${tool.t}`}</b>
                <Link className="flex min-h-12 flex-col justify-center leading-tight" href={open(tool.serial)}>
                  <span className="text-lg font-semibold">{tool.name}</span>
                  <small className="text-soft">
                    {tool.serial} · {tool.coupling}
                  </small>
                </Link>
                <span className="pr-2 text-lg font-semibold">
                  {tool.verdict ? (
                    <VerdictMark verdict={tool.verdict} />
                  ) : tool.state === 'built' ? (
                    <span className="text-act">{say.toMeasure}</span>
                  ) : (
                    <span className="text-soft">{say.measuredNotJudged}</span>
                  )}
                </span>
              </li>
            ))}
          </ol>
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">
            {waiting.length === 0 ? say.allMeasured : waiting.length === 1 ? say.oneToolToGo : say.toolsToGo(waiting.length)}
          </h2>
          {next ? (
            <p className="mt-2 text-lg">
              {say.cleanAndClamp} <b>T{next.t ?? '–'}</b>
              {say.thenScanItsHolderThe(next.name)}
            </p>
          ) : (
            <p className="mt-2 text-lg">{say.allToolsOfThisJob}</p>
          )}
          <div className="mt-auto pt-3">
            {tools.some((t) => t.verdict === 'off') && (
              <Say tone="off" lead={say.oneIsOutOfTolerance}>
                {say.correctItAndMeasureIt}
              </Say>
            )}
            {next ? (
              <ScanAction>{say.scanSerial(next.serial)}</ScanAction>
            ) : (
              <BigAction onAct={() => router.push('/hand-over')}>{say.goToHandOver}</BigAction>
            )}
          </div>
        </>
      }
    />
  )
}
