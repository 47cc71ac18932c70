import { z } from 'zod'
import { unbalanceOf, vectorOf, type BalanceStep, type BalanceTask } from '@/core/balance'
import { solutionText } from '@/words/balance'
import { readJson } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { refused } from '../../_api/refused'

export const dynamic = 'force-dynamic'

const Plane = z.number().int().min(0).max(100)
const Correction = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('screws'),
    radiusMm: z.number(),
    holes: z.array(z.object({ plane: Plane, deg: z.number() })).max(100),
    massesG: z.array(z.number()).max(200),
  }),
  z.object({ kind: z.literal('rings'), rings: z.array(z.object({ plane: Plane, gmm: z.number() })).max(100) }),
  z.object({
    kind: z.literal('drill'),
    radiusMm: z.number(),
    diameterMm: z.number(),
    pointDeg: z.number(),
    densityGcm3: z.number(),
    maxDepthMm: z.number(),
  }),
])
const Body = z.object({
  massKg: z.number(),
  rpm: z.number(),
  grade: z.number(),
  cgZ: z.number().nullish(),
  planes: z.array(z.object({ z: z.number(), unbalance: z.object({ gmm: z.number().min(0), deg: z.number() }) })).max(100),
  correction: Correction,
})

/** What goes back of a step: its kind is the correction's. */
const stepOf = (step: BalanceStep) => Object.fromEntries(Object.entries(step).filter(([name]) => name !== 'kind'))

/** The best correction of an unbalance. */
export const POST = guarded(['read'], async (shop, request) => {
  const given = await readJson(request, Body, 2 ** 18)
  if (!given.ok) return given.error
  const { cgZ, planes, ...rest } = given.value
  const task: BalanceTask = {
    ...rest,
    cgZMm: cgZ ?? null,
    planes: planes.map(({ z: zMm, unbalance }) => ({ zMm, need: vectorOf(unbalance) })),
  }
  const done = await shop.heavy.balance(task)
  if (!done.ok) return refused(done.error)
  if (!done.value.ok) return refused({ code: 'BAD_BALANCE', why: done.value.error })
  const solution = done.value.value
  return Response.json({
    planes: solution.planes.map(({ permittedGmm, residual }) => ({ permittedGmm, residual: unbalanceOf(residual) })),
    steps: solution.steps.map(stepOf),
    words: solutionText(solution, task),
    gradeReached: solution.gradeReached,
    exact: solution.exact,
  })
})
