import { practised } from '@/core/practice'
import { redirect } from 'next/navigation'
import { isLead } from '@/core/tool'
import { causeKnown } from '@/stations/causes/tool-causes'
import { heldBack } from '@/stations/measure/bench-state'
import { readMeasurePage } from '@/stations/measure/pages'
import { isInStudy } from '@/stations/study/studies'
import { formatDue } from '@/ui/format/due'
import { Say, Sheet, Title } from '@/ui/common/sheet'
import { MeasureStation } from '@/ui/measure/measure-station'
import { StationPage } from '../../_parts/station'
import { openTool } from '../../_server/bench'
import { signedIn } from '../../_server/context'
import { serialOf } from '../../_server/params'
import { refusalText } from '@/words/refusals'
import { wipeAction, turnScrewAction } from '../../stand-in/actions'
import { overruleCheckAction } from '../actions'
import { say } from '@/words/screens/measure'

export const metadata = { title: say.measure }

interface Props {
  readonly params: Promise<{ serial: string }>
  readonly searchParams: Promise<{ kit?: string | string[] }>
}

export default async function MeasurePage({ params, searchParams }: Props) {
  const serial = serialOf((await params).serial)
  const { kit: asked } = await searchParams
  const kit = typeof asked === 'string' ? asked : null
  const shop = await signedIn()
  const page = readMeasurePage(shop.db, serial, kit, shop.now)
  if (!page || page.sheet.assembly.state === 'loaded')
    return (
      <StationPage station="measure" current={null}>
        <Sheet
          left={
            <>
              <Title lead={serial} />
              <Say tone="off" lead={say.nothingToMeasure}>
                {page ? say.itIsInUnloadIt(page.sheet.assembly.machine) : say.thereIsNoToolOn}
              </Say>
            </>
          }
        />
      </StationPage>
    )
  // another bench than the one whose carriage moves: a camera that stands still, or values that are typed or come over a line
  const { bench: has } = shop.devices()
  const other = `/measure/${encodeURIComponent(serial)}/${has === 'camera' ? 'camera' : 'figures'}`
  if (has !== 'stand-in') redirect(shop.lesson ? practised(other) : other)
  const { sheet, bench } = page
  const { assembly, definition, limits, program, last } = sheet
  const held = heldBack(bench, assembly.coupling)
  const edges = definition?.edges ?? null
  return (
    <StationPage station="measure" current={serial}>
      <MeasureStation
        key={`${serial}-${last?.id ?? 0}-${bench.check?.id ?? 0}-${program?.version ?? 0}`}
        checkId={bench.check?.id ?? null}
        held={held && { text: refusalText(held, shop.units), adapter: held.code === 'WRONG_ADAPTER' }}
        overruled={bench.due && !held ? (bench.overrule?.reason ?? null) : null}
        lead={isLead(shop.person)}
        overrule={overruleCheckAction}
        serial={serial}
        title={assembly.t === null ? serial : `T${assembly.t}`}
        about={`${assembly.name}${edges ? say.edgeCount(edges) : ''}`}
        forMachine={page.machineName}
        due={formatDue(assembly.dueAt, new Date(shop.now))}
        tool={openTool(shop, sheet, bench)}
        limits={limits}
        stepped={definition?.stepped}
        program={definition && { version: program?.version ?? null }}
        kit={page.kit}
        made={sheet.made}
        known={causeKnown(shop.db, sheet, isInStudy(shop.db, serial) ? null : last)}
        guardSigmas={page.guardSigmas}
        heat={assembly.heat}
        now={shop.now}
        // whoever measures for a study is not to know what was found before
        before={isInStudy(shop.db, serial) ? null : (last?.summary ?? null)}
        wipe={wipeAction}
        turnScrew={turnScrewAction}
      />
    </StationPage>
  )
}
