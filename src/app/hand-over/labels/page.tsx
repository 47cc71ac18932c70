import { LABEL_FIELDS } from '@/words/label'
import { isLead, labelLayoutOf } from '@/core/tool'
import { readLabelEditor } from '@/stations/hand-over/pages'
import { HANDOVER_TABS } from '@/ui/common/sub-nav'
import { LabelEditor } from '@/ui/hand-over/label-editor'
import { NoMachine } from '../../_parts/no-machine'
import { signedIn } from '../../_server/context'
import { keepLabelAction, tryLabelAction } from '../actions'
import { say } from '@/words/screens/hand-over'

export const metadata = { title: say.labels }

export default async function LabelsPage({ searchParams }: { readonly searchParams: Promise<{ machine?: string | string[] }> }) {
  const { machine: asked } = await searchParams
  const shop = await signedIn()
  const sheet = readLabelEditor(shop.db, typeof asked === 'string' ? asked : null)
  if (!sheet) return <NoMachine lead={say.labels} tabs={HANDOVER_TABS} label={say.sheetsOfHandOver} />
  const { machine, machines, tools } = sheet
  return (
    <>
      <div />
      <LabelEditor
        key={machine.key}
        machine={{ key: machine.key, name: machine.name, version: machine.version }}
        machines={machines.map(({ key, name }) => ({ key, name }))}
        layout={labelLayoutOf(machine)}
        code={machine.labelCode}
        tools={tools}
        fields={LABEL_FIELDS}
        lead={isLead(shop.person)}
        tryLabel={tryLabelAction}
        keep={keepLabelAction}
      />
    </>
  )
}
