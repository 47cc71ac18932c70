import { readHandoverStart } from '@/stations/hand-over/pages'
import { Sheet, Title } from '@/ui/common/sheet'
import { HANDOVER_TABS, SubNav } from '@/ui/common/sub-nav'
import { KitsPanel } from '@/ui/hand-over/kits-panel'
import { StationPage } from '../_parts/station'
import { signedIn } from '../_server/context'
import { dropPostAction, printLabelsAction } from './actions'
import { say } from '@/words/screens/hand-over'

export const metadata = { title: say.handOver }

export default async function HandoverStart() {
  const shop = await signedIn()
  const { waiting, kits } = readHandoverStart(shop.db)
  return (
    <StationPage station="hand-over" current={null}>
      <Sheet
        left={
          <>
            <SubNav tabs={HANDOVER_TABS} label={say.sheetsOfHandOver} />
            <Title lead={say.handOver}>{say.scanAMeasuredToolOr}</Title>
            <p className="max-w-[60ch] text-lg">{say.aHandOverSavesThe}</p>
            <p className="text-soft text-lg">
              {waiting === 0 ? say.noToolHere : waiting === 1 ? say.oneToolToDoHere : say.toolsToDoHere(waiting)}
            </p>
          </>
        }
        right={
          kits.length ? (
            <KitsPanel kits={kits} drop={dropPostAction} print={printLabelsAction} />
          ) : (
            <p className="text-soft text-lg">{say.releasedToolsThatAreNot}</p>
          )
        }
      />
    </StationPage>
  )
}
