'use client'
import Link from '../common/link'
import { useState } from 'react'
import { readScan } from '@/codecs/label-text'
import { readMark, type ToolProfile } from '@/core/tool'
import { ScanAction } from '../common/actions'
import { Cautions, Say } from '../common/sheet'
import { Silhouette } from '../drawing/silhouette'
import { useScans, useShell, type ScanSaid } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as kit from '@/stations/kit/contract'
import { say } from '@/words/screens/kit'

export interface CartView {
  readonly id: string
  readonly name: string
  readonly kind: string
  readonly slots: readonly {
    readonly id: string
    readonly taper: string | null
    readonly tool: {
      readonly serial: string
      readonly t: number | null
      readonly profile: ToolProfile
      readonly hot: boolean
    } | null
  }[]
}

/** A cart or rack from the front, its tools to one scale. */
export function CartDrawing({ cart }: { readonly cart: CartView }) {
  return (
    <section aria-label={cart.name} className="mb-3">
      <h2 className="text-2xl font-bold">
        {cart.name}{' '}
        <span className="text-soft font-medium">{say.ofSlots(cart.slots.filter((s) => s.tool).length, cart.slots.length)}</span>
      </h2>
      <ul className="border-stone grid grid-cols-[repeat(auto-fill,minmax(64px,1fr))] border-b-[5px]">
        {cart.slots.map((slot) => (
          <li key={slot.id} className="border-rule flex flex-col items-center border-r pt-1 last:border-r-0">
            {slot.tool ? (
              <Link
                href={`/tools/${slot.tool.serial}`}
                className="flex flex-col items-center"
                aria-label={say.tOn(slot.id, slot.tool.t ?? '?', slot.tool.serial)}
              >
                <span className={`font-head text-[17px] font-semibold ${slot.tool.hot ? 'text-off' : ''}`}>
                  T{slot.tool.t ?? '?'}
                  {slot.tool.hot ? say.hot : ''}
                </span>
                <Silhouette profile={slot.tool.profile} width={64} height={92} />
              </Link>
            ) : (
              <span className="text-soft flex h-[117px] items-center text-[15px]">{say.free}</span>
            )}
            <span className="figures text-soft w-full text-center text-[14px] leading-tight">
              {slot.id}
              <span className="block">{slot.taper ?? 'any'}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** Tool, then slot: any slot of its taper. */
export function PutPanel({
  missing,
  put,
}: {
  readonly missing: readonly { readonly key: string; readonly text: string }[]
  readonly put: Ask<typeof kit.putIntoPlace>
}) {
  const [serial, setSerial] = useState<string | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const { actions } = useShell()
  useScans(async (raw): Promise<ScanSaid | null> => {
    const scan = readScan(raw)
    const place =
      scan.type === 'place' ? scan.placeId : scan.type === 'plain' && /^[A-Z]+\d*-\d+$/i.test(scan.text) ? scan.text : null
    if (place) {
      if (!serial) return { title: place, text: say.scanTheToolFirstThen, tone: 'off' }
      const done = await put({ serial, place })
      setProblem(done.ok ? null : done.error.text)
      if (done.ok) setSerial(null)
      return { title: place, text: done.ok ? done.value.text : done.error.text, tone: done.ok ? 'holds' : 'off' }
    }
    const mark = scan.type === 'plain' ? readMark(scan.text) : null
    const known = mark === null ? null : await actions.answerScan(raw)
    if (mark === null || known?.kind === 'job' || known?.kind === 'part') return known
    setSerial(mark)
    setProblem(null)
    return { title: mark, text: say.nowScanItsSlot, tone: 'todo' }
  })
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <h2 className="text-2xl font-bold">{say.missingBeforeTheCartCan}</h2>
      <ul className="min-h-24 flex-1 overflow-auto" tabIndex={0} aria-label={say.missingTools}>
        {missing.map(({ key, text }) => (
          <li key={key} className="border-rule border-b py-2">
            {text}
          </li>
        ))}
        {missing.length === 0 && <li className="text-soft py-2 text-lg">{say.chooseAJobAndA}</li>}
      </ul>
      <Cautions lines={[say.heavyToolsLowTaperDown]} />
      {problem ? (
        <Say tone="off" lead={say.notSaved} role="alert">
          {problem}
        </Say>
      ) : (
        <Say tone="todo" lead={serial ? say.nowTheSlot(serial) : say.firstTheToolThenThe}>
          {say.anyFreeSlotForIts}
        </Say>
      )}
      <ScanAction>{serial ? say.scanTheSlot : say.scanATool}</ScanAction>
    </div>
  )
}
