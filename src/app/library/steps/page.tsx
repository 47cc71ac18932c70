import Link from 'next/link'
import { CLAMPINGS } from '@/core/fits'
import { stepsOf } from '@/stations/build/build-sheet'
import { Sheet, Title } from '@/ui/common/sheet'
import { LIBRARY_TABS, SubNav } from '@/ui/common/sub-nav'
import { StepsForm } from '@/ui/library/steps-form'
import { context } from '../../_server/context'
import { putStepsAction } from '../../build/actions'

export const metadata = { title: 'Steps' }

export default async function StepsPage({ searchParams }: { readonly searchParams: Promise<{ clamping?: string }> }) {
  const { clamping } = await searchParams
  const shop = await context()
  const chosen = CLAMPINGS.find((c) => c === clamping) ?? 'collet'
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={LIBRARY_TABS} label="Sheets of the library" />
            <Title lead={chosen}>assembly steps of this shop</Title>
            <StepsForm key={chosen} clamping={chosen} steps={stepsOf(shop.db, chosen)} save={putStepsAction} />
          </>
        }
        right={
          <>
            <h2 className="text-2xl font-bold">Clampings</h2>
            {CLAMPINGS.map((c) => (
              <Link
                key={c}
                href={`/library/steps?clamping=${encodeURIComponent(c)}`}
                aria-current={c === chosen ? 'page' : undefined}
                className={`border-rule flex min-h-11 items-center border-b text-lg ${c === chosen ? 'font-bold' : ''}`}
              >
                {c}
              </Link>
            ))}
            <p className="text-soft mt-3">
              Fields for the text, in double braces: {'{{ depth | length }}'}, {'{{ stickOut | length }}'}, {'{{ LF | length }}'},{' '}
              {'{{ torque }}'}, {'{{ seatTorque }}'}, {'{{ key | length }}'}, {'{{ shank | length }}'}, {'{{ temperature }}'},{' '}
              {'{{ coil }}'}, {'{{ collet }}'}, {'{{ nut }}'}, {'{{ cutter }}'}, {'{{ holder }}'}, {'{{ insert }}'}. Lengths have
              the reader’s unit.
            </p>
          </>
        }
      />
    </>
  )
}
