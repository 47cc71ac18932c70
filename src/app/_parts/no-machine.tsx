import { Sheet, Title } from '@/ui/common/sheet'
import { SubNav, type Tab } from '@/ui/common/sub-nav'
import { say } from '@/words/screens/shell'

/** A sheet that belongs to a machine, while none is known. */
export function NoMachine({
  lead,
  tabs,
  label,
}: {
  readonly lead: string
  readonly tabs: readonly Tab[]
  readonly label: string
}) {
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={tabs} label={label} />
            <Title lead={lead}>{say.noMachineIsKnownHere}</Title>
          </>
        }
      />
    </>
  )
}
