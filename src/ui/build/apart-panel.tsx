'use client'
import { useState } from 'react'
import { DISTURBANCES, type Disturbance, type PartFate, type Removal } from '@/core/tool'
import type { Result } from '@/core/units'
import { SmallAction, SmallActions } from '../common/actions'
import { FIELD } from '../common/form'
import { Cautions, Say, Problem } from '../common/sheet'
import { useAct } from '../common/use-act'

type Done<T> = Promise<Result<T, { text: string }>>
export interface ApartPanelProps {
  readonly serial: string
  readonly parts: readonly {
    readonly component: string
    readonly name: string
    readonly count: number
    readonly place: string | null
  }[]
  readonly heat: Removal | null
  readonly takeApart: (given: { serial: string; heated: boolean; fates: PartFate[] }) => Done<{ text: string }>
}

/** What becomes of each part when the tool is taken apart. */
export function ApartPanel({ serial, parts, heat, takeApart }: ApartPanelProps) {
  const { busy, problem, run } = useAct()
  const [open, setOpen] = useState(false)
  const [heated, setHeated] = useState(false)
  const [fates, setFates] = useState<Record<string, { to: PartFate['to']; wear: string }>>({})
  if (!open)
    return (
      <SmallActions>
        <SmallAction onAct={() => setOpen(true)}>Take it apart …</SmallAction>
      </SmallActions>
    )
  const fate = (component: string) => fates[component] ?? { to: 'back', wear: '' }
  const set = (component: string, change: Partial<{ to: PartFate['to']; wear: string }>) =>
    setFates((all) => ({ ...all, [component]: { ...fate(component), ...change } }))
  return (
    <div className="border-rule mt-3 border-t pt-2">
      <h2 className="text-2xl font-bold">Take it apart</h2>
      {heat && (
        <>
          <Say
            tone={heat.temperatureC > heat.greatestC ? 'off' : 'unsure'}
            lead={`About ${heat.temperatureC.toFixed(0)} °C to free it.`}
          >
            {heat.temperatureC > heat.greatestC
              ? `This holder may see ${heat.greatestC} °C: let the lead decide.`
              : heat.steelShank
                ? 'A steel shank expands like the holder: heat fast, pull at once, one try. Then cool fully.'
                : `It comes out as long as the shank takes less than ${(heat.warmedShare * 100).toFixed(0)} % of the rise. Pull by the shank, with a guard.`}
          </Say>
          <label className="flex min-h-11 items-center gap-2 text-lg font-semibold">
            <input
              type="checkbox"
              className="size-6 accent-[var(--color-primary)]"
              checked={heated}
              onChange={(e) => setHeated(e.target.checked)}
            />
            It was heated (the heat is counted)
          </label>
          <Cautions
            lines={[
              'Hot metal looks like cold metal: gloves with cuffs, the cutter held by its shank or guard.',
              'Then cool it fully; never quench by hand. The unit’s own instructions come first.',
            ]}
          />
        </>
      )}
      <ul>
        {parts.map(({ component, name, count, place }) => (
          <li key={component} className="border-rule border-b py-1.5">
            <div className="flex items-center gap-2">
              <span className="min-w-0 flex-1 leading-tight">
                {count > 1 ? `${count} × ` : ''}
                {name}
              </span>
              {(['back', 'scrap'] as const).map((to) => (
                <button
                  key={to}
                  type="button"
                  aria-pressed={fate(component).to === to}
                  className={`font-head border-ink h-11 rounded-[3px] border-[1.5px] px-3 text-lg font-semibold ${fate(component).to === to ? 'bg-ink text-paper' : ''}`}
                  onClick={() => set(component, { to })}
                >
                  {to === 'back' ? `back${place ? ` to ${place}` : ''}` : 'scrap'}
                </button>
              ))}
            </div>
            <input
              className={FIELD}
              aria-label={`Wear of ${name}`}
              placeholder="wear, if any was seen"
              value={fate(component).wear}
              onChange={(e) => set(component, { wear: e.target.value })}
            />
          </li>
        ))}
      </ul>
      <Problem lead="Not taken apart." text={problem} />
      <div className="mt-2.5">
        <SmallActions>
          <SmallAction onAct={() => setOpen(false)}>Leave it as it is</SmallAction>
          <SmallAction
            disabled={busy || (heat !== null && !heated)}
            onAct={() =>
              void run(() =>
                takeApart({
                  serial,
                  heated,
                  fates: parts.map((p) => ({ component: p.component, count: p.count, ...fate(p.component) })),
                }),
              )
            }
          >
            It is apart
          </SmallAction>
        </SmallActions>
      </div>
    </div>
  )
}

/** Something happened to the tool: it has to be measured again. */
export function HappenedPanel({
  serial,
  disturb,
}: {
  readonly serial: string
  readonly disturb: (given: { serial: string; what: Disturbance }) => Done<{ voided: number | null }>
}) {
  const { busy, problem, run } = useAct()
  return (
    <details>
      <summary className="text-act font-head min-h-11 cursor-pointer py-2 text-lg font-semibold">
        Something happened to it
      </summary>
      <p className="text-soft">Whatever it was, the tool has to be measured again and its hand-over is void.</p>
      <div className="mt-1 flex flex-wrap gap-2">
        {DISTURBANCES.map((what) => (
          <button
            key={what}
            type="button"
            disabled={busy}
            className="border-ink font-head h-11 rounded-[3px] border-[1.5px] px-3 text-lg font-semibold"
            onClick={() => void run(() => disturb({ serial, what }))}
          >
            {what}
          </button>
        ))}
      </div>
      <Problem lead="Not noted." text={problem} />
    </details>
  )
}
