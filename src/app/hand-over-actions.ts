'use server'
import { z } from 'zod'
import { fail, ok, type Result } from '@/core/units'
import { dropPost } from '@/stations/hand-over/drop-post'
import { keepLabel, tryLabel, type LabelTried } from '@/stations/hand-over/keep-label'
import { keepPost, tryTemplate, type TemplateTried } from '@/stations/hand-over/keep-post'
import { printLabels } from '@/stations/hand-over/print-labels'
import { voidHandover } from '@/stations/hand-over/void-hand-over'
import { labelFonts } from '@/runtime'
import { act, Serial, inWords, parse, type Said } from './_server/act'
import { refusalText } from '@/words/refusals'
import { context } from './_server/context'

const Drop = z.object({ ids: z.array(z.number().int().positive()).min(1).max(200), over: z.boolean() })

export async function dropPostAction(input: z.input<typeof Drop>): Promise<Result<{ readonly file: string }, Said>> {
  return act(Drop, input, (work, given, house) => dropPost(work, house.control, house.drop, given))
}

const Options = z.object({
  sizeRegister: z.enum(['radius', 'diameter']),
  decimals: z.number().int().min(1).max(6),
  lengthFrom: z.discriminatedUnion('type', [
    z.object({ type: z.literal('gauge line') }),
    z.object({ type: z.literal('master'), lengthMm: z.number().min(0).max(1000) }),
  ]),
  numberFrom: z.enum(['T', 'pocket', 'table']),
  numbers: z.record(z.string().regex(/^\d{1,5}$/), z.number().int().min(1).max(99_999)),
  wear: z.enum(['zero', 'keep']),
  sisters: z.discriminatedUnion('type', [
    z.object({ type: z.literal('none') }),
    z.object({ type: z.literal('own T'), step: z.number().int().min(1, 'The step between sisters is at least 1.').max(9999) }),
    z.object({ type: z.literal('copies'), step: z.number().int().min(1, 'The step between copies is at least 1.').max(9999) }),
  ]),
  switchBy: z.enum(['control', 'program']),
  absoluteWord: z.boolean(),
})
const MOST_TEMPLATE = 20_000
const Template = z.object({
  machine: z.string().max(20),
  template: z.string().max(MOST_TEMPLATE, 'A template may have 20,000 characters at most.'),
  serials: z.array(z.string().max(40)).max(50),
  options: Options,
})

/** A trial as its page shows it. */
type TemplateShown = Omit<TemplateTried, 'wrong'> & { readonly wrong: string | null }

export async function tryTemplateAction(input: z.input<typeof Template>): Promise<Result<TemplateShown, Said>> {
  // nothing is written, so no page is made anew
  const { db, control, now, unit } = await context()
  const given = parse(Template, input)
  const tried = given.ok ? await tryTemplate(db, control, given.value, now) : given
  if (!tried.ok) return fail(inWords(tried.error, unit))
  const { wrong, ...trial } = tried.value
  return ok({ ...trial, wrong: wrong && refusalText(wrong, unit) })
}

const Keep = Template.extend({
  name: z
    .string()
    .trim()
    .regex(/^[a-z0-9][a-z0-9-]{1,39}$/, 'Name the post in small letters, digits and hyphens.'),
})

export async function keepPostAction(input: z.input<typeof Keep>): Promise<Result<null, Said>> {
  return act(Keep, input, (work, given, house) => keepPost(work, house.control, given))
}

const Print = z.object({ ids: z.array(z.number().int().positive()).min(1).max(200) })
export async function printLabelsAction(
  input: z.input<typeof Print>,
): Promise<Result<{ readonly printed: number; readonly where: string }, Said>> {
  return act(Print, input, (work, { ids }, house) => printLabels(work, house.printer, labelFonts(), ids))
}

const Void = z.object({ serial: Serial, reason: z.string().trim().min(3, 'Say in a few words why it is taken back.').max(200) })
export async function voidHandoverAction(input: z.input<typeof Void>): Promise<Result<{ readonly issue: number }, Said>> {
  return act(Void, input, (work, { serial, reason }) => voidHandover(work, serial, reason))
}

const line = z.string().max(200, 'A line has 200 characters at most.')
const Label = z.object({
  machine: z.string().max(20),
  handover: z.number().int().positive(),
  code: z.enum(['datamatrix', 'qr']),
  layout: z.object({
    widthMm: z.number().min(20, 'A label is at least 20 mm wide.').max(200, 'A label is at most 200 mm wide.'),
    heightMm: z.number().min(10, 'A label is at least 10 mm high.').max(200, 'A label is at most 200 mm high.'),
    title: line,
    lines: z.array(line).max(8),
  }),
})
export async function tryLabelAction(input: z.input<typeof Label>): Promise<Result<LabelTried, Said>> {
  const { db, unit } = await context()
  const given = parse(Label, input)
  const tried = given.ok ? tryLabel(db, labelFonts(), given.value) : given
  return tried.ok ? tried : fail(inWords(tried.error, unit))
}
export async function keepLabelAction(input: z.input<typeof Label>): Promise<Result<null, Said>> {
  return act(Label, input, (work, given) => keepLabel(work, labelFonts(), given.machine, given))
}
