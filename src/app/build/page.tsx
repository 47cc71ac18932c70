import { profileOf, refusalText } from '@/core/tool'
import { readBuild, shrinkErrorText } from '@/stations/build/build-sheet'
import { BuildPanel } from '@/ui/build/build-panel'
import { SetupSheet } from '@/ui/build/setup-sheet'
import { Row, Say, Sheet, Title } from '@/ui/common/sheet'
import { ToolDrawing } from '@/ui/drawing/tool-drawing'
import { formatDue } from '@/ui/format/due'
import { StationPage } from '../_parts/station'
import { context } from '../_server/context'
import { buildToolAction } from '../actions'

export const metadata = { title: 'Build' }

export default async function BuildPage({ searchParams }: { readonly searchParams: Promise<{ job?: string; t?: string }> }) {
  const { job, t } = await searchParams
  const house = await context()
  const sheet = job && t ? readBuild(house.db, job, Number(t)) : null
  if (!sheet || !sheet.job)
    return (
      <StationPage station="build" current={null}>
        <Sheet
          left={
            <>
              <Title lead="Build">
                {job ? `nobody wants T${t} for ${job}` : 'choose a tool from the rack, or scan a free holder'}
              </Title>
              <p className="text-lg">
                Each tool in the rack is wanted by a job and not built yet. The one most to the left is due first.
              </p>
            </>
          }
        />
      </StationPage>
    )
  const { definition, holder, cutter, stack, setup } = sheet
  const due = formatDue(sheet.job.dueAt, new Date(house.now))
  const blocked = [
    ...sheet.stackRefusals.map(refusalText),
    ...(setup.ok ? [] : [shrinkErrorText(setup.error)]),
    ...(sheet.inStock < 1 ? [refusalText({ code: 'NONE_IN_STOCK', name: cutter.name })] : []),
  ]
  return (
    <StationPage station="build" current={`${sheet.job.id}-${definition.t}`}>
      <Sheet
        left={
          <>
            <Title lead={`T${definition.t}`}>
              {definition.name} · for <b className="text-ink">{sheet.job.id}</b> ·{' '}
              <span className={due.late ? 'text-off font-bold' : ''}>{due.text}</span>
            </Title>
            <div className="grid grid-cols-[290px_1fr] gap-5 max-[900px]:grid-cols-1">
              <ToolDrawing
                profile={profileOf(holder, cutter, definition.LF.nominal)}
                unit={house.unit}
                width={290}
                height={470}
                title={definition.name}
                LF={definition.LF.nominal}
                DC={cutter.DC}
                RE={cutter.RE}
                stickOutMm={stack.stickOutMm}
              />
              <div>
                {setup.ok ? (
                  <SetupSheet
                    setup={setup.value}
                    stopMm={definition.LF.nominal + setup.value.stopHighMm}
                    holder={holder}
                    cutter={cutter}
                    stack={stack}
                  />
                ) : (
                  <Say tone="off" lead="No set-up.">
                    {shrinkErrorText(setup.error)}
                  </Say>
                )}
              </div>
            </div>
          </>
        }
        right={
          <>
            <h2 className="text-2xl font-bold">Parts</h2>
            <Row name={holder.name}>{sheet.free.length} free</Row>
            <Row name={cutter.name}>{sheet.inStock} in stock</Row>
            <Row name="Shank">
              {cutter.shankMaterial}, {cutter.shankClass}
            </Row>
            <Row name="Greatest speed" symbol="RPMX">
              {stack.greatestRpm.toLocaleString('en')}
            </Row>
            <BuildPanel
              key={`${sheet.job.id}-${definition.t}`}
              job={sheet.job.id}
              t={definition.t}
              free={sheet.free.map((h) => h.serial)}
              blocked={blocked}
              build={buildToolAction}
            />
          </>
        }
      />
    </StationPage>
  )
}
