import { pocketText } from '@/words/pocket'
import Link from '@/ui/common/link'
import { readNow } from '@/stations/kit/pages'
import { Sheet } from '@/ui/common/sheet'
import { KIT_TABS, SubNav } from '@/ui/common/sub-nav'
import { span } from '@/ui/format/due'
import { standingText, TONE } from '@/ui/kit/standing'
import { NowPanel } from '@/ui/kit/now-panel'
import { StationPage } from '../../_parts/station'
import { signedIn } from '../../_server/context'
import { neededNowAction } from '../actions'
import { say } from '@/words/screens/kit'

export const metadata = { title: say.rushTitle }

export default async function NowPage() {
  const shop = await signedIn()
  const { urgent, machines, loaded } = readNow(shop.db, shop.now)
  return (
    <StationPage station="kit" current={null}>
      <Sheet
        left={
          <>
            <SubNav tabs={KIT_TABS} label={say.sheetsOfKit} heading />
            {urgent.length === 0 && <p className="text-lg">{say.noMachineIsWaitingWhen}</p>}
            <ul>
              {urgent.map(({ job, tools: netted, names }) => {
                const waits = Math.round((Date.parse(shop.now) - Date.parse(job.dueAt)) / 60_000)
                return (
                  <li key={job.id} className="border-rule border-b">
                    <Link href={`/kit/${job.id}`} className="flex min-h-[72px] flex-col justify-center gap-1 py-2">
                      <span className="font-head text-[25px] font-bold">
                        <span className="text-off">{say.waitsMachines(machines.get(job.machine) ?? job.machine)}</span>{' '}
                        <span className="text-soft font-medium">
                          {waits < 1 ? say.sinceJustNow : say.forWaits(span(waits))} · {job.name}
                        </span>
                      </span>
                      {netted.map((tool) => (
                        <span key={tool.wanted.t} className={`text-lg font-semibold ${TONE[tool.standing.type]}`}>
                          T{tool.wanted.t} {standingText(tool, names)}
                        </span>
                      ))}
                    </Link>
                  </li>
                )
              })}
            </ul>
          </>
        }
        right={
          <NowPanel
            tools={loaded.map((a) => ({
              serial: a.serial,
              text: `T${a.t ?? '?'} ${a.name}, ${machines.get(a.machine ?? '') ?? a.machine}, ${pocketText(a.pocket)}`,
            }))}
            need={neededNowAction}
          />
        }
      />
    </StationPage>
  )
}
