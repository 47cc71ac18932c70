/** Which lists of set-up have a page of their own, and what of each its table shows. */
import type { SetUpList } from '@/core/set-up'

/** The part of the address that means a list. */
export const LIST_PATHS = { machines: 'machine', couplings: 'coupling', masters: 'master', adapters: 'adapter' } as const
export type ListPath = keyof typeof LIST_PATHS
export const isListPath = (path: string): path is ListPath => path in LIST_PATHS

export const pathOf = (list: SetUpList): ListPath | null =>
  (Object.keys(LIST_PATHS) as ListPath[]).find((path) => LIST_PATHS[path] === list) ?? null

/** Columns of the table, beside the name. */
export const SHOWN: Readonly<Record<(typeof LIST_PATHS)[ListPath], readonly string[]>> = {
  machine: ['about', 'coupling', 'unit', 'pockets', 'greatestRpm', 'post'],
  coupling: ['standard', 'gaugeMm', 'flangeMm', 'flangeHighMm', 'stud'],
  master: ['name', 'coupling', 'LFmm', 'DCmm', 'calibratedUntil'],
  adapter: ['coupling', 'name'],
}
