/** Looks at the controls' tables and keeps what differs, with when it was seen first. */
import { fail, ok, type Result } from '@/core/units'
import { isTyped, type Machine } from '@/core/tool'
import { inTransaction, type Db } from '@/db/connection'
import { getMachine, listMachines } from '@/db/machine/read'
import { listRecord } from '@/db/record/read'
import { listWatched } from '@/db/watch/read'
import { insertWatched, noteGone, noteLook, seenAgain } from '@/db/watch/write'
import type { Control, ControlError } from '@/devices/control/port'
import { askControl, type ControlAnswer } from '../load/ask-control'
import { readDifferences } from '../load/differences'
import type { Refusal } from '../refusals'
import { handoverOf, isSame, whatOf } from './same'

/** Keeps what a control told: what is new, what is there still, what is no more. @returns how many nobody has decided */
export function keepSeen(db: Db, machine: Machine, answer: ControlAnswer, now: string): number {
  const seen = readDifferences(db, machine, answer).map((difference) => ({
    difference,
    handover: handoverOf(db, difference.serial),
  }))
  return inTransaction(db, (tx) => {
    const [last] = listRecord(db, { machine: machine.key, limit: 1 })
    let left = 0
    const known = listWatched(db, machine.key)
    for (const row of known) {
      if (!seen.some(({ difference, handover }) => isSame(row, difference, handover))) noteGone(tx, row.id, now)
      else {
        seenAgain(tx, row.id, now)
        if (row.state === 'open') left++
      }
    }
    for (const { difference, handover } of seen) {
      if (known.some((row) => isSame(row, difference, handover))) continue
      insertWatched(tx, {
        ...{ machine: machine.key, serial: difference.serial, handover, what: whatOf(difference), difference },
        ...{ at: now, nearId: last?.personId ?? null },
      })
      left++
    }
    return left
  })
}

/** One machine's table, now. */
export async function lookAt(
  db: Db,
  control: Control,
  machine: Machine,
  now: string,
): Promise<{ readonly left: number; readonly problem: ControlError | null }> {
  const { problem, ...answer } = await askControl(control, machine)
  // a control that does not answer says nothing of what differs
  const left = answer.table ? keepSeen(db, machine, answer, now) : 0
  inTransaction(db, (tx) => noteLook(tx, machine.key, now, problem))
  return { left, problem }
}

/** Every table that can be read. */
export async function lookAtAll(db: Db, control: Control, now: string): Promise<void> {
  await Promise.all(
    listMachines(db)
      .filter((machine) => !isTyped(machine))
      .map((machine) => lookAt(db, control, machine, now)),
  )
}

/** Somebody wants to know it now. */
export async function lookNow(
  db: Db,
  control: Control,
  key: string,
  now: string,
): Promise<Result<{ readonly left: number }, Refusal>> {
  const machine = getMachine(db, key)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: key })
  const { left, problem } = await lookAt(db, control, machine, now)
  return problem ? fail({ code: 'CONTROL', error: problem }) : ok({ left })
}
