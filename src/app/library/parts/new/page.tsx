import { isKind, KINDS } from '@/core/tool'
import { Sheet, Title } from '@/ui/common/sheet'
import { KindChoice, PartForm } from '@/ui/library/part-form'
import { putPartAction } from '../../actions'

export const metadata = { title: 'A new part' }

export default async function NewPartPage({ searchParams }: { readonly searchParams: Promise<{ kind?: string }> }) {
  const { kind } = await searchParams
  const chosen = kind && isKind(kind) ? kind : null
  return (
    <>
      <div />
      <Sheet
        left={
          chosen ? (
            <>
              <Title lead={`A new ${KINDS[chosen].name}`} />
              <PartForm kind={chosen} part={null} save={putPartAction} />
            </>
          ) : (
            <>
              <Title lead="A new part">which kind is it?</Title>
              <KindChoice />
            </>
          )
        }
      />
    </>
  )
}
