'use client'
import { readScan } from '@/codecs/label-text'
import { readMark } from '@/core/tool'
import { useScans, useShell, type ScanSaid } from './shell-context'

/** A sheet's use for the mark of a piece; null leaves it to the tool room. */
type MarkUse = (mark: string) => Promise<ScanSaid | null> | ScanSaid | null

/**
 * Scans of marks come to this sheet; what the tool room knows as a job, a part or a place goes its usual way, or to
 * `other`.
 */
export function useMarks(use: MarkUse, other?: (kind: 'part' | 'place', scan: string, said: ScanSaid) => ScanSaid | null): void {
  const { actions } = useShell()
  useScans(async (raw) => {
    const scan = readScan(raw)
    const mark = scan.type === 'plain' ? readMark(scan.text) : null
    if (scan.type !== 'plain' && !(scan.type === 'place' && other)) return null
    const said = await actions.answerScan(raw)
    if (said.kind === 'part' || said.kind === 'place') return other?.(said.kind, said.title, said) ?? said
    if (said.kind === 'job' || mark === null) return said
    return use(mark)
  })
}
