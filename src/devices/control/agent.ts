/** An MTConnect agent beside a machine: it tells how the machine is, and takes nothing. */
import { readAgent } from '@/codecs/mtconnect-agent'
import type { MachineState } from '@/core/load'
import { fail, type Result } from '@/core/units'
import type { ControlError } from './port'

const MOST_BYTES = 4_000_000

/** @param base `http://host:5000/device`; without a device where the agent has one machine only */
export async function askAgent(base: string, timeoutMs = 4000): Promise<Result<MachineState, ControlError>> {
  const text = async (what: string): Promise<string> => {
    const answer = await fetch(`${base}/${what}`, { cache: 'no-store', signal: AbortSignal.timeout(timeoutMs) })
    if (!answer.ok || Number(answer.headers.get('content-length') ?? 0) > MOST_BYTES) throw new Error(`answered ${answer.status}`)
    return answer.text()
  }
  try {
    const read = readAgent(await text('current'), await text('assets?type=CuttingTool'))
    return read.ok ? read : fail({ code: 'UNREACHABLE', detail: 'other' })
  } catch (error) {
    const late = error instanceof Error && error.name === 'TimeoutError'
    return fail({
      code: 'UNREACHABLE',
      detail: late ? 'timeout' : error instanceof Error && error.message.startsWith('answered') ? error.message : 'no connection',
    })
  }
}
