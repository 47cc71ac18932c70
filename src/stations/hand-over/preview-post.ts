import type { PostTool } from '@/codecs/post'
import { tableOf, type Assembly, type Machine } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { currentBalance } from '@/db/balance/read'
import type { Db } from '@/db/connection'
import { nextIssue } from '@/db/handover/read'
import { getDefinition, getHolder } from '@/db/library/read'
import { getMachine } from '@/db/machine/read'
import { lastMeasurement } from '@/db/measurement/read'
import type { Control } from '@/devices/control/port'
import type { Refusal } from '../refusals'
import { tryPost, valuesOf, type PostTrial } from './propose'
import { sisterOf } from './sister-of'
import { toolFacts } from './tool-facts'

export interface Preview {
  readonly machine: string
  /** Serials. */
  readonly assemblies: readonly string[]
  readonly post?: string
}

/** Whether a tool turns; one without a definition does not. */
const turns = (db: Db, { definition }: Assembly): boolean =>
  definition !== null && getDefinition(db, definition.id, definition.version)?.toolClass === 'turn'

const definitionOf = (db: Db, { definition }: Assembly) => definition && getDefinition(db, definition.id, definition.version)

/** Where the tip of a turning tool points, by its definition; without one a post shows it as orientation 9, the nose's centre. */
const tipOf = (db: Db, { definition }: Assembly): number =>
  (definition && getDefinition(db, definition.id, definition.version)?.tip) ?? 9

/** Tools as a post of this machine would get them now, from their last measurements. */
export function toolsFor(db: Db, machine: Machine, serials: readonly string[]): Result<readonly PostTool[], Refusal> {
  const tools: PostTool[] = []
  for (const serial of serials) {
    const assembly = getAssembly(db, serial.toUpperCase())
    if (!assembly)
      return fail(getHolder(db, serial.toUpperCase()) ? { code: 'NO_TOOL', serial } : { code: 'UNKNOWN_HOLDER', serial })
    const measurement = assembly.state === 'built' ? null : lastMeasurement(db, assembly.id)
    const values =
      measurement && assembly.t !== null
        ? valuesOf(assembly, measurement, machine, assembly.t, nextIssue(db, assembly.serial), {
            turning: turns(db, assembly),
            tip: tipOf(db, assembly),
            sister: sisterOf(db, machine, assembly.t, assembly),
            balance: currentBalance(db, assembly.id),
            facts: toolFacts(db, assembly, definitionOf(db, assembly), machine),
            // where rows go by pocket, nobody has given one yet: it is shown as if they stood in the first ones
            pocket: tableOf(machine).numberFrom === 'pocket' ? tools.length + 1 : null,
          })
        : null
    if (!values) return fail({ code: 'NOT_MEASURED', serial: assembly.serial })
    if (tools.some((tool) => tool.t === values.t && tool.sister === values.sister))
      return fail({ code: 'T_TWICE', t: values.t, serial: assembly.serial })
    tools.push({ ...values, name: assembly.name })
  }
  return ok(tools)
}

/** A post over several tools as it would be now; nothing is released. */
export async function previewPost(
  db: Db,
  control: Control,
  { machine: key, assemblies, post }: Preview,
  now: string,
): Promise<Result<PostTrial, Refusal>> {
  const machine = getMachine(db, key)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: key })
  const tools = toolsFor(db, machine, assemblies)
  return tools.ok ? tryPost(db, control, machine, tools.value, now, post) : tools
}
