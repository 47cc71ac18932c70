'use client'
import { DndContext, PointerSensor, useDraggable, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core'
import { Move } from 'lucide-react'
import { useGo } from '../common/going'
import { useRef, useState } from 'react'
import { UNIT_KINDS, type StoreUnit, type UnitKind } from '@/core/tool'
import { CouplingField } from '../common/coupling-field'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { NumberField, SelectField, TextField } from '../common/form'
import { Problem } from '../common/sheet'
import { useFewParts } from '../library/use-parts'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as store from '@/stations/store/contract'
import { say } from '@/words/screens/store'

export type PlaceUnit = Ask<typeof store.placeUnit>

export interface StorePlanProps {
  readonly units: readonly StoreUnit[]
  readonly floor: { readonly width: number; readonly height: number }
  /** How many places each unit has. */
  readonly drawers: Readonly<Record<string, number>>
  readonly lit: string | null
  readonly placeUnit: PlaceUnit
}

/** The store from above; each piece of furniture is dragged by its handle, or moved by the arrow keys on it. */
export function StorePlan({ units, floor, drawers, lit, placeUnit }: StorePlanProps) {
  const area = useRef<HTMLDivElement>(null)
  const { problem, run } = useAct()
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }))
  const shift = (unit: StoreUnit, dx: number, dy: number) =>
    (dx || dy) &&
    void run(() =>
      placeUnit({
        unit: { ...unit, x: unit.x + dx, y: unit.y + dy },
        drawers: drawers[unit.id] ?? 0,
        taper: null,
        from: { x: unit.x, y: unit.y },
      }),
    )
  const dropped = ({ active, delta }: DragEndEvent) => {
    const unit = units.find((u) => u.id === active.id)
    const box = area.current?.getBoundingClientRect()
    if (unit && box)
      shift(unit, Math.round((delta.x / box.width) * floor.width), Math.round((delta.y / box.height) * floor.height))
  }
  return (
    <>
      <DndContext id="store-plan" sensors={sensors} onDragEnd={dropped}>
        <div
          ref={area}
          className="bg-ground border-rule relative w-full overflow-hidden border"
          style={{
            aspectRatio: `${floor.width} / ${floor.height}`,
            backgroundImage: 'radial-gradient(var(--color-base-300) 1.2px, transparent 1.3px)',
            backgroundSize: `${100 / floor.width}% ${100 / floor.height}%`,
          }}
        >
          {units.map((unit) => (
            <Unit key={unit.id} unit={unit} floor={floor} lit={unit.id === lit} shift={shift} />
          ))}
        </div>
      </DndContext>
      <Problem lead={say.itStaysAtItsOld} text={problem} />
    </>
  )
}

function Unit({
  unit,
  floor,
  lit,
  shift,
}: {
  readonly unit: StoreUnit
  readonly floor: StorePlanProps['floor']
  readonly lit: boolean
  readonly shift: (unit: StoreUnit, dx: number, dy: number) => void
}) {
  const router = useGo()
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: unit.id })
  return (
    <div
      ref={setNodeRef}
      className={`font-head absolute flex items-stretch border-2 text-[19px] font-semibold ${lit ? 'bg-act text-act-ink border-act' : unit.kind === 'cart' ? 'border-stone bg-lichen' : 'border-stone bg-paper'}`}
      style={{
        left: `${(unit.x / floor.width) * 100}%`,
        top: `${(unit.y / floor.height) * 100}%`,
        width: `${(unit.w / floor.width) * 100}%`,
        height: `${(unit.h / floor.height) * 100}%`,
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
        zIndex: transform ? 5 : undefined,
      }}
    >
      <button
        type="button"
        className="min-w-0 flex-1 truncate px-1 text-center"
        title={unit.name}
        onClick={() => router.push(`/library/store?place=${unit.id}`)}
      >
        {unit.id}
        <span className="block truncate text-[13px] leading-tight font-medium max-[1000px]:hidden">{unit.name}</span>
      </button>
      <button
        type="button"
        className="flex w-6 shrink-0 touch-none items-center justify-center"
        aria-label={say.moveName(unit.name)}
        {...attributes}
        {...listeners}
        onKeyDown={(event) => {
          const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
          if (!step) return
          event.preventDefault()
          event.stopPropagation()
          shift(unit, step[0], step[1])
        }}
      >
        <Move size={15} aria-hidden="true" />
      </button>
    </div>
  )
}

