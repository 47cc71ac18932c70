'use client'
import { pocketText } from '@/words/pocket'
import Link from '../common/link'
import { useGo } from '../common/going'
import { readScan } from '@/codecs/label-text'
import { ScanAction } from '../common/actions'
import { Cautions, Say, Sheet, Title } from '../common/sheet'
import { useScans, type ScanSaid } from '../shell/shell-context'
import { say } from '@/words/screens/return'

interface Inside {
  readonly serial: string
  readonly t: number | null
  readonly name: string
  readonly machine: string
  readonly pocket: number | null
  readonly cutMin: number
}

/** What stands in the machines; a scan of a holder that came out opens its sheet. */
export function InMachines({ asked, tools }: { readonly asked: string | null; readonly tools: readonly Inside[] }) {
  const router = useGo()
  useScans((raw): ScanSaid | null => {
    const scan = readScan(raw)
    if (scan.type !== 'plain') return null
    const tool = tools.find((t) => t.serial === scan.text.toUpperCase())
    if (!tool) return null
    router.push(`/return?serial=${tool.serial}`)
    return { title: tool.serial, text: say.tOutOf(tool.t ?? '–', tool.machine), tone: 'todo' }
  })
  return (
    <Sheet
      left={
        <>
          <Title lead={say.returnWord}>{say.scanTheHolderThatComes}</Title>
          {asked && (
            <Say tone="unsure" lead={say.isInNoMachine(asked)}>
              {say.thereIsNothingToUnload}
            </Say>
          )}
          {tools.length === 0 ? (
            <p className="text-soft text-lg">{say.thereIsNoToolIn}</p>
          ) : (
            <ul className="max-w-[760px]">
              {tools.map((tool) => (
                <li key={tool.serial} className="border-rule border-b">
                  <Link
                    className="grid min-h-14 grid-cols-[76px_1fr_auto] items-center gap-3"
                    href={`/return?serial=${tool.serial}`}
                  >
                    <b className="font-head figures text-[26px]">{tool.t === null ? '–' : `T${tool.t}`}</b>
                    <span className="flex flex-col leading-tight">
                      <span className="text-lg font-semibold">{tool.name}</span>
                      <small className="text-soft">{tool.serial}</small>
                    </span>
                    <span className="text-soft figures text-lg">
                      {tool.machine}, {pocketText(tool.pocket)}
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          )}
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.returningATool}</h2>
          <p className="mt-2 text-lg">{say.boulderReadsItsWearFrom}</p>
          <Cautions lines={[say.neverReachInWhileThe, say.afterCuttingItIsHot]} />
          <div className="mt-auto pt-3">
            <ScanAction>{say.scanTheHolder}</ScanAction>
          </div>
        </>
      }
    />
  )
}
