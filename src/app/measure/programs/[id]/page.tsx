import { ServedPicture } from '@/ui/common/link'
import { FEATURE_NAMES } from '@/words/properties'
import { readRoutine } from '@/stations/measure/pages'
import { notFound } from 'next/navigation'
import { type Feature, type SpecLimits } from '@/core/features'
import { isAngle, type ProgramStep } from '@/core/judge'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'
import { SmallAction, SmallActions } from '@/ui/common/actions'
import { Row, Sheet, Title } from '@/ui/common/sheet'
import { MEASURE_TABS, SubNav } from '@/ui/common/sub-nav'
import { formatWhen } from '@/ui/format/due'
import { signedIn, type Context } from '../../../_server/context'
import { plainText } from '../../../_server/params'
import { say } from '@/words/screens/measure'

export const metadata = { title: say.measuringProgram }

const SHORT = { mm: 1, inch: 2 } as const

/** A feature's limits in words; the tool's own come from the library. */
function limitsText(feature: Feature, limits: SpecLimits | undefined, unit: LengthUnit, own: boolean): string {
  if (!limits) return own && ['LF', 'DC', 'RE'].includes(feature) ? say.limitsFromTheLibrary : say.notJudged
  const sized = (value: number) => (isAngle(feature) ? value.toFixed(2) : formatLength(value, unit))
  const mark = isAngle(feature) ? '°' : ` ${unitMark(unit)}`
  return limits.min === null ? say.upTo(sized(limits.max), mark) : `${sized(limits.min)} … ${sized(limits.max)}${mark}`
}

export default async function ProgramPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const id = plainText((await params).id)
  const shop = await signedIn()
  const page = readRoutine(shop.db, id)
  if (!page) notFound()
  const { definition, versions, steps, standing } = page
  const names = new Map(shop.people.map((p) => [p.id, p.name]))
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={MEASURE_TABS} label={say.sheetsOfTheBench} />
            <Title lead={say.tHowItIsMeasured(definition.t)}>
              {definition.name} · {versions[0] ? say.versionNumber(versions[0].version) : say.noRoutine}
            </Title>
            <ol className="max-w-[760px]">
              {steps.map((step, i) => (
                <Step key={step.name} step={step} i={i} shop={shop} />
              ))}
            </ol>
          </>
        }
        right={
          <>
            {versions[0]?.evidence && (
              <ServedPicture
                src={`/api/definitions/${encodeURIComponent(id)}/program.png`}
                alt={say.pictureOfT(definition.t)}
                className="border-ink mb-3 w-full border"
              />
            )}
            <h2 className="text-2xl font-bold">{say.versions}</h2>
            {versions.length === 0 && <p className="text-soft mt-1 text-lg">{say.noneYetMeasureATool}</p>}
            {versions.map((v) => (
              <Row key={v.version} name={`${v.version}: ${v.why}`}>
                <small className="text-soft text-base font-medium">
                  {formatWhen(v.at)}, {names.get(v.personId) ?? v.personId}
                </small>
              </Row>
            ))}
            <div className="mt-auto pt-3">
              <p className="text-lg">{standing.length ? say.changeAndTryItWith : say.thereIsNoToolOf}</p>
              {standing.length > 0 && (
                <SmallActions>
                  {standing.slice(0, 2).map((a) => (
                    <SmallAction key={a.serial} href={`/measure/${a.serial}/program`}>
                      {say.onSerial(a.serial)}
                    </SmallAction>
                  ))}
                </SmallActions>
              )}
            </div>
          </>
        }
      />
    </>
  )
}

/** One step of it. */
function Step({ step, i, shop }: { readonly step: ProgramStep; readonly i: number; readonly shop: Context }) {
  return (
    <li className="border-rule border-b py-2">
      <h2 className="flex items-baseline gap-3 text-[22px] font-bold">
        <span className="figures text-soft w-6">{i + 1}</span>
        {step.name}
        <small className="figures text-soft text-[17px] font-medium">
          {step.at
            ? say.belowTheTipFromThe(
                formatLength(step.at.downMm, shop.unit, SHORT[shop.unit]),
                unitMark(shop.unit),
                formatLength(step.at.xMm, shop.unit, SHORT[shop.unit]),
                unitMark(shop.unit),
              )
            : say.foundAtTheToolsEnd}
        </small>
      </h2>
      <ul className="pl-9">
        {step.features.map((f) => (
          <li key={f} className="flex justify-between gap-4 py-0.5 text-lg">
            <span>
              {FEATURE_NAMES[f]} <small className="text-soft">{f}</small>
            </span>
            <span className="figures font-semibold">{limitsText(f, step.limits[f], shop.unit, step.at === null)}</span>
          </li>
        ))}
      </ul>
    </li>
  )
}
