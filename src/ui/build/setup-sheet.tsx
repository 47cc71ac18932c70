'use client'
import type { ShrinkSetup } from '@/core/clamp'
import type { ShrinkHolder, SolidCutter, StackUp } from '@/core/tool'
import { formatLength, unitMark } from '@/core/units'
import { formatSeconds } from '../format/due'
import { useUnit } from '../shell/shell-context'

/** The computed set-up of a shrink-fit tool, for the worst and the best of its tolerances. */
export function SetupSheet({
  setup,
  stopMm,
  holder,
  cutter,
  stack,
}: {
  readonly setup: ShrinkSetup
  readonly stopMm: number
  readonly holder: ShrinkHolder
  readonly cutter: SolidCutter
  readonly stack: StackUp
}) {
  const unit = useUnit()
  const length = (mm: number, decimals = unit === 'mm' ? 2 : 3) => `${formatLength(mm, unit, decimals)} ${unitMark(unit)}`
  const um = (mm: number) => (mm * 1000).toFixed(0)
  return (
    <div className="grid grid-cols-2 gap-x-6 max-[640px]:grid-cols-1">
      <Big
        name="Set the stop to"
        value={formatLength(stopMm, unit, unit === 'mm' ? 2 : 4)}
        mark={unitMark(unit)}
        note={`${length(setup.stopHighMm)} high: it shortens by at most ${length(setup.shrinkBackBoundMm)} as it cools`}
      />
      <Big
        name="Heat to"
        value={setup.temperatureC.toFixed(0)}
        mark="°C"
        note={`tightest pair, ${um(setup.interferenceMm.max)} µm; this holder may see ${holder.greatestC} °C`}
      />
      <Small name="Heating, about" value={`${Math.max(1, setup.heatingS).toFixed(0)} s`} note={`coil ${holder.coil}`} />
      <Small
        name="Shank in the bore"
        value={length(stack.depthMm, unit === 'mm' ? 1 : 2)}
        note={`least ${length(holder.depth.min, unit === 'mm' ? 0 : 2)}, out ${length(stack.stickOutMm, unit === 'mm' ? 1 : 2)}`}
      />
      <Small
        name="Earliest to touch"
        value={formatSeconds(setup.touchS)}
        note="computed, contact cooling; wait for the unit’s light"
      />
      <Small name="Earliest to measure" value={formatSeconds(setup.measureS)} note="a warm tool measures long" />
      <Small
        name="Grip torque"
        value={`${setup.gripTorqueNm.min.toFixed(0)} … ${setup.gripTorqueNm.max.toFixed(0)} N·m`}
        note={`worst to best of the tolerances, ${um(setup.interferenceMm.min)} … ${um(setup.interferenceMm.max)} µm of interference`}
      />
      <Small
        name="Pull-out force, worst"
        value={`${(setup.pullOutN.min / 1000).toFixed(1)} kN`}
        note={`nose stressed to ${(setup.stressShare * 100).toFixed(0)} % of its yield`}
      />
      {setup.notes.map((note) => (
        <p key={note.code} className="text-unsure col-span-2 mt-2 font-semibold">
          ◐{' '}
          {note.code === 'STEEL_SHANK'
            ? `The shank of ${cutter.name} is steel: it expands like the holder. Heat fast, pull at once, one try.`
            : `The worst pair holds ${note.worstNm.toFixed(0)} N·m, the job may ask for ${note.wantedNm.toFixed(0)}. Take an h5 shank or a longer grip.`}
        </p>
      ))}
    </div>
  )
}

function Big({
  name,
  value,
  mark,
  note,
}: {
  readonly name: string
  readonly value: string
  readonly mark: string
  readonly note: string
}) {
  return (
    <div className="border-rule border-b py-2">
      <div className="font-semibold">{name}</div>
      <div className="figures text-[42px] leading-none font-bold">
        {value} <small className="text-soft text-[20px] font-medium">{mark}</small>
      </div>
      <div className="text-soft mt-1 text-[15px]">{note}</div>
    </div>
  )
}

function Small({ name, value, note }: { readonly name: string; readonly value: string; readonly note: string }) {
  return (
    <div className="border-rule col-span-2 border-b py-1.5 max-[640px]:col-span-1">
      <div className="flex items-baseline justify-between gap-2">
        <span className="font-semibold">{name}</span>
        <span className="figures text-[21px] font-semibold whitespace-nowrap">{value}</span>
      </div>
      <div className="text-soft text-[15px]">{note}</div>
    </div>
  )
}
