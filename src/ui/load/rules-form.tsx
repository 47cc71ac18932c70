'use client'
import { useForm } from 'react-hook-form'
import { MAY_BE_SET } from '@/core/load'
import { type LoadLimits, type LoadRule, type Magazine, type MayOverrule } from '@/core/tool'
import { BigAction } from '../common/actions'
import { CheckField } from '../common/form'
import { MachineSelect } from '../common/machine-select'
import { Problem, Say, Sheet, Title } from '../common/sheet'
import { LOAD_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useUnsaved } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as load from '@/stations/load/contract'
import { say } from '@/words/screens/load'
import { MagazineFields, LimitFields, RulesTable, Numbered, Fields } from './rules-fields'

/** The rules of loading one machine: who may go on against which, and from where on it is asked. */
export function RulesForm({
  machine,
  machines,
  limits,
  magazine,
  may,
  lead,
  keep,
}: {
  readonly machine: { readonly key: string; readonly name: string; readonly pockets: number; readonly version: number }
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly limits: LoadLimits
  readonly magazine: Magazine
  readonly may: Readonly<Record<LoadRule, MayOverrule>>
  readonly lead: boolean
  readonly keep: Ask<typeof load.keepLimits>
}) {
  const { busy, problem, run } = useAct()
  const set = Object.fromEntries(MAY_BE_SET.map((rule) => [rule, may[rule]]))
  const { register, handleSubmit, reset, formState } = useForm<Fields>({
    defaultValues: { limits: { ...limits, may: set }, magazine },
  })
  const save = handleSubmit((given) =>
    run(
      () => keep({ ...given, machine: machine.key, version: machine.version }),
      () => reset(given),
    ),
  )
  const number: Numbered = (name, min, max) => ({
    ...register(name, {
      valueAsNumber: true,
      min: { value: min, message: say.fromMin(min) },
      max: { value: max, message: say.upTo(max) },
    }),
    disabled: !lead,
  })
  const wrong = formState.errors
  const { isDirty } = formState
  useUnsaved(isDirty ? say.whatYouChangedInThese : null)
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={LOAD_TABS} label={say.sheetsOfLoad} />
          <div className="flex items-center justify-between gap-4">
            <Title lead={machine.name}>{say.whatIsCheckedBeforeA}</Title>
            <MachineSelect value={machine.key} machines={machines} path="/load/rules" />
          </div>
          <RulesTable lead={lead} register={register} />
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.limits}</h2>
          <LimitFields wrong={wrong} number={number} />
          <CheckField label={say.theLabelMustBeScanned} className="mt-3" disabled={!lead} {...register('limits.asksLabel')} />
          <h2 className="mt-3 text-2xl font-bold">{say.magazinePockets(machine.pockets)}</h2>
          <MagazineFields lead={lead} register={register} wrong={wrong} number={number} />
          <div className="mt-auto pt-3">
            {!lead && (
              <Say tone="todo" lead={say.onlyALeadCanChange}>
                {say.theseRulesProtectEverybody}
              </Say>
            )}
            {formState.isSubmitSuccessful && !problem && !busy && (
              <Say tone="holds" lead={say.kept} role="status">
                {say.theyCountFromTheNext}
              </Say>
            )}
            <Problem lead={say.notKept} text={problem} />
            <BigAction onAct={() => void save()} disabled={busy || !lead}>
              {say.keepFor(machine.name)}
            </BigAction>
          </div>
        </>
      }
    />
  )
}
