'use client'
import type { ShrinkSetup, StopSetting } from '@/core/clamp'
import type { StackUp } from '@/core/fits'
import { formatLength, unitMark, type LengthUnit, toRead } from '@/core/units'
import { formatSeconds } from '../format/due'
import { useUnit, useUnits } from '../shell/shell-context'
import { say } from '@/words/screens/build'
import { gripText, massText, temperatureText, torqueText } from '@/words/quantity'

export interface SetUpProps {
  readonly stack: StackUp
  readonly shrink: ShrinkSetup | null
  readonly stop: StopSetting | null
  readonly LF: number
  readonly coil: string | null
  readonly greatestC: number | null
  readonly torqueNm: number | null
  readonly reachMm: number | null
}

/** What the parts add up to, and for a shrink fit the whole set-up for the worst and the best of its tolerances. */
export function SetUp({ stack, shrink, stop, LF, coil, greatestC, torqueNm, reachMm }: SetUpProps) {
  const units = useUnits()
  const unit = useUnit()
  const length = (mm: number, decimals = unit === 'mm' ? 2 : 3) => `${formatLength(mm, unit, decimals)} ${unitMark(unit)}`
  const short = (mm: number) => length(mm, unit === 'mm' ? 1 : 2)
  const um = (mm: number) => (mm * 1000).toFixed(0)
  return (
    <div className="grid grid-cols-2 gap-x-6 max-[640px]:grid-cols-1">
      <StopAndHeat
        shrink={shrink}
        stop={stop}
        LF={LF}
        unit={unit}
        length={length}
        um={um}
        greatestC={greatestC}
        coil={coil}
        stack={stack}
        torqueNm={torqueNm}
      />
      {stack.depthMm !== null && stack.depthLimitsMm && (
        <Small
          name={say.shankIn}
          value={short(stack.depthMm)}
          note={say.betweenAndOut(short(stack.depthLimitsMm.min), short(stack.depthLimitsMm.max), short(stack.stickOutMm))}
        />
      )}
      <Small
        name={say.reachBeforeTheHolderTouches}
        value={short(stack.clearMm)}
        note={say.thenTheTouches(stack.clearPart, reachMm === null ? '' : say.theJobNeeds(short(reachMm)))}
      />
      <Small
        name={say.mass}
        value={massText(stack.massKg, units)}
        note={say.centreOfMassAboveThe(
          short(stack.centreMm),
          stack.greatestRpm === null ? '' : say.revMinForThe(stack.greatestRpm.toLocaleString('en'), stack.slowestPart),
        )}
      />
      <ShrinkFacts shrink={shrink} um={um} />
    </div>
  )
}

/** What shrinking gives, and how long it takes. */
function ShrinkFacts({ shrink, um }: { readonly shrink: SetUpProps['shrink']; readonly um: (mm: number) => string }) {
  const units = useUnits()
  return (
    shrink && (
      <>
        <Small
          name={say.earliestTimeToTouchTo}
          value={`${formatSeconds(shrink.touchS)}, ${formatSeconds(shrink.measureS)}`}
          note={say.computedForContactCoolingFollow}
        />
        <Small
          name={say.grip}
          value={say.fromTo(
            toRead(shrink.gripTorqueNm.min, 'torque', units).toFixed(0),
            gripText(shrink.gripTorqueNm.max, units),
          )}
          note={say.pullOutKnAtWorst(
            (shrink.pullOutN.min / 1000).toFixed(1),
            um(shrink.interferenceMm.min),
            um(shrink.interferenceMm.max),
            (shrink.stressShare * 100).toFixed(0),
          )}
        />
        {shrink.notes.map((note) => (
          <p key={note.code} className="text-unsure col-span-2 mt-2 font-semibold">
            ◐{' '}
            {note.code === 'STEEL_SHANK'
              ? say.steelShankItExpandsLike
              : note.code === 'NOT_OUT_AGAIN'
                ? say.itMayNotComeOut(
                    Number.isFinite(note.neededC) ? temperatureText(note.neededC, units) : say.moreThanAnyHeat,
                    temperatureText(note.limitC, units),
                  )
                : say.theWorstPairHoldsN(gripText(note.worstNm, units), gripText(note.wantedNm, units))}
          </p>
        ))}
      </>
    )
  )
}

/** Where the stop is set and how hot it is made. */
function StopAndHeat({
  shrink,
  stop,
  LF,
  unit,
  length,
  um,
  greatestC,
  coil,
  stack,
  torqueNm,
}: {
  readonly shrink: SetUpProps['shrink']
  readonly stop: SetUpProps['stop']
  readonly LF: SetUpProps['LF']
  readonly unit: LengthUnit
  readonly length: (mm: number, decimals?: number) => string
  readonly um: (mm: number) => string
  readonly greatestC: SetUpProps['greatestC']
  readonly coil: SetUpProps['coil']
  readonly stack: SetUpProps['stack']
  readonly torqueNm: SetUpProps['torqueNm']
}) {
  const units = useUnits()
  return shrink && stop ? (
    <>
      <Big
        name={say.setTheStopTo}
        value={formatLength(LF + stop.highMm, unit, unit === 'mm' ? 2 : 4)}
        mark={unitMark(unit)}
        note={
          stop.builds
            ? say.highFromBuildsOfThis(length(stop.highMm), stop.builds, length(stop.spreadMm ?? 0))
            : say.highComputedTheToolGets(length(stop.highMm), length(shrink.shrinkBackBoundMm))
        }
      />
      <Big
        name={say.heatTo}
        value={toRead(shrink.temperatureC, 'temperature', units).toFixed(0)}
        mark={units.temperature}
        note={say.tightestPairMHolderLimit(
          um(shrink.interferenceMm.max),
          greatestC === null ? '–' : temperatureText(greatestC, units),
          coil,
          Math.max(1, shrink.heatingS).toFixed(0),
        )}
      />
    </>
  ) : (
    <>
      <Big
        name={say.targetLength}
        value={formatLength(stack.LF, unit, unit === 'mm' ? 1 : 3)}
        mark={unitMark(unit)}
        note={say.gaugeLineToTip}
      />
      <Big
        name={say.outOfTheNose}
        value={formatLength(stack.stickOutMm, unit, unit === 'mm' ? 1 : 2)}
        mark={unitMark(unit)}
        note={torqueNm === null ? say.noseToTip : say.noseToTipTightenTo(torqueText(torqueNm, units))}
      />
    </>
  )
}

interface Figure {
  readonly name: string
  readonly value: string
  readonly note: string
}

function Big({ name, value, mark, note }: Figure & { readonly mark: string }) {
  return (
    <div className="border-rule border-b py-1.5">
      <div className="font-semibold">{name}</div>
      <div className="figures text-[40px] leading-none font-bold">
        {value} <small className="text-soft text-[20px] font-medium">{mark}</small>
      </div>
      <div className="text-soft mt-1 text-[15px] leading-snug">{note}</div>
    </div>
  )
}

function Small({ name, value, note }: Figure) {
  return (
    <div className="border-rule col-span-2 border-b py-1 max-[640px]:col-span-1">
      <div className="flex items-baseline justify-between gap-2">
        <span className="font-semibold">{name}</span>
        <span className="figures text-[20px] font-semibold whitespace-nowrap">{value}</span>
      </div>
      <div className="text-soft text-[15px] leading-snug">{note}</div>
    </div>
  )
}
