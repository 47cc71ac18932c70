import type { TouchOffMethod, TouchOffValue } from '@/core/tool'
import { prepare, type Db } from '../connection'

export interface TouchOff {
  readonly id: number
  readonly machine: string
  readonly t: number
  /** Of the tool that was in by the record; null: none was. */
  readonly serial: string | null
  readonly at: string
  readonly who: string
  readonly what: TouchOffValue
  readonly method: TouchOffMethod
  readonly valueMm: number
  /** The machine stood for it. */
  readonly minutes: number
}

/** The newest of a machine first. */
export const listTouchOffs = (db: Db, machine: string, most: number): TouchOff[] =>
  prepare(
    db,
    `SELECT o.id, o.machine_key AS machine, o.t, o.serial, o.at, p.name AS who, o.what, o.method, o.value_mm AS valueMm, o.minutes
     FROM touch_off o JOIN person p ON p.id = o.person_id WHERE o.machine_key = ? ORDER BY o.id DESC LIMIT ?`,
  ).all(machine, most) as TouchOff[]
