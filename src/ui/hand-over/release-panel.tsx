'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { readScan } from '@/codecs/label-text'
import type { Result } from '@/core/units'
import { BigAction, ScanAction } from '../common/actions'
import { Say } from '../common/sheet'
import { useScans, useShell, type ScanSaid } from '../shell/shell-context'

export interface ReleaseProps {
  readonly serial: string
  readonly machine: string | null
  readonly t: number | null
  /** Given at the bench; null while nobody said. */
  readonly pocket: number | null
  /** How many the machine has; null without a machine. */
  readonly pockets: number | null
  readonly against: readonly { readonly code: string; readonly text: string; readonly leadMay: boolean }[]
  readonly postProblem: string | null
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly release: (given: {
    serial: string
    scanned: string
    machine?: string
    t?: number
    pocket?: number
    reason?: string
  }) => Promise<Result<{ id: number; issue: number }, { text: string }>>
}

/** Releases by a scan of the tool's own mark; shows what stands against it. */
export function ReleasePanel({ serial, machine, t, pocket, pockets, against, postProblem, machines, release }: ReleaseProps) {
  const { person } = useShell()
  const router = useRouter()
  const [refused, setRefused] = useState<string | null>(null)
  const [reason, setReason] = useState('')
  const [newT, setNewT] = useState('')
  const mayOverrule = person?.role === 'lead' && against.length > 0 && against.every((r) => r.leadMay)
  useScans(async (raw): Promise<ScanSaid | null> => {
    const scan = readScan(raw)
    if (scan.type !== 'plain' || !/^[A-Z]{2}\d+/i.test(scan.text)) return null
    const scanned = scan.text.toUpperCase()
    const done = await release({
      serial,
      scanned,
      machine: machine ?? undefined,
      t: t ?? undefined,
      pocket: pocket ?? undefined,
      reason: reason || undefined,
    })
    if (!done.ok) {
      setRefused(done.error.text)
      return { title: scanned, text: done.error.text, tone: 'off' }
    }
    return {
      title: serial,
      text: `hand-over ${done.value.issue} released; print its label and hang it on`,
      tone: 'holds',
      href: `/hand-over/${serial}?released=${done.value.id}`,
    }
  })
  const needs = (code: string) => against.some((r) => r.code === code)
  const field = 'border-ink bg-paper h-11 w-full rounded-[3px] border-[1.5px] px-3 text-lg'
  const go = (query: Record<string, string>) => {
    const all = new URLSearchParams({
      ...(machine ? { machine } : {}),
      ...(t !== null ? { t: String(t) } : {}),
      ...(pocket !== null ? { pocket: String(pocket) } : {}),
      ...query,
    })
    router.push(`/hand-over/${serial}?${all.toString()}`)
  }
  return (
    <div className="mt-auto">
      {needs('NO_MACHINE') && (
        <label className="mb-2 block text-lg font-semibold">
          For which machine?
          <select
            className={field}
            defaultValue=""
            onChange={(event) => event.target.value && go({ machine: event.target.value })}
          >
            <option value="">choose …</option>
            {machines.map((m) => (
              <option key={m.key} value={m.key}>
                {m.name}
              </option>
            ))}
          </select>
        </label>
      )}
      {needs('NO_T') && (
        <label className="mb-2 block text-lg font-semibold">
          T number
          <span className="flex gap-2">
            <input
              className={field}
              inputMode="numeric"
              value={newT}
              onChange={(event) => setNewT(event.target.value.replace(/\D/g, ''))}
            />
            <button
              type="button"
              className="border-ink h-11 rounded-[3px] border-[1.5px] px-4 text-lg font-semibold"
              disabled={!newT}
              onClick={() => go({ t: newT })}
            >
              Set
            </button>
          </span>
        </label>
      )}
      {pockets !== null && t !== null && (
        <label className="mb-2 flex items-center justify-between gap-3 text-lg font-semibold">
          Pocket, where it is given here
          <input
            key={pocket}
            className={`${field} figures w-24!`}
            inputMode="numeric"
            aria-label="Pocket"
            placeholder={needs('NO_REGISTER') ? '' : 'later'}
            defaultValue={pocket ?? ''}
            onBlur={(event) => {
              const text = event.target.value.replace(/\D/g, '')
              if (text !== String(pocket ?? '')) go({ pocket: text })
            }}
          />
        </label>
      )}
      {against.map((r) => (
        <Say key={r.code} tone={r.leadMay ? 'unsure' : 'off'} lead={r.leadMay ? 'Unsure.' : 'Held back.'}>
          {r.text}
        </Say>
      ))}
      {postProblem && (
        <Say tone="off" lead="The post does not hold." role="alert">
          {postProblem}
        </Say>
      )}
      {mayOverrule && (
        <label className="mb-2 block text-lg font-semibold">
          Why it may go all the same
          <input className={field} value={reason} onChange={(event) => setReason(event.target.value)} />
        </label>
      )}
      {refused && (
        <Say tone="off" lead="Not released." role="alert">
          {refused}
        </Say>
      )}
      {against.length === 0 && !postProblem && !refused && (
        <Say tone="holds" lead="Nothing stands against it.">
          The control’s table would hold what was measured. Scan the holder to freeze these figures under a number.
        </Say>
      )}
      {(against.length && !mayOverrule) || postProblem ? (
        <BigAction onAct={() => router.push(`/measure/${serial}`)}>Back to Measure</BigAction>
      ) : (
        <ScanAction>Scan {serial} to release</ScanAction>
      )}
    </div>
  )
}
