import { readSlotDisplays } from '@/stations/store/slot-display'
import { Sheet, Title } from '@/ui/common/sheet'
import { KIT_TABS, SubNav } from '@/ui/common/sub-nav'
import { formatDue } from '@/ui/format/due'
import { SlotDisplays } from '@/ui/kit/slot-displays'
import { signedIn } from '../../_server/context'
import { say } from '@/words/screens/kit'

export const metadata = { title: say.slotDisplays }

export default async function SlotsPage() {
  const shop = await signedIn()
  const now = new Date(shop.now)
  const units = readSlotDisplays(shop.db).map(({ unit, slots }) => ({
    id: unit.id,
    name: unit.name,
    slots: slots.map((slot) => ({ ...slot, due: slot.tool?.dueAt ? formatDue(slot.tool.dueAt, now).text : '' })),
  }))
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={KIT_TABS} label={say.sheetsOfKit} />
            <Title lead={say.slotDisplays}>{say.whatTheDisplayAtEach}</Title>
            <SlotDisplays units={units} />
          </>
        }
      />
    </>
  )
}
