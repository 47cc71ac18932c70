'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { readScan } from '@/codecs/label-text'
import type { CheckRow } from '@/core/handover'
import type { Result } from '@/core/units'
import { BigAction, ScanAction, SmallAction, SmallActions } from '../common/actions'
import { Cautions, Say } from '../common/sheet'
import { CheckTable } from '../hand-over/check-table'
import { useScans, type ScanSaid } from '../shell/shell-context'

export interface LoadProps {
  /** For a terminal without a scanner at hand: the machine may be tapped. */
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly machine: { readonly key: string; readonly name: string; readonly decimals: number } | null
  readonly serial: string | null
  readonly label: string | null
  readonly ready: boolean
  readonly refused: string | null
  readonly pocket: number | null
  readonly load: (given: {
    machine: string
    serial: string
    label: string
  }) => Promise<Result<{ pocket: number; rows: readonly CheckRow[] }, { text: string }>>
}

const CAUTIONS = [
  'Never reach in while the magazine can turn. Edges capped, heavy tools by the lift.',
  'Afterwards: first approach slowly, single block, distance to go watched.',
]

/** Collects the three scans, sends the figures, and shows what the control holds afterwards. */
export function LoadPanel({ machines, machine, serial, label, ready, refused, pocket, load }: LoadProps) {
  const router = useRouter()
  const [done, setDone] = useState<{
    pocket: number
    rows: readonly CheckRow[]
    machine: NonNullable<LoadProps['machine']>
  } | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [sending, setSending] = useState(false)
  const go = (change: Record<string, string>) => {
    setProblem(null)
    const fresh = done !== null
    setDone(null)
    const kept = {
      ...(machine ? { machine: machine.key } : {}),
      ...(serial && !fresh ? { serial } : {}),
      ...(label && !fresh ? { label } : {}),
    }
    return `/load?${new URLSearchParams({ ...kept, ...change }).toString()}`
  }
  useScans((raw): ScanSaid | null => {
    const scan = readScan(raw)
    if (scan.type === 'machine') return { title: scan.key, text: 'machine', tone: 'todo', href: go({ machine: scan.key }) }
    if (scan.type === 'label')
      return {
        title: `Label of T${scan.label.t}`,
        text: `${scan.label.serial}, hand-over ${scan.label.issue}`,
        tone: 'todo',
        href: go({ label: scan.text }),
      }
    if (scan.type === 'plain' && /^[A-Z]{2}\d+/i.test(scan.text))
      return { title: scan.text.toUpperCase(), text: 'holder', tone: 'todo', href: go({ serial: scan.text.toUpperCase() }) }
    return null
  })
  const send = async () => {
    if (!machine || !serial || !label || sending) return
    setSending(true)
    setProblem(null)
    const answer = await load({ machine: machine.key, serial, label })
    setSending(false)
    if (answer.ok) {
      setDone({ ...answer.value, machine })
      router.refresh()
    } else setProblem(answer.error.text)
  }
  if (done)
    return (
      <>
        <h2 className="mt-4 text-2xl font-bold">Read back from {done.machine.name}</h2>
        <div className="overflow-x-auto" tabIndex={0}>
          <CheckTable rows={done.rows} decimals={done.machine.decimals} heldName="control holds" />
        </div>
        <Cautions lines={CAUTIONS.slice(1)} />
        <div className="mt-auto">
          <Say tone="holds" lead={`In pocket ${done.pocket}, offsets written and read back.`} role="status">
            Take the label off its clip. What is not watched here: whether the tool really stands in that pocket.
          </Say>
          <BigAction onAct={() => router.push(`/load?machine=${done.machine.key}`)}>Next tool for {done.machine.name}</BigAction>
        </div>
      </>
    )
  const missing = !machine ? 'Scan the machine' : !serial ? 'Scan the holder' : !label ? 'Scan the label' : null
  return (
    <>
      <Cautions lines={CAUTIONS} />
      <div className="mt-auto">
        {(problem ?? refused) && (
          <Say tone="off" lead="Not loaded." role="alert">
            {problem ?? refused}
          </Say>
        )}
        {ready && machine && !problem && (
          <Say tone="todo" lead={`Put it into pocket ${pocket}, then send.`}>
            Door open, magazine standing. The figures go to {machine.name} and are read back.
          </Say>
        )}
        {ready && machine ? (
          <BigAction onAct={() => void send()} disabled={sending}>
            {sending ? 'Writing and reading back …' : `Send to ${machine.name}`}
          </BigAction>
        ) : (
          <ScanAction>{missing ?? 'Scan another label'}</ScanAction>
        )}
        {!machine && (
          <SmallActions>
            {machines.map(({ key, name }) => (
              <SmallAction key={key} onAct={() => router.push(go({ machine: key }))}>
                {name}
              </SmallAction>
            ))}
          </SmallActions>
        )}
      </div>
    </>
  )
}
