'use client'
import { featureWord } from '@/words/properties'
import { type UseFormRegister } from 'react-hook-form'
import { type FigureKey } from '@/core/sets'
import type { SpecLimits } from '@/core/features'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'
import { say } from '@/words/screens/measure'
import type { FiguresProps } from './figures-props'

/** What is typed: each value twice. */
export type FigureTexts = Record<`${FigureKey}${1 | 2}`, string>

/** One value: wanted, typed twice or come over the line. */
export function Line({
  of: key,
  before,
  unit,
  taken,
  register,
  wrongOf,
  different,
  wanted,
}: {
  readonly of: FigureKey
  readonly before: FiguresProps['before']
  readonly unit: LengthUnit
  readonly taken: Readonly<Record<'LF' | 'DC' | 'RE', number | null>> | null
  readonly register: UseFormRegister<FigureTexts>
  readonly wrongOf: (key: FigureKey, n: 1 | 2) => string | null
  readonly different: boolean
  readonly wanted: SpecLimits | null
}) {
  return (
    <tr className="border-rule border-t">
      <th className="py-2 pr-3 text-left font-semibold whitespace-nowrap">
        {featureWord(key)} <small className="text-soft font-normal">{key}</small>
        {typeof before?.[key] === 'number' && (
          <small className="figures text-soft block font-medium">{say.wasBefore(formatLength(before[key], unit))}</small>
        )}
      </th>
      {taken ? (
        <td colSpan={2} className="figures py-2 text-[34px] leading-none font-[650]">
          {taken[key] === null ? '–' : formatLength(taken[key], unit)}{' '}
          <small className="text-soft text-[18px] font-medium">{unitMark(unit)}</small>
        </td>
      ) : (
        ([1, 2] as const).map((n) => (
          <td key={n} className={n === 2 ? 'pl-3' : ''}>
            <input
              {...register(`${key}${n}`)}
              inputMode="decimal"
              autoComplete="off"
              aria-label={`${featureWord(key)}, ${n === 1 ? 'first' : 'again'}`}
              aria-invalid={wrongOf(key, n) !== null}
              aria-describedby={wrongOf(key, n) ? `${key}${n}-wrong` : undefined}
              className={`input figures text-[22px] font-semibold ${different && n === 2 ? 'border-off' : ''}`}
            />
            {wrongOf(key, n) && (
              <span id={`${key}${n}-wrong`} role="alert" className="text-off block max-w-[190px] text-[14px] leading-tight">
                {wrongOf(key, n)}
              </span>
            )}
          </td>
        ))
      )}
      <td className="figures text-soft pl-3 text-right whitespace-nowrap">
        {wanted
          ? `${wanted.min === null ? '' : formatLength(wanted.min, unit)} – ${formatLength(wanted.max, unit)}`
          : say.notJudged}
        {different && <span className="text-off block font-semibold">{say.notTheSame}</span>}
      </td>
    </tr>
  )
}
