'use client'
import { readScan } from '@/codecs/label-text'
import { readMark } from '@/core/tool'
import { useScans, useShell, type ScanSaid } from '../shell/shell-context'
import type { LoadStationProps } from './load-props'
import { type LoadSheet } from './machine'
import { say } from '@/words/screens/load'

/** A scan that is meant for this sheet leads to it again with what was read. */
export function useLoadScans({ machine, serial, label }: LoadStationProps, sheet: LoadSheet, scanned: () => void) {
  const { actions } = useShell()
  const go = (change: Record<string, string>) => {
    const fresh = sheet.done !== null
    scanned()
    const kept = {
      ...(machine ? { machine: machine.key } : {}),
      ...(serial && !fresh ? { serial } : {}),
      ...(label && !fresh ? { label } : {}),
    }
    return `/load?${new URLSearchParams({ ...kept, ...change }).toString()}`
  }
  useScans(async (raw): Promise<ScanSaid | null> => {
    const scan = readScan(raw)
    if (scan.type === 'machine') return { title: scan.key, text: 'machine', tone: 'todo', href: go({ machine: scan.key }) }
    if (scan.type === 'label')
      return {
        title: say.labelOfT(scan.label.t),
        text: say.handOver(scan.label.serial, scan.label.issue),
        tone: 'todo',
        href: go({ label: scan.text }),
      }
    const mark = scan.type === 'plain' ? readMark(scan.text) : null
    if (mark === null) return null
    const known = await actions.answerScan(raw)
    if (known.kind && known.kind !== 'holder') return known
    return { title: mark, text: 'holder', tone: 'todo', href: go({ serial: mark }) }
  })
  return go
}
