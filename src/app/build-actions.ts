'use server'
import { z } from 'zod'
import { COOLING_WAYS } from '@/core/clamp'
import { CLAMPINGS, CONFIRMS } from '@/core/fits'
import { fail, ok, type Result } from '@/core/units'
import { abandonBuild, addExtension, beginBuild, tickStep } from '@/stations/build/begin-build'
import { finishBuild } from '@/stations/build/build-tool'
import { putSteps } from '@/stations/build/put-steps'
import { shrinkByHand, coolDown, startHeat, takeOut } from '@/stations/build/shrink'
import { DISTURBANCES } from '@/core/tool'
import { correctCondition, disturb, takeApart } from '@/stations/build/take-apart'
import { coolOut, heatOutByHand, startHeatOut } from '@/stations/build/heat-out'
import { unitErrorText } from '@/words/devices'
import type { UnitState } from '@/devices/shrink/port'
import { act, Serial, type Said } from './_server/act'
import { context } from './_server/context'

const Begin = z.object({ job: z.string().max(60), t: z.number().int(), serial: Serial })
export async function beginBuildAction(input: z.input<typeof Begin>): Promise<Result<{ serial: string }, Said>> {
  return act(Begin, input, (work, { job, t, serial }) => {
    const done = beginBuild(work, job, t, serial)
    return done.ok ? ok({ serial: done.value.serial }) : done
  })
}

const One = z.object({ serial: Serial })
export async function finishBuildAction(
  input: z.input<typeof One>,
): Promise<Result<{ serial: string; touchAt: string | null }, Said>> {
  return act(One, input, (work, { serial }) => finishBuild(work, serial))
}
export async function abandonBuildAction(input: z.input<typeof One>): Promise<Result<null, Said>> {
  return act(One, input, (work, { serial }) => abandonBuild(work, serial))
}

const Tick = z.object({ serial: Serial, step: z.string().max(40), done: z.boolean() })
export async function tickStepAction(input: z.input<typeof Tick>): Promise<Result<null, Said>> {
  return act(Tick, input, (work, { serial, step, done }) => tickStep(work, serial, step, done))
}

const Extension = z.object({ serial: Serial, extension: Serial })
export async function addExtensionAction(input: z.input<typeof Extension>): Promise<Result<null, Said>> {
  return act(Extension, input, (work, { serial, extension }) => addExtension(work, serial, extension))
}

export async function startHeatAction(input: z.input<typeof One>): Promise<Result<null, Said>> {
  return act(One, input, (work, { serial }, house) => startHeat(work, house.shrink, serial))
}
const Cool = z.object({ serial: Serial, body: z.number().int().min(1).max(20), failed: z.boolean().optional() })
export async function coolDownAction(input: z.input<typeof Cool>): Promise<Result<null, Said>> {
  return act(Cool, input, (work, { serial, body, failed }, house) => coolDown(work, house.shrink, serial, body, failed))
}
const ByHand = z.object({ serial: Serial, way: z.enum(COOLING_WAYS), reason: z.string().trim().max(300).nullable().optional() })
/** A unit without a data line: whoever heats says what was done. */
export async function shrinkByHandAction(input: z.input<typeof ByHand>): Promise<Result<null, Said>> {
  return act(ByHand, input, (work, { serial, way }) => shrinkByHand(work, serial, way))
}

const HeatOut = z.object({ serial: Serial, reason: z.string().trim().max(300).nullable() })
export async function heatOutAction(input: z.input<typeof HeatOut>): Promise<Result<null, Said>> {
  return act(HeatOut, input, (work, { serial, reason }, house) => startHeatOut(work, house.shrink, serial, reason))
}
export async function coolOutAction(input: z.input<typeof Cool>): Promise<Result<null, Said>> {
  return act(Cool, input, (work, { serial, body }, house) => coolOut(work, house.shrink, serial, body))
}
export async function heatOutByHandAction(input: z.input<typeof ByHand>): Promise<Result<null, Said>> {
  return act(ByHand, input, (work, { serial, way, reason }) => heatOutByHand(work, serial, way, reason ?? null))
}

const Corrected = z.object({ serial: Serial, reason: z.string().trim().min(5, 'Say in a few words why it was wrong.').max(300) })
export async function correctConditionAction(input: z.input<typeof Corrected>): Promise<Result<null, Said>> {
  return act(Corrected, input, (work, { serial, reason }) => correctCondition(work, serial, reason))
}

export async function takeOutAction(input: z.input<typeof One>): Promise<Result<null, Said>> {
  return act(One, input, (_, { serial }, house) => takeOut(house.shrink, serial))
}

/** What the unit shows now; asked again and again while it heats. */
export async function unitStateAction(): Promise<Result<UnitState, { text: string }>> {
  const state = await (await context()).shrink.state()
  return state.ok ? state : fail({ text: unitErrorText(state.error) })
}

const Apart = z.object({
  serial: Serial,
  fates: z
    .array(
      z.object({
        component: z.string().max(60),
        count: z.number().int().min(1).max(100),
        to: z.enum(['back', 'scrap']),
        wear: z.string().trim().max(200),
      }),
    )
    .max(60),
})
export async function takeApartAction(input: z.input<typeof Apart>): Promise<Result<{ text: string }, Said>> {
  return act(Apart, input, takeApart)
}

const Disturb = z.object({ serial: Serial, what: z.enum(DISTURBANCES) })
export async function disturbAction(input: z.input<typeof Disturb>): Promise<Result<{ voided: number | null }, Said>> {
  return act(Disturb, input, (work, { serial, what }) => disturb(work, serial, what))
}

const Steps = z.object({
  clamping: z.enum(CLAMPINGS),
  steps: z
    .array(
      z.object({
        id: z
          .string()
          .trim()
          .regex(/^[a-z][a-z0-9-]{0,19}$/, 'A short name is small letters, digits and dashes.'),
        title: z.string().trim().min(1, 'Give each step a title.').max(40),
        text: z.string().trim().min(1, 'Say what to do.').max(600),
        confirm: z.enum(CONFIRMS),
        needs: z.array(z.string().trim().min(1).max(60)).max(8).optional(),
        caution: z.string().trim().max(200).optional(),
      }),
    )
    .max(20)
    .nullable(),
})
export async function putStepsAction(input: z.input<typeof Steps>): Promise<Result<null, Said>> {
  return act(Steps, input, (work, { clamping, steps }) => putSteps(work, clamping, steps))
}
