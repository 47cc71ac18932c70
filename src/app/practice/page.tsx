import { TryStation } from '@/ui/practice/try-station'
import { say } from '@/words/screens/practice'
import { signedIn } from '../_server/context'

export const metadata = { title: say.practice }

export default async function PracticePage({ searchParams }: { readonly searchParams: Promise<Record<string, unknown>> }) {
  await signedIn()
  const chosen = (await searchParams).try
  return (
    <>
      <div />
      <TryStation chosen={typeof chosen === 'string' ? chosen : null} />
    </>
  )
}
