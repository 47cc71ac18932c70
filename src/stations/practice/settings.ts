import type { Practice } from '@/core/clamp'
import type { Machine } from '@/core/tool'
import { listMasters, type MasterRead } from '@/db/bench/read'
import type { Db } from '@/db/connection'
import { listMachines } from '@/db/machine/read'
import { practiceOf } from './index'

export interface SettingsPage {
  readonly machines: readonly Machine[]
  readonly masters: readonly MasterRead[]
  readonly practice: Practice
}

export const readSettings = (db: Db): SettingsPage => ({
  machines: listMachines(db),
  masters: listMasters(db),
  practice: practiceOf(db),
})
