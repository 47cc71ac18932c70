'use client'
import { useState } from 'react'
import { formatLength, parseLength } from '@/core/units'
import { RowAction, SmallAction, SmallActions } from '../common/actions'
import { LengthField, NumberField, SelectField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useUnit } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as library from '@/stations/library/contract'
import type * as store from '@/stations/store/contract'
import { say } from '@/words/screens/library'

export type Book = Ask<typeof store.book>
export type CountStock = Ask<typeof store.countStock>

const whole = (text: string) => (/^\d+$/.test(text.trim()) ? Number(text) : NaN)

/** Receiving, scrapping, putting elsewhere, and counting one part. */
export function StockForm({
  component,
  lying,
  places,
  book,
  count,
}: {
  readonly component: string
  readonly lying: readonly { readonly place: string | null; readonly count: number }[]
  readonly places: readonly string[]
  readonly book: Book
  readonly count: CountStock
}) {
  const { busy, problem, run } = useAct()
  const [pieces, setPieces] = useState('1')
  const [place, setPlace] = useState(lying[0]?.place ?? '')
  const [said, setSaid] = useState<string | null>(null)
  const n = whole(pieces)
  const at = place || null
  const go = (what: 'receive' | 'scrap') =>
    void run(
      () => book({ what, component, count: n, from: what === 'scrap' ? at : null, to: what === 'receive' ? at : null }),
      () => setSaid(null),
      what === 'receive' ? say.receivedOf(n, component) : say.scrappedOf(n, component),
    )
  const counted = () =>
    void run(
      () => count({ component, place: at, found: n }),
      ({ difference }) =>
        setSaid(
          difference === 0
            ? say.theCountIsRight
            : say.thanInStockTheDifference(Math.abs(difference), difference > 0 ? 'more' : 'fewer'),
        ),
    )
  return (
    <div className="flex flex-col gap-2.5">
      <div className="grid grid-cols-2 gap-3">
        <NumberField label={say.pieces} decimals={false} value={pieces} onChange={(e) => setPieces(e.target.value)} />
        <SelectField label={say.place} value={place} onChange={(e) => setPlace(e.target.value)}>
          <option value="">{say.noPlace}</option>
          {places.map((p) => (
            <option key={p}>{p}</option>
          ))}
        </SelectField>
      </div>
      <div className="flex gap-2.5">
        <SmallAction disabled={busy} onAct={() => go('receive')}>
          {say.receive}
        </SmallAction>
        <SmallAction disabled={busy} onAct={counted}>
          {say.counted}
        </SmallAction>
        <SmallAction disabled={busy} onAct={() => go('scrap')}>
          {say.scrap}
        </SmallAction>
      </div>
      {said && <p className="text-holds font-semibold">● {said}</p>}
      <Problem lead={say.notBooked} text={problem} />
    </div>
  )
}

/** A move, with the press that undoes it by its own counter-entry. */
export function PutRight({ id, undo }: { readonly id: number; readonly undo: Ask<typeof store.putRight> }) {
  const { busy, problem, run } = useAct()
  return (
    <>
      <RowAction
        disabled={busy}
        className="px-1 whitespace-nowrap"
        onAct={() => void run(() => undo({ id }), undefined, say.bookingUndone)}
      >
        {say.undo}
      </RowAction>
      {problem && (
        <span role="alert" className="text-off block text-[15px]">
          {problem}
        </span>
      )}
    </>
  )
}

/** New sizes after the grinder. */
export function RegrindForm({
  id,
  DC,
  OAL,
  regrind,
}: {
  readonly id: string
  readonly DC: number
  readonly OAL: number
  readonly regrind: Ask<typeof library.regrind>
}) {
  const { busy, problem, run, setProblem } = useAct()
  const unit = useUnit()
  const show = (mm: number) => formatLength(mm, unit, unit === 'mm' ? 3 : 5).replace(/\.?0+$/, '')
  const [size, setSize] = useState(show(DC))
  const [long, setLong] = useState(show(OAL))
  const [pieces, setPieces] = useState('1')
  const go = () => {
    const [dc, oal] = [parseLength(size, unit), parseLength(long, unit)]
    if (!dc.ok || !oal.ok) return setProblem(say.typeTheNewSizesSuch)
    void run(
      () => regrind({ id, DC: Number(dc.value.toFixed(4)), OAL: Number(oal.value.toFixed(4)), count: whole(pieces) }),
      undefined,
      say.bookedFromTheGrinder,
    )
  }
  return (
    <div className="flex flex-col gap-2.5">
      <div className="grid grid-cols-3 gap-3">
        <LengthField label={say.newWord} value={size} onChange={(e) => setSize(e.target.value)} />
        <LengthField label={say.newLength} value={long} onChange={(e) => setLong(e.target.value)} />
        <NumberField label={say.pieces} decimals={false} value={pieces} onChange={(e) => setPieces(e.target.value)} />
      </div>
      <SmallActions>
        <SmallAction disabled={busy} onAct={go}>
          {say.backFromTheGrinder}
        </SmallAction>
      </SmallActions>
      <Problem lead={say.notBooked} text={problem} />
    </div>
  )
}
