'use server'
import { z } from 'zod'
import type { RegisterName } from '@/core/handover'
import { LOAD_STEPS } from '@/core/load'
import { LOAD_RULES } from '@/core/tool'
import { ok, type Result } from '@/core/units'
import { HAND_ACTS } from '@/devices/control/port'
import { beginLoad, tickStep, turnMagazine, typeFigure } from '@/stations/load/begin-load'
import { dropLoad } from '@/stations/load/drop-load'
import { keepLimits } from '@/stations/load/keep-limits'
import { loadTool, type Loaded } from '@/stations/load/load-tool'
import { refuse } from '@/stations/refusals'
import { act, Serial, type Said } from './_server/act'

const Begin = z.object({
  machine: z.string().max(20),
  serial: Serial,
  label: z.string().max(4096).optional(),
  pocket: z.number().int().min(0).max(999).optional(),
  reasons: z.array(z.object({ rule: z.enum(LOAD_RULES), reason: z.string().max(200) })).max(LOAD_RULES.length),
})
export async function beginLoadAction(input: z.input<typeof Begin>): Promise<Result<{ readonly pocket: number }, Said>> {
  return act(Begin, input, (work, given, house) => beginLoad(work, house.control, given))
}

const One = z.object({ serial: Serial })
export async function turnMagazineAction(input: z.input<typeof One>): Promise<Result<null, Said>> {
  return act(One, input, (work, { serial }, house) => turnMagazine(work, house.control, serial))
}
export async function loadAction(input: z.input<typeof One>): Promise<Result<Loaded, Said>> {
  return act(One, input, (work, { serial }, house) => loadTool(work, house.control, serial))
}

const Tick = One.extend({ step: z.enum(LOAD_STEPS) })
export async function tickStepAction(input: z.input<typeof Tick>): Promise<Result<null, Said>> {
  return act(Tick, input, (work, { serial, step }, house) => tickStep(work, house.control, serial, step))
}

const Typed = One.extend({ register: z.string().max(20), value: z.number().finite() })
export async function typeFigureAction(input: z.input<typeof Typed>): Promise<Result<null, Said>> {
  return act(Typed, input, (work, { serial, register, value }) => typeFigure(work, serial, register as RegisterName, value))
}

const Drop = One.extend({ reason: z.string().trim().min(3, 'Say in a few words why it is given up.').max(200) })
export async function dropLoadAction(input: z.input<typeof Drop>): Promise<Result<null, Said>> {
  return act(Drop, input, (work, { serial, reason }, house) => dropLoad(work, house.control, serial, reason))
}

const Hand = z.object({ machine: z.string().max(20), act: z.enum(HAND_ACTS) })
/** Somebody's hands at a stand-in; a real machine refuses, since it has no such route. */
export async function handAction(input: z.input<typeof Hand>): Promise<Result<null, Said>> {
  return act(Hand, input, async (_work, given, house) => {
    const done = await house.hands.act(given.machine, given.act)
    return done.ok ? ok(null) : refuse({ code: 'CONTROL', error: done.error })
  })
}

/** A limit as a lead types it. */
const limit = (name: string, min: number, max: number) =>
  z
    .number(`${name}: that is no number.`)
    .min(min, `${name}: from ${min} on.`)
    .max(max, `${name}: up to ${max.toLocaleString('en')}.`)
const who = z.enum(['anyone', 'lead', 'nobody'])
const Limits = z.object({
  machine: z.string().max(20),
  limits: z.object({
    measuredDays: limit('Measured within', 1, 3650).int('Days are whole.'),
    balanceFromRpm: limit('Balanced from', 0, 200_000),
    slowFromKg: limit('Changer slow from', 0, 200),
    liftFromKg: limit('By lift from', 0, 200),
    asksLabel: z.boolean(),
    may: z.partialRecord(z.enum(LOAD_RULES), who),
  }),
  magazine: z.object({
    form: z.enum(['chain', 'drum', 'rack']),
    pitchMm: limit('Pitch', 20, 1000),
    gapMm: limit('Gap', 0, 100),
  }),
})
export async function keepLimitsAction(input: z.input<typeof Limits>): Promise<Result<null, Said>> {
  return act(Limits, input, (work, { machine, limits, magazine }) => keepLimits(work, machine, limits, magazine))
}
