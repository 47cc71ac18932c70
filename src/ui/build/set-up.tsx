'use client'
import type { ShrinkSetup, StopSetting } from '@/core/clamp'
import type { StackUp } from '@/core/fits'
import { formatLength, unitMark } from '@/core/units'
import { formatSeconds } from '../format/due'
import { useUnit } from '../shell/shell-context'

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
  const unit = useUnit()
  const length = (mm: number, decimals = unit === 'mm' ? 2 : 3) => `${formatLength(mm, unit, decimals)} ${unitMark(unit)}`
  const short = (mm: number) => length(mm, unit === 'mm' ? 1 : 2)
  const um = (mm: number) => (mm * 1000).toFixed(0)
  return (
    <div className="grid grid-cols-2 gap-x-6 max-[640px]:grid-cols-1">
      {shrink && stop ? (
        <>
          <Big
            name="Set the stop to"
            value={formatLength(LF + stop.highMm, unit, unit === 'mm' ? 2 : 4)}
            mark={unitMark(unit)}
            note={
              stop.builds
                ? `${length(stop.highMm)} high, from ${stop.builds} builds of this holder type (spread ${length(stop.spreadMm ?? 0)})`
                : `${length(stop.highMm)} high, computed. The tool gets at most ${length(shrink.shrinkBackBoundMm)} shorter when it cools`
            }
          />
          <Big
            name="Heat to"
            value={shrink.temperatureC.toFixed(0)}
            mark="°C"
            note={`tightest pair, ${um(shrink.interferenceMm.max)} µm; holder limit ${greatestC} °C · coil ${coil}, about ${Math.max(1, shrink.heatingS).toFixed(0)} s`}
          />
        </>
      ) : (
        <>
          <Big
            name="Target length"
            value={formatLength(stack.LF, unit, unit === 'mm' ? 1 : 3)}
            mark={unitMark(unit)}
            note="gauge line to tip"
          />
          <Big
            name="Out of the nose"
            value={formatLength(stack.stickOutMm, unit, unit === 'mm' ? 1 : 2)}
            mark={unitMark(unit)}
            note={torqueNm === null ? 'nose to tip' : `nose to tip. Tighten to ${torqueNm} N·m`}
          />
        </>
      )}
      {stack.depthMm !== null && stack.depthLimitsMm && (
        <Small
          name="Shank in"
          value={short(stack.depthMm)}
          note={`between ${short(stack.depthLimitsMm.min)} and ${short(stack.depthLimitsMm.max)}; out ${short(stack.stickOutMm)}`}
        />
      )}
      <Small
        name="Reach before the holder touches"
        value={short(stack.clearMm)}
        note={`then the ${stack.clearPart} touches${reachMm === null ? '' : `. The job needs ${short(reachMm)}`}`}
      />
      <Small
        name="Mass"
        value={`${stack.massKg.toFixed(2)} kg`}
        note={`centre of mass ${short(stack.centreMm)} above the gauge line${stack.greatestRpm === null ? '' : `; ${stack.greatestRpm.toLocaleString('en')} rev/min for the ${stack.slowestPart}`}`}
      />
      {shrink && (
        <>
          <Small
            name="Earliest time to touch, to measure"
            value={`${formatSeconds(shrink.touchS)}, ${formatSeconds(shrink.measureS)}`}
            note="computed for contact cooling. Follow the unit’s light. A warm tool measures too long"
          />
          <Small
            name="Grip"
            value={`${shrink.gripTorqueNm.min.toFixed(0)} … ${shrink.gripTorqueNm.max.toFixed(0)} N·m`}
            note={`pull-out ${(shrink.pullOutN.min / 1000).toFixed(1)} kN at worst; ${um(shrink.interferenceMm.min)} … ${um(shrink.interferenceMm.max)} µm; nose at ${(shrink.stressShare * 100).toFixed(0)} % of its yield`}
          />
          {shrink.notes.map((note) => (
            <p key={note.code} className="text-unsure col-span-2 mt-2 font-semibold">
              ◐{' '}
              {note.code === 'STEEL_SHANK'
                ? 'Steel shank: it expands like the holder. Heat fast, pull at once, one try.'
                : note.code === 'NOT_OUT_AGAIN'
                  ? `It may not come out again. That needs ${Number.isFinite(note.neededC) ? `${note.neededC.toFixed(0)} °C` : 'more than any heat'}, the holder limit is ${note.limitC} °C.`
                  : `The worst pair holds ${note.worstNm.toFixed(0)} N·m. The job may need ${note.wantedNm.toFixed(0)} N·m. Take an h5 shank or a longer clamping length.`}
            </p>
          ))}
        </>
      )}
    </div>
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
