import { Sheet, Title } from '@/ui/common/sheet'
import { SubNav } from '@/ui/common/sub-nav'
import { BALANCE_TABS } from '@/ui/balance/tabs'
import { StationPage } from '../_parts/station'
import { say } from '@/words/screens/balance'
import { signedIn } from '../_server/context'

export const metadata = { title: say.balance }

export default async function BalancePage() {
  await signedIn()
  return (
    <StationPage station="balance" current={null}>
      <Sheet
        left={
          <>
            <SubNav tabs={BALANCE_TABS} label={say.sheetsOfBalance} />
            <Title lead={say.scanAHolder}>{say.orChooseAToolAbove}</Title>
          </>
        }
      />
    </StationPage>
  )
}
