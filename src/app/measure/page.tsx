import { listAssemblies } from '@/db/assembly/read'
import { listMachines } from '@/db/machine/read'
import { Sheet, Title } from '@/ui/common/sheet'
import { MEASURE_TABS, SubNav } from '@/ui/common/sub-nav'
import { StrayForm } from '@/ui/measure/stray-form'
import { StationPage } from '../_parts/station'
import { context } from '../_server/context'
import { takeInStrayAction } from '../actions'

export const metadata = { title: 'Measure' }

export default async function MeasureStart() {
  const house = await context()
  const waiting = listAssemblies(house.db).filter((a) => a.state === 'built')
  return (
    <StationPage station="measure" current={null}>
      <Sheet
        left={
          <>
            <SubNav tabs={MEASURE_TABS} label="Sheets of the bench" />
            <Title lead="Measure">scan the holder on the spindle, or take it from the rack</Title>
            <ol className="max-w-[60ch] list-decimal space-y-1 pl-6 text-lg">
              <li>Check that the spindle’s adapter is the tool’s taper.</li>
              <li>Clean taper, flange and edges; clamp.</li>
              <li>Scan the mark on the holder: the tool opens here.</li>
              <li>Measure all edges, do what the sentence says, scan the holder again to save.</li>
            </ol>
            <p className="text-soft text-lg">
              {waiting.length === 0
                ? 'Nothing waits here.'
                : waiting.length === 1
                  ? 'One tool waits here.'
                  : `${waiting.length} tools wait here.`}
            </p>
          </>
        }
        right={
          <StrayForm
            machines={listMachines(house.db)}
            known={listAssemblies(house.db).map((a) => a.serial)}
            takeIn={takeInStrayAction}
          />
        }
      />
    </StationPage>
  )
}
