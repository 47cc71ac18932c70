import type { Device } from '@/core/set-up'
import { fail, ok, type Result, SI } from '@/core/units'
import type { Db } from '@/db/connection'
import { getMachine } from '@/db/machine/read'
import type { Control } from '@/devices/control/port'
import type { LineBench } from '@/devices/line-bench/port'
import type { ShrinkUnit } from '@/devices/shrink/port'
import type { TagStation } from '@/devices/tag/port'
import type { BalancingSpindle } from '@/devices/spindle/port'
import { controlErrorText, lineErrorText, spindleErrorText, tagReaderText, TRIED, unitErrorText } from '@/words/devices'
import type { Refusal } from '../refusals'
import type { Tried } from './contract'

interface Drivers {
  readonly db: Db
  readonly control: Control
  readonly lineBench: LineBench | null
  readonly shrink: ShrinkUnit
  readonly spindle: BalancingSpindle
  readonly tagOf: (serial: string) => TagStation
}

const silent = (why: string): Tried => ({ code: 'SILENT', why })
const answers = (what: string): Tried => ({ code: 'ANSWERS', what })

/** Asks a device something that moves nothing, and says what came back. */
export async function tryDevice(
  drivers: Drivers,
  asked: { readonly device: Device } | { readonly machine: string },
): Promise<Result<Tried, Refusal>> {
  if ('machine' in asked) {
    const machine = getMachine(drivers.db, asked.machine)
    if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: asked.machine })
    const state = await drivers.control.state(machine.key)
    return ok(state.ok ? answers(machine.name) : silent(controlErrorText(state.error)))
  }
  switch (asked.device) {
    case 'bench': {
      if (!drivers.lineBench) return ok({ code: 'NOTHING_TO_TRY' })
      const lines = await drivers.lineBench.read()
      return ok(lines.ok ? answers(lines.value.join(' ')) : silent(lineErrorText(lines.error)))
    }
    case 'shrink': {
      const state = await drivers.shrink.state()
      return ok(state.ok ? answers(state.value.coils.join(', ')) : silent(unitErrorText(state.error, SI)))
    }
    case 'spindle': {
      const state = await drivers.spindle.state()
      return ok(state.ok ? answers(state.value.coupling) : silent(spindleErrorText(state.error)))
    }
    case 'tag': {
      const read = await drivers.tagOf('').read()
      return ok(read.ok ? answers(TRIED.carrier(read.value.length)) : silent(tagReaderText(read.error)))
    }
    case 'printer':
      return ok({ code: 'NOTHING_TO_TRY' })
  }
}
