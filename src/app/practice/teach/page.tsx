import { isLead } from '@/core/tool'
import { readTeaching } from '@/stations/teaching/teach'
import { PRACTICE_TABS, SubNav } from '@/ui/common/sub-nav'
import { Sheet, Title } from '@/ui/common/sheet'
import { TeachStation } from '@/ui/practice/teach-station'
import { LeadsOnly } from '@/ui/shell/lead-only'
import { say } from '@/words/screens/teaching'
import { signedIn } from '../../_server/context'
import { endConditionAction, makeLessonAction, putConditionAction, retireLessonAction } from './actions'

export const metadata = { title: say.teach }

const ACT = { make: makeLessonAction, retire: retireLessonAction, put: putConditionAction, end: endConditionAction }

export default async function TeachPage() {
  const { db, person } = await signedIn()
  return (
    <>
      <div />
      {isLead(person) ? (
        <TeachStation view={readTeaching(db)} act={ACT} />
      ) : (
        <Sheet
          left={
            <>
              <SubNav tabs={PRACTICE_TABS} label={say.practice} />
              <Title lead={say.teach}>{say.teachAbout}</Title>
              <LeadsOnly what="lessons" />
            </>
          }
        />
      )}
    </>
  )
}
