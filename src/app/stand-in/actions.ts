'use server'
import { ok } from '@/core/units'
import { getAssembly } from '@/stations/reads'
import type { HandAct } from '@/devices/control/port'
import { adjustTicket, handOut, wipeTicket } from '@/runtime/bench-ticket'
import { makeTag } from '@/runtime/tag-tricks'
import { loadRotor, reallyDo, ROTOR } from '@/runtime/unbalance-ticket'
import { movePost, sweepPost } from '@/runtime/post-ticket'
import { cutTestBore } from '@/runtime/head-ticket'
import { readBore } from '@/stations/bore/bore-sheet'
import { readBalance } from '@/stations/balance/balance-sheet'
import { wiped } from '@/stations/measure/wiped'
import { refuse } from '@/stations/refusals'
import { defineAction } from '../_server/action'
import * as standIn from '@/stations/stand-in/contract'

/** Hands at something that is not real: only where this server was started with stand-ins. */
const standInAction: typeof defineAction = (contract, verb) =>
  defineAction(contract, (work, given, shop) => (shop.standIns ? verb(work, given, shop) : refuse({ code: 'NO_STAND_INS' })))

export const handAction = standInAction(standIn.hand, async (_work, { machine, act }, { hands }) => {
  const done = await hands.act(machine, act)
  return done.ok ? ok(null) : refuse({ code: 'CONTROL', error: done.error })
})
/** Only in a practice room: elsewhere others go by the same clock. */
export const letTimePassAction = standInAction(standIn.letTimePass, (_work, { minutes }, { clock, lesson }) => {
  if (!lesson || !clock.forward) return refuse({ code: 'NO_LESSON' })
  clock.forward(60_000 * minutes)
  return ok(null)
})
export const takeFromMachineAction = standInAction(standIn.takeFromMachine, async (_work, { machine, byHand }, { hands }) => {
  const acts: readonly HandAct[] = ['open', byHand ? 'spindle take' : 'take', 'shut']
  for (const one of acts) {
    const done = await hands.act(machine, one)
    if (!done.ok) return refuse({ code: 'CONTROL', error: done.error })
  }
  return ok(null)
})
export const tagTrickAction = standInAction(standIn.tagTrick, (_work, { serial, trick }, { db }) =>
  makeTag(db, serial, trick) ? ok(null) : refuse({ code: 'NO_TAG' }),
)
/** The operator cleaned an edge: the world behind the bench's stand-in changes. */
export const wipeAction = standInAction(standIn.wipe, (work, { serial, at }, { db, now }) => {
  const assembly = getAssembly(db, serial)
  if (!assembly) return refuse({ code: 'UNKNOWN_SERIAL', serial })
  const ticket = handOut(db, wipeTicket(db, assembly, at?.spindleDeg ?? null), now, assembly)
  wiped(work, assembly, at?.edge ?? null)
  return ok({ ticket })
})
export const turnScrewAction = standInAction(standIn.turnScrew, (_work, { serial, key, byMm }, { db, now }) => {
  const assembly = getAssembly(db, serial)
  if (!assembly) return refuse({ code: 'UNKNOWN_SERIAL', serial })
  const ticket = adjustTicket(db, assembly, key === 'LF' ? byMm : 0, key === 'DC' ? byMm : 0)
  return ok({ ticket: handOut(db, ticket, now, assembly) })
})
export const sweepPostAction = standInAction(standIn.sweepPost, (_work, { machine, move }, { db }) => {
  if (move) movePost(db, machine, move.axis, move.byMm)
  return ok(sweepPost(db, machine))
})
export const cutBoreAction = standInAction(standIn.cutBore, (_work, { serial }, { db }) => {
  const sheet = readBore(db, serial)
  if (!sheet.ok) return sheet
  const { settings, head, insertNoseMm } = sheet.value
  const last = settings.at(-1)
  if (!last) return refuse({ code: 'NO_SETTING', serial })
  const on = {
    zeroMm: head.zeroMm,
    nominalNoseMm: head.noseMm,
    noseMm: insertNoseMm ?? head.noseMm,
    KAPR: 90,
    EPSR: 90,
    ...head.seat,
  }
  const before = settings.at(-2)
  // whoever is told to go back does so before coming outwards again
  const backMm = before && before.dialMm > last.dialMm ? (head.backlashMm ?? 0) + before.dialMm - last.dialMm : 0
  return ok({ boreMm: cutTestBore(db, serial, on, last.dialMm, backMm) })
})
export const spindleHandAction = standInAction(standIn.spindleHand, async (_work, act, { db, spindleHands: hands }) => {
  switch (act.act) {
    case 'put':
      await hands.guard('open')
      await hands.put(act.serial, act.seat)
      break
    case 'rotor':
      await hands.guard('open')
      loadRotor(db, act.mass)
      await hands.put(ROTOR, act.seat)
      break
    case 'take':
      await hands.takeOut()
      break
    case 'guard':
      await hands.guard(act.is)
      break
    case 'turn':
      await hands.turnTo(act.deg)
      break
    case 'adapter':
      await hands.adapter(act.coupling)
  }
  return ok(null)
})
export const reallyDoAction = standInAction(standIn.reallyDo, (_work, { serial, how }, { db }) => {
  const sheet = readBalance(db, serial)
  const step = sheet?.work.fits[sheet.work.chosen]?.steps[sheet.work.done]
  if (!step) return refuse({ code: 'NOTHING_TO_CORRECT', serial })
  // a hand that takes the wrong screw out of the drawer
  reallyDo(db, serial, how === 'heavier' && step.type === 'screw in' ? { ...step, massG: step.massG * 1.4 } : step)
  return ok(null)
})
