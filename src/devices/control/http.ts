/** A control reached by HTTP: the stand-in speaks it, and so could a gateway at a real one. */
import { z } from 'zod'
import type { HeldRow } from '@/core/handover'
import type { MachineState } from '@/core/load'
import { fail, ok, type Result } from '@/core/units'
import type { Control, ControlError, ControlTable, Hands } from './port'

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
/** Which machine answers; one that says nothing of that is believed. */
const Whose = z.object({ machine: z.string().optional() })
const Answer = z.object({ sizeIs: z.enum(['radius', 'diameter']), tools: z.record(z.string().regex(/^\d+$/), Row) })
const Numbers = z.record(z.string().regex(/^\d+$/), z.number())
const State = z.object({
  standIn: z.boolean().default(false),
  door: z.enum(['open', 'shut']).nullable(),
  atDoor: z.number().nullable(),
  toolAtDoor: z.boolean().nullable(),
  spindle: z.number().nullable(),
  inSpindle: z.boolean().nullable(),
  changer: z.enum(['automatic', 'manual']).nullable(),
  running: z.object({ program: z.string(), tools: z.array(z.number()) }).nullable(),
  magazine: Numbers,
  programs: z.array(z.object({ name: z.string(), hash: z.string() })),
  cutMin: Numbers,
})
const Refusal = z.object({ line: z.number().nullable(), detail: z.string() })

const byNumber = (record: Readonly<Record<string, number>>) =>
  new Map(Object.entries(record).map(([key, value]) => [Number(key), value]))

const stateOf = (state: z.output<typeof State>): MachineState => ({
  ...state,
  listed: true,
  magazine: byNumber(state.magazine),
  cutMin: byNumber(state.cutMin),
})

type Asked<T> = Promise<Result<T, ControlError>>

/** One question to the control. @param sent left out: nothing is sent, it is only read */
async function askOnce<S extends z.ZodType>(
  url: string,
  machine: string,
  schema: S,
  timeoutMs: number,
  sent?: string,
): Asked<z.output<S>> {
  try {
    const response = await fetch(url, {
      method: sent === undefined ? 'GET' : 'POST',
      headers: sent === undefined ? {} : { 'content-type': 'text/plain' },
      body: sent,
      cache: 'no-store',
      signal: AbortSignal.timeout(timeoutMs),
    })
    const json: unknown = await response.json()
    if (response.status === 422 || response.status === 404) {
      const refusal = Refusal.safeParse(json)
      return fail({ code: 'REFUSED', line: refusal.data?.line ?? null, detail: refusal.data?.detail ?? '' })
    }
    const whose = Whose.safeParse(json).data?.machine
    if (whose !== undefined && whose !== machine)
      return fail({ code: 'UNREACHABLE', detail: `answered for ${whose.slice(0, 40)}` })
    const answer = schema.safeParse(json)
    if (!response.ok || !answer.success) return fail({ code: 'UNREACHABLE', detail: `answered ${response.status}` })
    return ok(answer.data)
  } catch (error) {
    return fail({
      code: 'UNREACHABLE',
      detail: error instanceof Error && error.name === 'TimeoutError' ? 'timeout' : 'no connection',
    })
  }
}

const mapped = async <A, B>(asked: Asked<A>, turn: (value: A) => B): Asked<B> => {
  const answer = await asked
  return answer.ok ? ok(turn(answer.value)) : answer
}

/** @param base address such as http://127.0.0.1:3001 */
export function httpControl(base: string, timeoutMs = 8000): Control & Hands {
  const at = (machine: string, what: string) => `${base}/machines/${encodeURIComponent(machine)}/${what}`
  const once = <S extends z.ZodType>(machine: string, what: string, schema: S, sent?: string) =>
    askOnce(at(machine, what), machine, schema, timeoutMs, sent)
  // what changes nothing may be asked twice: a connection can break before the control has seen the question
  const twice = async <S extends z.ZodType>(machine: string, what: string, schema: S, sent?: string): Asked<z.output<S>> => {
    const first = await once(machine, what, schema, sent)
    return first.ok || first.error.code !== 'UNREACHABLE' ? first : once(machine, what, schema, sent)
  }
  return {
    table: (machine) => mapped(twice(machine, 'table', Answer), tableOf),
    tryFile: (machine, text) => mapped(twice(machine, 'scratch', Answer, text), tableOf),
    run: (machine, text) => mapped(once(machine, 'run', Answer, text), tableOf),
    state: (machine) => mapped(twice(machine, 'state', State), stateOf),
    turnTo: (machine, pocket) => mapped(once(machine, 'turn', State, JSON.stringify({ pocket })), stateOf),
    assign: (machine, pocket, t) => mapped(once(machine, 'pockets', State, JSON.stringify({ pocket, t })), stateOf),
    act: (machine, act) => mapped(once(machine, 'hand', State, JSON.stringify({ do: act })), stateOf),
  }
}

const Probed = z.object({ stopped: z.boolean(), messages: z.array(z.string()) })

/** A check block sent, and whether it stopped. */
export const askProbe = (url: string, text: string, timeoutMs = 8000): Asked<z.output<typeof Probed>> =>
  askOnce(url, '', Probed, timeoutMs, text)

/** One file sent, one table back. */
export const askTable = (url: string, text: string, timeoutMs = 8000): Asked<ControlTable> =>
  mapped(askOnce(url, '', Answer, timeoutMs, text), tableOf)

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
