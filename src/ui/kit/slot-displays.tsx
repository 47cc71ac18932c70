'use client'
import { useKeepFresh } from '../common/keep-fresh'
import type { Coupling } from '@/core/tool'
import { fixed, mmToUnit, unitMark, type LengthUnit } from '@/core/units'
import { say } from '@/words/screens/kit'

export interface SlotView {
  readonly place: { readonly id: string; readonly name: string; readonly taper: Coupling | null }
  readonly tool: { readonly serial: string; readonly t: number | null; readonly name: string } | null
  readonly machine: string | null
  readonly unit: LengthUnit
  readonly decimals: number
  readonly lengthMm: number | null
  readonly diameterMm: number | null
  readonly issue: number | null
  readonly toDo: string | null
  readonly due: string
}

const AGAIN_MS = 5000

/** Stand-ins for the small displays at slots, 2:1, black on white: what is known, and what is still to do. */
export function SlotDisplays({
  units,
}: {
  readonly units: readonly { readonly id: string; readonly name: string; readonly slots: readonly SlotView[] }[]
}) {
  useKeepFresh(AGAIN_MS)
  if (!units.length) return <p className="text-soft text-lg">{say.thereIsNoCartOr}</p>
  return (
    <>
      {units.map((unit) => (
        <section key={unit.id}>
          <h2 className="mt-1 text-xl font-bold">{unit.name}</h2>
          <ul className="mt-1.5 grid grid-cols-[repeat(auto-fill,minmax(232px,1fr))] gap-2.5">
            {unit.slots.map((slot) => (
              <li
                key={slot.place.id}
                className="border-ink h-[126px] rounded-[3px] border-[1.5px] bg-white text-black"
                data-slot={slot.place.id}
              >
                {slot.tool ? <Taken slot={slot} tool={slot.tool} /> : <Free slot={slot} />}
              </li>
            ))}
          </ul>
        </section>
      ))}
    </>
  )
}

function Free({ slot }: { readonly slot: SlotView }) {
  return (
    <div className="flex h-full flex-col justify-between p-2.5">
      <span className="font-head text-lg font-bold">{slot.place.name}</span>
      <span>{say.freeTaper(slot.place.taper ? ` · ${slot.place.taper}` : '')}</span>
    </div>
  )
}

function Taken({ slot, tool }: { readonly slot: SlotView; readonly tool: NonNullable<SlotView['tool']> }) {
  const size = (mm: number | null) => (mm === null ? '–' : fixed(mmToUnit(mm, slot.unit), slot.decimals))
  return (
    <div className="grid h-full grid-rows-[auto_1fr_auto]">
      <div className="flex items-baseline justify-between gap-2 px-2.5 pt-1.5">
        <b className="font-head figures text-[30px] leading-none">{tool.t === null ? tool.serial : `T${tool.t}`}</b>
        <span className="font-head truncate text-base font-semibold">{slot.place.name}</span>
      </div>
      <div className="min-w-0 px-2.5 leading-tight">
        <span className="block truncate text-base" title={tool.name}>
          {tool.name}
        </span>
        <span className="font-head figures text-lg font-semibold whitespace-nowrap">
          L {size(slot.lengthMm)} Ø {size(slot.diameterMm)} <small>{slot.lengthMm === null ? '' : unitMark(slot.unit)}</small>
        </span>
      </div>
      <div className="font-head flex items-center justify-between gap-2 bg-black px-2.5 py-0.5 text-[17px] font-semibold text-white">
        <span className="truncate">
          {slot.toDo === null
            ? say.nothingToDo
            : slot.toDo === 'broken'
              ? say.brokenMark
              : slot.toDo === 'loading'
                ? say.onItsWayIn
                : `▲ ${slot.toDo}`}
          {slot.toDo === 'load' && slot.machine ? `: ${slot.machine}` : ''}
        </span>
        <span className="figures shrink-0">{slot.issue === null ? slot.due : `hand-over ${slot.issue}`}</span>
      </div>
    </div>
  )
}
