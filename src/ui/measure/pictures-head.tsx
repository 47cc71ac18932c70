import { Title } from '../common/sheet'
import { MEASURE_TABS, SubNav } from '../common/sub-nav'
import { say } from '@/words/screens/measure'

/** What stands above the pictures that this bench did not take. */
export const PicturesHead = ({ lead, children }: { readonly lead: string; readonly children: React.ReactNode }) => (
  <>
    <SubNav tabs={MEASURE_TABS} label={say.sheetsOfTheBench} />
    <Title lead={lead}>{children}</Title>
  </>
)
