import { LABEL_FIELDS } from '@/codecs/label-lines'
import { labelLayoutOf } from '@/core/tool'
import { getAssemblyName } from '@/db/assembly/read'
import { listCurrent } from '@/db/handover/read'
import { getMachine, listMachines } from '@/db/machine/read'
import { HANDOVER_TABS } from '@/ui/common/sub-nav'
import { LabelEditor } from '@/ui/hand-over/label-editor'
import { NoMachine } from '../../_parts/no-machine'
import { context } from '../../_server/context'
import { keepLabelAction, tryLabelAction } from '../actions'

export const metadata = { title: 'Labels' }

export default async function LabelsPage({ searchParams }: { readonly searchParams: Promise<{ machine?: string | string[] }> }) {
  const { machine: asked } = await searchParams
  const shop = await context()
  const machines = listMachines(shop.db)
  const current = listCurrent(shop.db)
  // without a wish: the first machine that has something to try it on
  const machine =
    (typeof asked === 'string' && getMachine(shop.db, asked)) ||
    machines.find((m) => current.some((h) => h.values.machine === m.key)) ||
    machines[0]
  if (!machine) return <NoMachine lead="Labels" tabs={HANDOVER_TABS} label="Sheets of Hand over" />
  return (
    <>
      <div />
      <LabelEditor
        key={machine.key}
        machine={{ key: machine.key, name: machine.name, version: machine.version }}
        machines={machines.map(({ key, name }) => ({ key, name }))}
        layout={labelLayoutOf(machine)}
        code={machine.labelCode}
        tools={current
          .filter((h) => h.values.machine === machine.key)
          .map((h) => ({ id: h.id, name: `T${h.values.t} ${getAssemblyName(shop.db, h.assemblyId) ?? ''}` }))}
        fields={LABEL_FIELDS}
        lead={shop.person?.role === 'lead'}
        tryLabel={tryLabelAction}
        keep={keepLabelAction}
      />
    </>
  )
}
