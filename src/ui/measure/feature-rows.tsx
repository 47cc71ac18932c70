'use client'
import { featureWord } from '@/words/properties'
import { FEATURES } from '@/core/features'
import { isAngle, type FeatureKey, type FeatureResult } from '@/core/judge'
import { formatLength, mmToUnit, unitMark, type LengthUnit } from '@/core/units'
import { VERDICT_TEXT, VerdictMark } from '../common/verdict'
import { say } from '@/words/screens/measure'

const symbolOf = (key: FeatureKey) => FEATURES.find((f) => f === key)
const SPREADS: readonly FeatureKey[] = ['radialRunout', 'axialRunout']

/** The figures an operator reads from a metre away, each against its limits, with its uncertainty. */
export function FeatureRows({
  features,
  before,
  unit,
}: {
  readonly features: readonly FeatureResult[]
  readonly before: Readonly<Partial<Record<FeatureKey, number | null>>> | null
  readonly unit: LengthUnit
}) {
  return (
    <dl>
      {features.map((f) => {
        const spread = SPREADS.includes(f.key)
        const old = f.step === null ? before?.[f.key] : null
        const sized = (value: number) => (isAngle(f.key) ? value.toFixed(2) : formatLength(value, unit))
        return (
          <div
            key={`${f.step ?? ''} ${f.key}`}
            data-feature={f.key}
            className="border-rule grid grid-cols-[1fr_auto] items-end border-b pt-1 pb-1"
          >
            <dt className="font-semibold">
              {f.step !== null && <span className="text-soft block text-[15px] leading-none font-medium">{f.step}</span>}
              {featureWord(f.key)}
              {symbolOf(f.key) && <small className="text-soft ml-1.5 font-normal">{symbolOf(f.key)}</small>}
              {old !== undefined && old !== null && (
                <small className="figures text-soft ml-2 text-[15px] font-medium">{say.wasOld(sized(old))}</small>
              )}
            </dt>
            <dd
              className={`figures text-right text-[34px] leading-none font-[650] ${f.verdict === 'off' ? VERDICT_TEXT.off : ''}`}
            >
              {sized(f.value)}{' '}
              <small className="text-soft text-[18px] font-medium">
                {spread && f.limits
                  ? say.ofMax(sized(f.limits.max))
                  : `± ${isAngle(f.key) ? upTo(2 * f.sigma, 2) : upTo(mmToUnit(2 * f.sigma, unit), unit === 'mm' ? 3 : 5)}`}{' '}
                {isAngle(f.key) ? '°' : unitMark(unit)}
              </small>
            </dd>
            {f.limits && f.verdict ? (
              <>
                <Band feature={f} />
                <span className="justify-self-end">
                  <VerdictMark verdict={f.verdict} />
                </span>
              </>
            ) : (
              <span className="text-soft col-span-2 text-[15px]">{say.noLimitSetNotJudged}</span>
            )}
          </div>
        )
      })}
    </dl>
  )
}

/** Rounded up, so that it never reads as no uncertainty at all. */
const upTo = (value: number, decimals: number): string =>
  (Math.ceil(value * 10 ** decimals - 1e-9) / 10 ** decimals).toFixed(decimals)

/** Where the value lies between its limits; the bar is as wide as its uncertainty. */
function Band({ feature }: { readonly feature: FeatureResult }) {
  const { min, max } = feature.limits!
  const low = min ?? 0
  const span = Math.max(1e-9, max - low)
  const at = (mm: number) => 30 + (150 * (mm - low)) / span
  const half = Math.max(4, (150 * 2 * feature.sigma) / span)
  const middle = Math.max(6, Math.min(214, at(feature.value)))
  const fill = { holds: 'var(--color-holds)', unsure: 'var(--color-unsure)', off: 'var(--color-off)' }[feature.verdict ?? 'holds']
  return (
    <svg viewBox="0 0 220 14" className="h-[14px] w-full max-w-[240px]" preserveAspectRatio="none" aria-hidden="true">
      <rect x="30" y="4" width="150" height="6" fill="var(--color-base-300)" />
      <path d={`${min === null ? '' : 'M30 0V14'}M180 0V14`} stroke="var(--color-base-content)" strokeWidth="2" />
      <rect x={Math.max(0, middle - half)} y="2" width={Math.min(220, 2 * half)} height="10" fill={fill} />
    </svg>
  )
}
