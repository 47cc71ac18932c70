import Link from '@/ui/common/link'
import { CLAMPINGS } from '@/core/fits'
import { stepsOf, stepsVersion } from '@/stations/build/build-sheet'
import { Sheet, Title } from '@/ui/common/sheet'
import { LIBRARY_TABS, SubNav } from '@/ui/common/sub-nav'
import { StepsForm } from '@/ui/library/steps-form'
import { signedIn } from '../../_server/context'
import { putStepsAction } from '../../build/actions'
import { say } from '@/words/screens/library'

export const metadata = { title: say.steps }

export default async function StepsPage({ searchParams }: { readonly searchParams: Promise<{ clamping?: string }> }) {
  const { clamping } = await searchParams
  const shop = await signedIn()
  const chosen = CLAMPINGS.find((c) => c === clamping) ?? 'collet'
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={LIBRARY_TABS} label={say.sheetsOfTheLibrary} />
            <Title lead={chosen}>{say.assemblyStepsOfThisShop}</Title>
            <StepsForm
              key={chosen}
              clamping={chosen}
              steps={stepsOf(shop.db, chosen)}
              version={stepsVersion(shop.db, chosen)}
              save={putStepsAction}
            />
          </>
        }
        right={
          <>
            <h2 className="text-2xl font-bold">{say.clampings}</h2>
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
            <p className="text-soft mt-3">{say.fieldsForTheTextIn}</p>
          </>
        }
      />
    </>
  )
}
