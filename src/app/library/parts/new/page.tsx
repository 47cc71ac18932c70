import { KIND_LABELS } from '@/words/properties'
import { isKind } from '@/core/tool'
import { Sheet, Title } from '@/ui/common/sheet'
import { KindChoice, PartForm } from '@/ui/library/part-form'
import { putPartAction } from '../../actions'
import { say } from '@/words/screens/library'
import { signedIn } from '../../../_server/context'

export const metadata = { title: say.aNewPart }

export default async function NewPartPage({ searchParams }: { readonly searchParams: Promise<{ kind?: string }> }) {
  await signedIn()
  const { kind } = await searchParams
  const chosen = kind && isKind(kind) ? kind : null
  return (
    <>
      <div />
      <Sheet
        left={
          chosen ? (
            <>
              <Title lead={say.aNew(KIND_LABELS[chosen])} />
              <PartForm kind={chosen} part={null} save={putPartAction} />
            </>
          ) : (
            <>
              <Title lead={say.aNewPart}>{say.whichKindIsIt}</Title>
              <KindChoice />
            </>
          )
        }
      />
    </>
  )
}
