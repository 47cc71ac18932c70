'use client'
import { useState } from 'react'
import { readScan } from '@/codecs/label-text'
import type { Result } from '@/core/units'
import { ScanAction } from '../common/actions'
import { Cautions, Say } from '../common/sheet'
import { useScans, type ScanSaid } from '../shell/shell-context'

const CAUTIONS = [
  'Hot metal looks like cold metal: gloves with cuffs, the cutter held by its shank or guard.',
  'One heat, then cool fully. Never quench by hand; solvent and oily rags away from the coil.',
  'Rings and watches off. People with any implant keep away from the coil.',
  'The unit’s own instructions and light come first: the later of light and times above counts.',
]

/** Confirms the build by a scan of the holder's own mark. */
export function BuildPanel(props: {
  readonly job: string
  readonly t: number
  readonly free: readonly string[]
  readonly blocked: readonly string[]
  readonly build: (given: {
    job: string
    t: number
    serial: string
  }) => Promise<Result<{ serial: string; touchAt: string }, { text: string }>>
}) {
  const { job, t, free, blocked, build } = props
  const [refused, setRefused] = useState<string | null>(null)
  useScans(async (raw): Promise<ScanSaid | null> => {
    const scan = readScan(raw)
    if (scan.type !== 'plain' || !/^[A-Z]{2}\d+/i.test(scan.text)) return null
    const serial = scan.text.toUpperCase()
    const done = await build({ job, t, serial })
    if (!done.ok) {
      setRefused(done.error.text)
      return { title: serial, text: done.error.text, tone: 'off' }
    }
    return {
      title: serial,
      text: `T${t} is built on it; scan it again at the bench to measure it`,
      tone: 'holds',
      href: `/tools/${serial}`,
    }
  })
  return (
    <>
      <Cautions lines={CAUTIONS} />
      <div className="mt-auto">
        {refused ? (
          <Say tone="off" lead="Not with this holder." role="alert">
            {refused}
          </Say>
        ) : blocked.length ? (
          <Say tone="off" lead="This tool cannot be built.">
            {blocked[0]}
          </Say>
        ) : free.length ? (
          <Say tone="todo" lead="Shrink it, then scan the holder: cooling counts from there.">
            Free of this type: {free.slice(0, 4).join(', ')}
            {free.length > 4 ? ` and ${free.length - 4} more` : ''}. Coil and stop as above; take the stop away before it cools.
          </Say>
        ) : (
          <Say tone="unsure" lead="No holder of this type is free.">
            Take a tool apart that nobody needs, or wait for one to come back.
          </Say>
        )}
        <ScanAction>Scan the holder</ScanAction>
      </div>
    </>
  )
}
