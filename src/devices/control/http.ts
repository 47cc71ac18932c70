/** A control reached by HTTP: the stand-in speaks it, and so could a gateway at a real one. */
import { z } from 'zod'
import type { HeldRow } from '@/core/handover'
import { fail, ok, type Result } from '@/core/units'
import type { Control, ControlError, ControlTable } from './port'

const Row = z.object({
  length: z.number().optional(),
  lengthWear: z.number().optional(),
  size: z.number().optional(),
  sizeWear: z.number().optional(),
  x: z.number().optional(),
  z: z.number().optional(),
  nose: z.number().optional(),
  tip: z.number().optional(),
  xWear: z.number().optional(),
  zWear: z.number().optional(),
})
const Answer = z.object({ sizeIs: z.enum(['radius', 'diameter']), tools: z.record(z.string().regex(/^\d+$/), Row) })
const Refusal = z.object({ line: z.number().nullable(), detail: z.string() })

/** @param base address such as http://127.0.0.1:3001 */
export function httpControl(base: string, timeoutMs = 8000): Control {
  const askOnce = async (path: string, text?: string): Promise<Result<ControlTable, ControlError>> => {
    try {
      const response = await fetch(`${base}${path}`, {
        method: text === undefined ? 'GET' : 'POST',
        headers: text === undefined ? {} : { 'content-type': 'text/plain' },
        body: text,
        cache: 'no-store',
        signal: AbortSignal.timeout(timeoutMs),
      })
      const json: unknown = await response.json()
      if (response.status === 422 || response.status === 404) {
        const refusal = Refusal.safeParse(json)
        return fail({ code: 'REFUSED', line: refusal.data?.line ?? null, detail: refusal.data?.detail ?? 'no reason given' })
      }
      const answer = Answer.safeParse(json)
      if (!response.ok || !answer.success) return fail({ code: 'UNREACHABLE', detail: `answered ${response.status}` })
      return ok(tableOf(answer.data))
    } catch (error) {
      return fail({
        code: 'UNREACHABLE',
        detail: error instanceof Error && error.name === 'TimeoutError' ? 'no answer in time' : 'no connection',
      })
    }
  }
  // what changes nothing may be asked twice: a connection can break before the control has seen the question
  const ask = async (path: string, text?: string) => {
    const first = await askOnce(path, text)
    return first.ok || first.error.code !== 'UNREACHABLE' ? first : askOnce(path, text)
  }
  const at = (machine: string, what: string) => `/machines/${encodeURIComponent(machine)}/${what}`
  return {
    table: (machine) => ask(at(machine, 'table')),
    tryFile: (machine, text) => ask(at(machine, 'scratch'), text),
    run: (machine, text) => askOnce(at(machine, 'run'), text),
  }
}

function tableOf({ sizeIs, tools }: z.output<typeof Answer>): ControlTable {
  return new Map(
    Object.entries(tools).map(([t, row]) => {
      const named = {
        length: row.length,
        'length wear': row.lengthWear,
        [sizeIs]: row.size,
        [`${sizeIs} wear`]: row.sizeWear,
        [`X ${sizeIs}`]: row.x,
        Z: row.z,
        'nose radius': row.nose,
        tip: row.tip,
        'X wear': row.xWear,
        'Z wear': row.zWear,
      }
      const held: HeldRow = Object.fromEntries(Object.entries(named).filter(([, value]) => value !== undefined))
      return [Number(t), held]
    }),
  )
}
