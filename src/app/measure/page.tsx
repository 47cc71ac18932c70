import { readMeasureStart } from '@/stations/measure/pages'
import Link from '@/ui/common/link'
import { Sheet, Title } from '@/ui/common/sheet'
import { MEASURE_TABS, SubNav } from '@/ui/common/sub-nav'
import { UnplannedForm } from '@/ui/measure/unplanned-form'
import { StationPage } from '../_parts/station'
import { signedIn } from '../_server/context'
import { takeInToolAction } from './actions'
import { say } from '@/words/screens/measure'

export const metadata = { title: say.measure }

export default async function MeasureStart() {
  const shop = await signedIn()
  const { waiting, jobs, machines, known } = readMeasureStart(shop.db)
  return (
    <StationPage station="measure" current={null}>
      <Sheet
        left={
          <>
            <SubNav tabs={MEASURE_TABS} label={say.sheetsOfTheBench} />
            <Title lead={say.measure}>{say.scanTheHolderOnThe}</Title>
            <ol className="max-w-[60ch] list-decimal space-y-1 pl-6 text-lg">
              <li>{say.checkThatTheAdapterHas}</li>
              <li>{say.cleanTaperFlangeAndEdges}</li>
              <li>{say.scanTheMarkOnThe}</li>
              <li>{say.measureAllEdgesFollowThe}</li>
            </ol>
            {waiting === 0 && <p className="text-soft text-lg">{say.noToolHere}</p>}
            {jobs.length > 0 && (
              <>
                <h2 className="mt-2 text-2xl font-bold">{say.kitByKit}</h2>
                <ul className="max-w-[560px]">
                  {jobs.map(({ job, count }) => (
                    <li key={job} className="border-rule border-b">
                      <Link
                        className="flex min-h-12 items-center justify-between gap-3"
                        href={`/measure/kit/${encodeURIComponent(job)}`}
                      >
                        <span className="text-act text-lg font-semibold">{job}</span>
                        <span className="text-soft text-lg">
                          {count === 1 ? say.oneToolToMeasure : say.toolsToMeasure(count)}
                        </span>
                      </Link>
                    </li>
                  ))}
                </ul>
              </>
            )}
          </>
        }
        right={<UnplannedForm machines={machines} known={known} takeIn={takeInToolAction} />}
      />
    </StationPage>
  )
}
