import type { PostTool } from '@/codecs/post'
import type { Handover } from '@/core/handover'
import { isTyped } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { getAssemblyName } from '@/db/assembly/read'
import { getHandover } from '@/db/handover/read'
import { getMachine } from '@/db/machine/read'
import type { Control } from '@/devices/control/port'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { note, putFile, refuser, withFile, write } from '../write'
import { refuseTrial, tryPost } from './propose'

/** A folder for each machine, from which its control or a gateway takes files; handed in, so that a verb knows no file system. */
export interface DropFolder {
  /**
   * Whole file or none.
   * @param over whether a file that the control has not taken yet may be written over
   * @returns `there` when one of that name still lies there; else how to put the folder back as it was, for a file that could not be noted
   */
  put(machine: string, file: string, text: string, over: boolean): 'there' | (() => void)
}

export interface Drop {
  /** Hand-overs, all for one machine. */
  readonly ids: readonly number[]
  /** Said yes to writing over a file that still lies there. */
  readonly over: boolean
}

/** Puts one released tool, or a whole kit, into its machine's folder as one file. */
export async function dropPost(
  work: Work,
  control: Control,
  folder: DropFolder,
  { ids, over }: Drop,
): Promise<Result<{ readonly file: string }, Refusal>> {
  const handovers = ids.flatMap((id) => getHandover(work.db, id) ?? [])
  if (!handovers.length || handovers.length !== new Set(ids).size) return fail({ code: 'UNKNOWN_HANDOVER', what: 'these' })
  const key = handovers[0].values.machine
  const machine = getMachine(work.db, key)
  const { serial, t } = handovers[0].values
  const refuse = refuser(work, 'Hand over', { serial, t, machine: key })
  if (!machine) return refuse({ code: 'UNKNOWN_MACHINE', machine: key })
  if (isTyped(machine)) return refuse({ code: 'NO_FILES', machine: machine.name })
  const other = handovers.find((h) => h.values.machine !== key)
  if (other)
    return refuse({
      code: 'VALUES_DIFFER',
      what: 'machine',
      serial: other.values.serial,
      issue: other.values.issue,
      for: other.values.machine,
      not: key,
    })
  const old = handovers.find((h) => h.voidedAt)
  if (old)
    return refuse({
      code: 'SUPERSEDED',
      what: 'hand-over',
      serial: old.values.serial,
      issue: old.values.issue,
      why: old.voidReason,
      nothing: 'sent',
    })
  const post = handovers.length === 1 ? ok(handovers[0]) : await wholeKit(work, control, machine, handovers)
  if (!post.ok) return refuse(post.error)
  const { postFile, postText } = post.value
  const put = putFile(() => folder.put(key, postFile, postText, over))
  if (!put.ok) return put
  const putBack = put.value
  if (putBack === 'there') return fail({ code: 'FILE_THERE', file: postFile, machine: machine.name })
  const entry = { code: 'POSTED', file: postFile, machine: machine.name, over } as const
  const tell = () =>
    write(work, null, (tx) => {
      for (const { values } of handovers)
        note(tx, {
          entry,
          serial: values.serial,
          t: values.t,
          machine: key,
          after: { file: postFile, issue: values.issue },
        })
      return { file: postFile }
    })
  return withFile(putBack, tell)
}

/** The frozen values of several tools in one file, tried by the control like every other. */
async function wholeKit(
  work: Work,
  control: Control,
  machine: NonNullable<ReturnType<typeof getMachine>>,
  handovers: readonly Handover[],
): Promise<Result<Pick<Handover, 'postFile' | 'postText'>, Refusal>> {
  const twice = handovers.find(
    (h, i) => handovers.findIndex((o) => o.values.t === h.values.t && o.values.sister === h.values.sister) < i,
  )
  if (twice) return fail({ code: 'T_TWICE', t: twice.values.t, serial: null })
  const tools: PostTool[] = handovers.map((h) => ({ ...h.values, name: getAssemblyName(work.db, h.assemblyId) ?? '' }))
  const trial = await tryPost(work.db, control, machine, tools, work.now)
  if (!trial.ok) return trial
  const wrong = refuseTrial(trial.value, machine)
  if (wrong) return fail(wrong)
  return ok({ postFile: trial.value.file, postText: trial.value.text })
}
