import { readHandoverStart } from '@/stations/hand-over/pages'
import { Sheet, Title } from '@/ui/common/sheet'
import { HANDOVER_TABS, SubNav } from '@/ui/common/sub-nav'
import { KitsPanel } from '@/ui/hand-over/kits-panel'
import { StationPage } from '../_parts/station'
import { context } from '../_server/context'
import { dropPostAction, printLabelsAction } from './actions'

export const metadata = { title: 'Hand over' }

export default async function HandoverStart() {
  const shop = await context()
  const { waiting, kits } = readHandoverStart(shop.db)
  return (
    <StationPage station="hand-over" current={null}>
      <Sheet
        left={
          <>
            <SubNav tabs={HANDOVER_TABS} label="Sheets of Hand over" />
            <Title lead="Hand over">scan a measured tool, or take it from the rack</Title>
            <p className="max-w-[60ch] text-lg">
              A hand-over saves the values of the last measurement under a number, with a label and a file for the control. The
              control tries the file first. If a value comes out different, the hand-over is refused.
            </p>
            <p className="text-soft text-lg">
              {waiting === 0 ? 'No tool here.' : waiting === 1 ? 'One tool to do here.' : `${waiting} tools to do here.`}
            </p>
          </>
        }
        right={
          kits.length ? (
            <KitsPanel kits={kits} drop={dropPostAction} print={printLabelsAction} />
          ) : (
            <p className="text-soft text-lg">Released tools that are not loaded yet appear here, machine by machine.</p>
          )
        }
      />
    </StationPage>
  )
}
