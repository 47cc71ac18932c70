'use client'
import { say } from '@/words/screens/measure'
import type { ScanSaid } from '../shell/shell-context'
import { useMarks } from '../shell/use-marks'
import type { MastersProps } from './masters-props'

type Adapters = Pick<MastersProps, 'adapter' | 'adapters' | 'changeAdapter'>

/** The mark of an adapter puts it on the spindle. @returns null for any other mark */
export async function takeAdapter({ adapter, adapters, changeAdapter }: Adapters, scanned: string): Promise<ScanSaid | null> {
  if (!adapters.some((a) => a.serial === scanned)) return null
  const changed = await changeAdapter({ serial: scanned, from: adapter?.serial ?? null })
  return changed.ok
    ? { title: scanned, text: say.isOnTheSpindleMeasureIts, tone: 'todo' }
    : { title: scanned, text: changed.error.text, tone: 'off' }
}

/** While nothing can be checked, scans are for putting an adapter on. */
export function AdapterScans(adapters: Adapters) {
  useMarks((scanned) => takeAdapter(adapters, scanned))
  return null
}
