'use client'
import { useForm } from 'react-hook-form'
import { MAY_BE_SET } from '@/core/load'
import { RULE_NAMES } from '@/words/load'
import { LOAD_RULES, type LoadLimits, type LoadRule, type Magazine, type MayOverrule } from '@/core/tool'
import { BigAction } from '../common/actions'
import { Field, FIELD } from '../common/form'
import { MachineSelect } from '../common/machine-select'
import { Problem, Say, Sheet, Title } from '../common/sheet'
import { LOAD_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useUnsaved } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as load from '@/stations/load/contract'
import { say } from '@/words/screens/load'

const WHO: readonly (readonly [MayOverrule, string])[] = [
  ['anyone', say.whoeverLoads],
  ['lead', say.aLead],
  ['nobody', 'nobody'],
]

interface Fields {
  readonly limits: LoadLimits
  readonly magazine: Magazine
}

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
  const number = (name: Parameters<typeof register>[0], min: number, max: number) => ({
    ...register(name, {
      valueAsNumber: true,
      min: { value: min, message: say.fromMin(min) },
      max: { value: max, message: say.upTo(max) },
    }),
    className: `${FIELD} figures`,
    inputMode: 'decimal' as const,
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
          <table className="w-full text-left text-[18px]">
            <thead>
              <tr className="border-ink border-b-2 [&>th]:pb-1.5 [&>th]:text-[17px] [&>th]:font-medium">
                <th scope="col">{say.rule}</th>
                <th scope="col" className="w-[220px]">
                  {say.whoCanGoOnWith}
                </th>
              </tr>
            </thead>
            <tbody>
              {LOAD_RULES.map((rule) => (
                <tr key={rule} className="border-rule border-b">
                  <th scope="row" className="py-1.5 font-semibold">
                    {RULE_NAMES[rule]}
                  </th>
                  <td>
                    {MAY_BE_SET.includes(rule) ? (
                      <select
                        className={`${FIELD} my-0.5!`}
                        aria-label={say.whoMayGoOnAgainst(RULE_NAMES[rule])}
                        disabled={!lead}
                        {...register(`limits.may.${rule}`)}
                      >
                        {WHO.map(([key, name]) => (
                          <option key={key} value={key}>
                            {name}
                          </option>
                        ))}
                      </select>
                    ) : (
                      <span className="text-soft px-3">{say.nobody}</span>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.limits}</h2>
          <div className="mt-2 grid grid-cols-2 gap-3">
            <Field name={say.measuredWithin} unit="days" error={wrong.limits?.measuredDays?.message}>
              <input {...number('limits.measuredDays', 1, 3650)} />
            </Field>
            <Field name={say.balancedFrom} unit="rev/min" error={wrong.limits?.balanceFromRpm?.message}>
              <input {...number('limits.balanceFromRpm', 0, 200_000)} />
            </Field>
            <Field name={say.changerSlowFrom} unit="kg" error={wrong.limits?.slowFromKg?.message}>
              <input {...number('limits.slowFromKg', 0, 200)} />
            </Field>
            <Field name={say.byLiftFrom} unit="kg" error={wrong.limits?.liftFromKg?.message}>
              <input {...number('limits.liftFromKg', 0, 200)} />
            </Field>
          </div>
          <label className="mt-3 flex min-h-11 items-center gap-3 text-lg font-semibold">
            <input
              type="checkbox"
              className="h-5 w-5 accent-[var(--color-act)]"
              disabled={!lead}
              {...register('limits.asksLabel')}
            />
            {say.theLabelMustBeScanned}
          </label>
          <h2 className="mt-3 text-2xl font-bold">{say.magazinePockets(machine.pockets)}</h2>
          <div className="mt-2 grid grid-cols-3 gap-3">
            <Field name={say.form}>
              <select className={FIELD} disabled={!lead} {...register('magazine.form')}>
                <option value="chain">{say.chain}</option>
                <option value="drum">{say.drum}</option>
                <option value="rack">{say.rack}</option>
              </select>
            </Field>
            <Field name={say.pitch} unit="mm" error={wrong.magazine?.pitchMm?.message}>
              <input {...number('magazine.pitchMm', 20, 1000)} />
            </Field>
            <Field name={say.gap} unit="mm" error={wrong.magazine?.gapMm?.message}>
              <input {...number('magazine.gapMm', 0, 100)} />
            </Field>
          </div>
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
