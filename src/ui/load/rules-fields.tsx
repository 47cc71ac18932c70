'use client'
import { type FieldErrors, type FieldPath, type UseFormRegister, type UseFormRegisterReturn } from 'react-hook-form'
import { MAY_BE_SET } from '@/core/load'
import { RULE_NAMES } from '@/words/load'
import { LOAD_RULES, type LoadLimits, type Magazine, type MayOverrule } from '@/core/tool'
import { NumberField, SelectField } from '../common/form'
import { say } from '@/words/screens/load'

/** The form of the magazine. */
export function MagazineFields({
  lead,
  register,
  wrong,
  number,
}: {
  readonly lead: boolean
  readonly register: UseFormRegister<Fields>
  readonly wrong: FieldErrors<Fields>
  readonly number: Numbered
}) {
  return (
    <div className="mt-2 grid grid-cols-3 gap-3">
      <SelectField label={say.form} disabled={!lead} {...register('magazine.form')}>
        <option value="chain">{say.chain}</option>
        <option value="drum">{say.drum}</option>
        <option value="rack">{say.rack}</option>
      </SelectField>
      <NumberField
        label={say.pitch}
        unit="mm"
        error={wrong.magazine?.pitchMm?.message}
        {...number('magazine.pitchMm', 20, 1000)}
      />
      <NumberField label={say.gap} unit="mm" error={wrong.magazine?.gapMm?.message} {...number('magazine.gapMm', 0, 100)} />
    </div>
  )
}

/** From which figure on a rule speaks. */
export function LimitFields({ wrong, number }: { readonly wrong: FieldErrors<Fields>; readonly number: Numbered }) {
  return (
    <div className="mt-2 grid grid-cols-2 gap-3">
      <NumberField
        label={say.measuredWithin}
        unit="days"
        error={wrong.limits?.measuredDays?.message}
        {...number('limits.measuredDays', 1, 3650)}
      />
      <NumberField
        label={say.balancedFrom}
        unit="rev/min"
        error={wrong.limits?.balanceFromRpm?.message}
        {...number('limits.balanceFromRpm', 0, 200_000)}
      />
      <NumberField
        label={say.changerSlowFrom}
        unit="kg"
        error={wrong.limits?.slowFromKg?.message}
        {...number('limits.slowFromKg', 0, 200)}
      />
      <NumberField
        label={say.byLiftFrom}
        unit="kg"
        error={wrong.limits?.liftFromKg?.message}
        {...number('limits.liftFromKg', 0, 200)}
      />
    </div>
  )
}

/** Every rule, with who may go on against it. */
export function RulesTable({ lead, register }: { readonly lead: boolean; readonly register: UseFormRegister<Fields> }) {
  return (
    <table className="table text-[18px]">
      <thead>
        <tr>
          <th scope="col">{say.rule}</th>
          <th scope="col" className="w-[220px]">
            {say.whoCanGoOnWith}
          </th>
        </tr>
      </thead>
      <tbody>
        {LOAD_RULES.map((rule) => (
          <tr key={rule}>
            <th scope="row" className="py-1.5 font-semibold">
              {RULE_NAMES[rule]}
            </th>
            <td>
              {MAY_BE_SET.includes(rule) ? (
                <select
                  className="select my-0.5!"
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
  )
}

/** A number of the form, between these two. */
export type Numbered = (
  name: FieldPath<Fields>,
  least: number,
  most: number,
) => UseFormRegisterReturn & { readonly disabled?: boolean }

export interface Fields {
  readonly limits: LoadLimits
  readonly magazine: Magazine
}

export const WHO: readonly (readonly [MayOverrule, string])[] = [
  ['anyone', say.whoeverLoads],
  ['lead', say.aLead],
  ['nobody', 'nobody'],
]