/** Finds a part: its place lights up on the plan. */
export function FindPart() {
  const router = useGo()
  const [word, setWord] = useState('')
  const rows = useFewParts(word)
  const found = (rows ?? []).flatMap((p) =>
    p.places
      .split(' ')
      .filter(Boolean)
      .map((place) => ({ ...p, place })),
  )
  return (
    <div>
      <TextField label={say.findAPart} value={word} onChange={(e) => setWord(e.target.value)} />
      <ul>
        {found.map((p) => (
          <li key={`${p.id}-${p.place}`}>
            <button
              type="button"
              className="border-rule flex min-h-11 w-full items-center gap-3 border-b text-left"
              onClick={() => router.push(`/library/store?place=${p.place}&part=${encodeURIComponent(p.id)}`)}
            >
              <b className="figures w-14 text-lg">{p.place}</b>
              <span className="font-sans leading-tight font-normal">{p.name}</span>
            </button>
          </li>
        ))}
        {rows !== null && found.length === 0 && <li className="text-soft py-2">{say.itHasNoPlaceOn}</li>}
      </ul>
    </div>
  )
}

/** A new piece of furniture, put into the first free corner. */
export function AddUnit({ units, floor, placeUnit }: Pick<StorePlanProps, 'units' | 'floor' | 'placeUnit'>) {
  const { busy, problem, run } = useAct()
  const [open, setOpen] = useState(false)
  const [id, setId] = useState('')
  const [name, setName] = useState('')
  const [kind, setKind] = useState<UnitKind>('cabinet')
  const [count, setCount] = useState('8')
  const [taper, setTaper] = useState('')
  const tools = kind === 'rack' || kind === 'cart'
  const add = () => {
    const w = tools ? 3 : 4
    const spot = freeSpot(units, floor, w, 2)
    void run(
      () =>
        placeUnit({
          unit: { id, kind, name: name || id, ...spot, w, h: 2 },
          drawers: Number(count) || 0,
          taper: tools && taper ? taper : null,
          from: null,
        }),
      () => setOpen(false),
    )
  }
  if (!open)
    return (
      <SmallActions>
        <SmallAction onAct={() => setOpen(true)}>{say.addCabinetOrRack}</SmallAction>
      </SmallActions>
    )
  return (
    <div className="flex flex-col gap-2">
      <div className="grid grid-cols-2 gap-2">
        <TextField label={say.shortName} value={id} onChange={(e) => setId(e.target.value)} />
        <SelectField label={say.kind} value={kind} onChange={(e) => setKind(e.target.value as UnitKind)}>
          {UNIT_KINDS.map((k) => (
            <option key={k}>{k}</option>
          ))}
        </SelectField>
        <TextField label={say.name} wide value={name} onChange={(e) => setName(e.target.value)} />
        <NumberField
          label={tools ? say.slots : say.drawers}
          decimals={false}
          value={count}
          onChange={(e) => setCount(e.target.value)}
        />
        {tools && <CouplingField label={say.taper} nothing={say.any} value={taper} onChange={(e) => setTaper(e.target.value)} />}
      </div>
      <Problem lead={say.notSaved} text={problem} />
      <BigAction disabled={busy || !id} onAct={add}>
        {say.addToPlan}
      </BigAction>
    </div>
  )
}

function freeSpot(units: readonly StoreUnit[], floor: StorePlanProps['floor'], w: number, h: number): { x: number; y: number } {
  for (let y = 0; y + h <= floor.height; y++)
    for (let x = 0; x + w <= floor.width; x++)
      if (!units.some((u) => x < u.x + u.w && u.x < x + w && y < u.y + u.h && u.y < y + h)) return { x, y }
  return { x: 0, y: 0 }
}
