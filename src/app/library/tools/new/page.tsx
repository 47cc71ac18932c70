import { readComment } from '@/core/plan'
import { Sheet, Title } from '@/ui/common/sheet'
import { ToolForm } from '../../../_parts/definition-form'
import { say } from '@/words/screens/library'
import { signedIn } from '../../../_server/context'

export const metadata = { title: say.aNewTool }

export default async function NewToolPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ t?: string; machine?: string; name?: string }>
}) {
  await signedIn()
  const { t, machine, name } = await searchParams
  // what the program says beside the T is where its definition begins
  const said = name ? readComment(name.slice(0, 80)) : null
  const suggested = {
    ...(t && /^\d{1,8}$/.test(t) ? { t } : {}),
    ...(machine ? { machines: [machine.slice(0, 40)] } : {}),
    ...(name ? { name: name.slice(0, 80) } : {}),
    ...(said?.diameterMm ? { DC: `${said.diameterMm} mm` } : {}),
  }
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <Title lead={say.aNewTool}>{say.whatATNumberMeans}</Title>
            <ToolForm definition={null} suggested={suggested} />
          </>
        }
      />
    </>
  )
}
