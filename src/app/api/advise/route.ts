import { z } from 'zod'
import { badCase, CAUSE_CLAMPINGS, CAUSE_KINDS, isTellable, nextSteps, verdictOf } from '@/core/causes'
import { causeCounts } from '@/stations/causes/counts'
import { judgedText } from '@/words/causes'
import { readJson } from '../_api/body'
import { guarded } from '../_api/guard'
import { refused } from '../_api/refused'

export const dynamic = 'force-dynamic'

const MOST_EDGES = 32
const mm = z.number().min(-5000).max(5000)
const Range = z.tuple([mm, mm])
const Edge = z.number().int().min(0).max(999)
const Body = z.object({
  kind: z.enum(CAUSE_KINDS),
  clamping: z.enum(CAUSE_CLAMPINGS).nullable().default(null),
  edges: z.array(z.object({ edge: Edge, deg: z.number().min(-3600).max(3600), x: mm, z: mm, re: mm.optional() })).max(MOST_EDGES),
  sigma: z.object({ x: z.number().max(10), z: z.number().max(10), re: z.number().max(10).optional() }),
  second: z.object({ heightMm: mm, edges: z.array(z.object({ edge: Edge, x: mm })).max(MOST_EDGES) }).optional(),
  limits: z.object({ LF: Range, DC: Range, RE: Range.optional(), runout: mm }),
  before: z.object({ LF: mm, DC: mm, RE: mm.optional() }).optional(),
  warmK: z.number().min(-100).max(1000).optional(),
  heatedMm: z.number().min(0).max(1000).optional(),
  minutesCut: z.number().min(0).optional(),
})

/** What is most likely wrong with a tool, and what to do next. */
export const POST = guarded(['read'], async (shop, request) => {
  const given = await readJson(request, Body, 2 ** 16)
  if (!given.ok) return given.error
  const bad = badCase(given.value)
  if (bad) return refused({ code: 'BAD_CASE', bad })
  const { db, heavy } = shop
  const done = await heavy.causes(given.value, causeCounts(db))
  if (!done.ok) return refused(done.error)
  const causes = done.value
  const next = nextSteps(given.value, causes)
  return Response.json({
    verdict: verdictOf(given.value),
    causes: causes.map(({ code, edge, p }) => ({ code, edge, p })),
    tellable: isTellable(causes),
    next,
    words: judgedText(
      causes,
      next.map((step) => step.code),
      'mm',
    ),
  })
})
