import type { Heavy } from '@/codecs/heavy'
import { SHIPPED_POSTS } from '@/codecs/post'
import type { PostCheck } from '@/core/handover'
import { isLead, type Machine, type Person, type PostOptions } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { getMachine, getPost, getPostTemplate, listPosts } from '@/db/machine/read'
import { insertPost, updateMachine, updatePost } from '@/db/machine/write'
import type { Control } from '@/devices/control/port'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, refuser, write } from '../write'
import { toolsFor } from './preview-post'
import { refuseTrial, tryTemplateOn } from './propose'

export interface TemplateTrial {
  readonly machine: string
  readonly template: string
  readonly options: PostOptions
  /** Tools that it is tried on. */
  readonly serials: readonly string[]
}

export interface TemplateTried {
  readonly text: string
  readonly check: PostCheck
  /** Why it may not be sent; null when the control would hold what was measured and nothing else. */
  readonly wrong: Refusal | null
}

/** A template as it stands in an editor (one that is not kept yet is a lead's to try), filled in with real tools and tried by the control; nothing is kept. */
export async function tryTemplate(
  db: Db,
  control: Control,
  { machine: key, template, serials, options }: TemplateTrial,
  now: string,
  who: Person | null,
  heavy: Heavy,
): Promise<Result<TemplateTried, Refusal>> {
  const known = getMachine(db, key)
  if (!known) return fail({ code: 'UNKNOWN_MACHINE', machine: key })
  const kept = listPosts(db).some((post) => getPostTemplate(db, post) === template)
  if (!isLead(who) && !kept) return fail({ code: 'LEAD_ONLY', what: 'templates' })
  const machine = withOptions(known, options)
  const tools = toolsFor(db, machine, serials)
  if (!tools.ok) return tools
  const trial = await tryTemplateOn(control, machine, template, tools.value, now, machine.post, heavy.post)
  return trial.ok ? ok({ text: trial.value.text, check: trial.value.check, wrong: refuseTrial(trial.value, machine) }) : trial
}

export interface PostKeep extends TemplateTrial {
  readonly name: string
  /** The version of the machine that was changed. */
  readonly version: number
}

const withOptions = (machine: Machine, { sizeRegister, decimals, ...table }: PostOptions): Machine => ({
  ...machine,
  sizeRegister,
  decimals,
  table,
})

/** A machine's own post and how its table is filled, once the control has shown that the figures arrive; a lead's to change. */
export async function keepPost(work: Work, control: Control, keep: PostKeep, heavy: Heavy): Promise<Result<null, Refusal>> {
  const machine = getMachine(work.db, keep.machine)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: keep.machine })
  const refuse = refuser(work, 'Posts', { machine: machine.key })
  const somebodyElse: Refusal = { code: 'CHANGED', what: 'machine', machine: machine.name }
  if (keep.version !== machine.version) return fail(somebodyElse)
  const shipped = SHIPPED_POSTS[keep.name]
  if (shipped !== undefined && shipped !== keep.template) return refuse({ code: 'STANDARD_POST', post: keep.name })
  const changed: Machine = { ...withOptions(machine, keep.options), post: keep.name }
  const tools = toolsFor(work.db, changed, keep.serials)
  if (!tools.ok) return tools
  if (!tools.value.length) return refuse({ code: 'NO_TOOL_TO_TRY' })
  const before = { used: getPost(work.db, machine.post), kept: getPost(work.db, keep.name) }
  const trial = await tryTemplateOn(control, changed, keep.template, tools.value, work.now, changed.post, heavy.post)
  if (!trial.ok) return refuse(trial.error)
  const wrong = refuseTrial(trial.value, changed)
  if (wrong) return refuse(wrong)
  if (!trial.value.check.rows.length) return refuse({ code: 'TRIED_WITHOUT_REGISTER' })
  const { sizeRegister, decimals, table, post } = machine
  const noted = {
    entry: { code: 'POST_KEPT', post: keep.name, machine: machine.name },
    machine: machine.key,
    before: { post, template: before.used?.template ?? null, sizeRegister, decimals, table: table ?? null },
    after: { post: keep.name, template: keep.template, ...keep.options },
  } as const
  return write(
    work,
    noted,
    (tx) => {
      if (before.kept) must(updatePost(tx.db, before.kept, keep.template), somebodyElse)
      else insertPost(tx.db, keep.name, keep.template)
      must(updateMachine(tx.db, machine, changed), somebodyElse)
      return null
    },
    somebodyElse,
  )
}
