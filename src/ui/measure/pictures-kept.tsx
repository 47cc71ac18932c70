'use client'
import { useState } from 'react'
import { SmallAction, SmallActions } from '../common/actions'
import { NumberField } from '../common/form'
import { Problem, Row } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'
import { say } from '@/words/screens/camera'

const size = (bytes: number) => say.sizeInMb((bytes / 1e6).toLocaleString('en', { maximumFractionDigits: 1 }))

/** How many pictures are kept, how much they take, and cleaning them by age. */
export function PicturesKept({
  sets,
  bytes,
  oldest,
  lead,
  clean,
}: {
  readonly sets: number
  readonly bytes: number
  readonly oldest: string | null
  readonly lead: boolean
  readonly clean: Ask<typeof measure.cleanPictures>
}) {
  const { busy, problem, run } = useAct()
  const [days, setDays] = useState('365')
  const [done, setDone] = useState<string | null>(null)
  return (
    <section>
      <h2 className="text-2xl font-bold">{say.picturesOfMeasurements}</h2>
      <Row name={say.keptTitle}>{say.setCount(sets, size(bytes))}</Row>
      <Row name={say.oldest}>{oldest ?? '–'}</Row>
      {lead ? (
        <>
          <div className="mt-2 max-w-[220px]">
            <NumberField label={say.keep} unit="days" decimals={false} value={days} onChange={(e) => setDays(e.target.value)} />
          </div>
          <SmallActions>
            <SmallAction
              disabled={busy || !/^\d+$/.test(days)}
              onAct={() =>
                void run(
                  () => clean({ keepDays: Number(days) }),
                  (cleaned) => setDone(say.setsDeleted(cleaned.sets, size(cleaned.bytes))),
                )
              }
            >
              {say.deleteOlderPictures}
            </SmallAction>
          </SmallActions>
        </>
      ) : (
        <p className="text-soft mt-1">{say.aLeadCanDeleteOld}</p>
      )}
      <Problem lead={say.notDeleted} text={problem} />
      {done && (
        <p role="status" className="mt-2 text-lg">
          {done}
        </p>
      )}
    </section>
  )
}
