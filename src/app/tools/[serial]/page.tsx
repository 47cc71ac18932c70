import { readCausePanel } from '@/stations/causes/tool-causes'
import { CausePanel } from '@/ui/causes/cause-panel'
import { sayCauseAction } from './actions'
import { isLead } from '@/core/tool'
import { pocketText } from '@/words/pocket'
import { addYears, format } from 'date-fns'
import Link, { FileLink } from '@/ui/common/link'
import { formatLength, unitMark } from '@/core/units'
import { readToolPage } from '@/stations/records/tool-page'
import { ApartPanel, ConditionPanel, HappenedPanel } from '@/ui/build/apart-panel'
import { concessionText, voidText } from '@/words/hand-over'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { Row, Say, Sheet, Title } from '@/ui/common/sheet'
import { VerdictMark } from '@/ui/common/verdict'
import { ToolDrawing } from '@/ui/drawing/tool-drawing'
import { formatTime, formatWhen } from '@/ui/format/due'
import { KeepPanel } from '@/ui/kit/keep-panel'
import { GoTo } from '@/ui/kit/kit-next'
import { HolderCare } from '@/ui/library/holder-forms'
import { RecordTable } from '@/ui/records/record-table'
import { recordLines } from '../../_parts/record-lines'
import { signedIn, type Context } from '../../_server/context'
import { serialOf } from '../../_server/params'
import { fitsText } from '@/words/fits'
import {
  coolOutAction,
  correctConditionAction,
  disturbAction,
  heatOutAction,
  heatOutByHandAction,
  takeApartAction,
  takeOutAction,
  unitStateAction,
} from '../../build/actions'
import { reserveAction } from '../../kit/actions'
import { inspectHolderAction, replaceStudAction } from '../../library/actions'
import { gradeText, speedText } from '@/words/balance'
import { say } from '@/words/screens/tool'

export async function generateMetadata({ params }: { readonly params: Promise<{ serial: string }> }) {
  return { title: serialOf((await params).serial) }
}

const NEXT = {
  balance: { href: (s: string) => `/balance/${s}`, text: say.balanceIt, sized: say.itIsToBeBalanced },
  measure: { href: (s: string) => `/measure/${s}`, text: say.measureIt, sized: say.itIsBuiltMeasureIt },
  'hand-over': {
    href: (s: string) => `/hand-over/${s}`,
    text: say.handItOver,
    sized: say.itIsMeasuredHandIt,
  },
  load: {
    href: (s: string) => `/load?serial=${s}`,
    text: say.loadIt,
    sized: say.itIsReleasedLoadIt,
  },
  correct: {
    href: (s: string) => `/measure/${s}`,
    text: say.measureItAgain,
    sized: say.itIsOutOfTolerance,
  },
  build: null,
} as const

type Page = NonNullable<ReturnType<typeof readToolPage>>

export default async function ToolPage({ params }: { readonly params: Promise<{ serial: string }> }) {
  const serial = serialOf((await params).serial)
  const shop = await signedIn()
  const page = readToolPage(shop.db, serial, shop.now)
  if (!page)
    return (
      <>
        <div />
        <Sheet left={<Title lead={serial}>{say.thereIsNoHolderWith}</Title>} />
      </>
    )
  const { assembly, holder, definition, profile, measurements, record, machines, apart } = page
  const last = measurements[0]
  const type = page.type?.name
  return (
    <>
      <KeepFresh />
      <div />
      <Sheet
        left={
          <>
            <Title lead={assembly?.t ? `T${assembly.t}` : serial}>
              {assembly ? say.onNameSerial(assembly.name, serial) : say.noToolOnIt(type ?? 'holder')}
            </Title>
            <div className="flex flex-wrap gap-6">
              {assembly && profile && (
                <ToolDrawing
                  profile={profile}
                  unit={shop.unit}
                  width={320}
                  height={420}
                  title={assembly.name}
                  LF={last?.summary.LF ?? definition?.LF.nominal ?? profile.highMm}
                  DC={last?.summary.DC ?? definition?.DC.nominal ?? null}
                  RE={last?.summary.RE ?? definition?.RE?.nominal ?? null}
                />
              )}
              <Facts page={page} shop={shop} />
            </div>
            <h2 className="mt-2 text-2xl font-bold">{say.history}</h2>
            <RecordTable lines={recordLines(record, shop.units, machines)} oneTool />
          </>
        }
        right={
          <div className="mt-auto">
            <Warnings page={page} shop={shop} />
            <Causes shop={shop} serial={serial} />
            <Next page={page} shop={shop} />
            {assembly && assembly.state !== 'loaded' && (
              <KeepPanel serial={serial} job={assembly.job} jobs={page.jobs} keep={reserveAction} />
            )}
            {assembly && assembly.state !== 'loaded' && <HappenedPanel serial={serial} disturb={disturbAction} />}
            {apart && assembly?.state !== 'loaded' && (
              <ApartPanel
                serial={serial}
                parts={apart.parts}
                heat={apart.heat}
                scrapFirst={apart.scrapFirst}
                lead={isLead(shop.person)}
                unit={unitStateAction}
                heatOut={heatOutAction}
                coolOut={coolOutAction}
                heatOutByHand={heatOutByHandAction}
                takeOut={takeOutAction}
                takeApart={takeApartAction}
              />
            )}
            <HolderCare
              serial={serial}
              studs={page.studs}
              suggestedUntil={format(addYears(new Date(shop.now), 1), 'yyyy-MM-dd')}
              holder={holder}
              act={{ inspect: inspectHolderAction, stud: replaceStudAction }}
            />
          </div>
        }
      />
    </>
  )
}

/** What next: what this tool waits for, and where that is done. */
function Next({ page, shop }: { readonly page: Page; readonly shop: Context }) {
  const { assembly, holder, health, waits } = page
  const next = waits && waits !== 'change cutter' ? NEXT[waits] : null
  const { serial } = holder
  return (
    <>
      {waits === 'change cutter' && assembly && assembly.condition !== 'fit' ? (
        <>
          <Say tone="off" lead={say.theToolIsTakeIt(assembly.condition)}>
            {say.itsCutterGoesToScrap}
          </Say>
          <ConditionPanel serial={serial} condition={assembly.condition} correct={correctConditionAction} />
        </>
      ) : next ? (
        <>
          <Say tone={waits === 'correct' ? 'off' : 'todo'} lead={next.sized} />
          <GoTo href={next.href(serial)}>{next.text}</GoTo>
          {waits === 'correct' && (
            <p className="mt-2 text-base">
              <Link className="text-act" href={`/hand-over/${serial}`}>
                {say.releaseItOutOfTolerance}
              </Link>{' '}
              {say.leadOnly}
            </p>
          )}
        </>
      ) : (
        <Say tone="holds" lead={assembly ? say.itIsInItsMachine : say.free}>
          {assembly
            ? say.nothingToDoHereUntil
            : holder.retired
              ? say.thisHolderIsRetired
              : health.length
                ? say.butHealth(health.map((r) => fitsText(r, shop.units)).join(' '))
                : say.itCanBeUsedFor}
        </Say>
      )}
    </>
  )
}

/** Hot, or dropped. */
function Warnings({ page, shop }: { readonly page: Page; readonly shop: Context }) {
  const { assembly, holder } = page
  const warm = assembly?.heat && assembly.state === 'built' && assembly.heat.measureAt > shop.now ? assembly.heat : null
  return (
    <>
      {warm && (
        <Say tone="unsure" lead={say.hotUntilTheUnitsLight}>
          {say.computedEarliestTimeToTouch(formatTime(warm.touchAt), formatTime(warm.measureAt))}
        </Say>
      )}
      {holder.heat && holder.heat.touchAt > shop.now && !warm && (
        <Say tone="unsure" lead={say.theHolderIsStillHot}>
          {say.computedEarliestTimeToTouchHot(formatTime(holder.heat.touchAt))}
        </Say>
      )}
      {holder.fallenAt && (
        <Say tone="off" lead={say.itWasDroppedInspectThe}>
          {say.itCannotBeUsedOr}
        </Say>
      )}
    </>
  )
}

/** What is most likely wrong with it, by its last measurement. */
function Causes({ shop, serial }: { readonly shop: Context; readonly serial: string }) {
  const sheet = readCausePanel(shop.db, serial)
  return sheet && <CausePanel key={sheet.measurement} sheet={sheet} save={sayCauseAction} />
}

/** When it was measured last, with its evidence. */
function LastMeasured({ page }: { readonly page: Page }) {
  const { holder, measurements } = page
  const last = measurements[0]
  const { serial } = holder
  return (
    <>
      <Row name={say.lastMeasured}>
        {last ? (
          <>
            {formatWhen(last.at)} {last.verdict && <VerdictMark verdict={last.verdict} />}
            <small className="block text-base font-medium">
              {last.evidence ? (
                <FileLink
                  className="text-act"
                  href={`/api/assemblies/${encodeURIComponent(serial)}/measurements/${last.id}/frames`}
                  download
                >
                  {say.pictures}
                </FileLink>
              ) : (
                `figures ${last.source}`
              )}
            </small>
          </>
        ) : (
          'never'
        )}
      </Row>
    </>
  )
}

/** The hand-over that counts, or why the last one does not. */
function HandOverRow({ page, shop }: { readonly page: Page; readonly shop: Context }) {
  const { holder, handovers } = page
  const current = handovers.find((h) => h.voidedAt === null)
  const { serial } = holder
  return (
    <>
      <Row name={say.handOver}>
        {current ? (
          <>
            <Link className="text-act" href={`/hand-over/${serial}`}>
              {say.currentIssue(current.values.issue)}
            </Link>
            {current.values.concession && (
              <small className="block text-base font-medium">{concessionText(current.values.concession, shop.unit)}</small>
            )}
          </>
        ) : handovers[0] ? (
          `${handovers[0].values.issue}, ${voidText(handovers[0].voidReason)}`
        ) : (
          'none'
        )}
      </Row>
    </>
  )
}

/** What it is and what it measures. */
function ToolRows({ page, shop }: { readonly page: Page; readonly shop: Context }) {
  const { assembly, definition, measurements, machines, names } = page
  const last = measurements[0]
  const length = (mm: number | null | undefined) =>
    mm === null || mm === undefined ? '–' : `${formatLength(mm, shop.unit)} ${unitMark(shop.unit)}`
  if (!assembly) return null
  return (
    <>
      {assembly && (
        <>
          <Row name={say.forWord}>
            {assembly.machine ? (machines.get(assembly.machine) ?? assembly.machine) : say.noMachineYet}
            {assembly.job ? `, ${assembly.job}` : ''}
          </Row>
          <Row name={say.length} symbol="LF">
            {length(last?.summary.LF)}
          </Row>
          <Row name={say.diameter} symbol="DC">
            {length(last?.summary.DC)}
          </Row>
          <Row name={say.radialRunout}>{length(last?.summary.radialRunout)}</Row>
          <LastMeasured page={page} />
          {assembly.condition !== 'fit' && <Row name={say.condition}>◆ {assembly.condition}</Row>}
          {definition && (
            <Row name={say.definition}>
              <Link
                className="text-act"
                href={`/library/tools/${encodeURIComponent(definition.id)}?version=${definition.version}`}
              >
                {say.versionOf(definition.id, definition.version)}
              </Link>
            </Row>
          )}
          {assembly.parts
            .filter((p) => p.role !== 'holder')
            .map((p) => (
              <Row key={`${p.role}-${p.component}`} name={names.get(p.component)} symbol={p.role}>
                {p.serial ?? (p.count > 1 ? `${p.count} ×` : '')}
              </Row>
            ))}
          <HandOverRow page={page} shop={shop} />
        </>
      )}
    </>
  )
}

/** The holder, where it is, and the tool on it. */
function Facts({ page, shop }: { readonly page: Page; readonly shop: Context }) {
  const { assembly, holder, machines, names, greatestHeats } = page
  const type = page.type?.name
  return (
    <>
      <div className="min-w-[300px] flex-1">
        <Row name={say.holder}>{type ?? holder.coupling}</Row>
        <Row name={say.heatCycles}>
          {holder.heats}
          {greatestHeats !== undefined && <small className="text-soft"> {say.ofGreatestHeats(greatestHeats)}</small>}
        </Row>
        {holder.inspectBy && <Row name={say.inspectBy}>{holder.inspectBy.slice(0, 10)}</Row>}
        {holder.stud && (
          <Row name={names.get(holder.stud) ?? say.pullStud}>{say.sinceStudSince(holder.studSince?.slice(0, 10) ?? '–')}</Row>
        )}
        <Row name={say.whereItIs}>
          {assembly
            ? assembly.state === 'loaded'
              ? `${machines.get(assembly.machine ?? '') ?? assembly.machine}, ${pocketText(assembly.pocket)}`
              : (assembly.place ?? say.toolRoom)
            : (holder.place ?? say.toolRoom)}
        </Row>
        {page.balance && (
          <Row name={say.balancedTitle} symbol={page.balance.elsewhere ?? undefined}>
            {gradeText(page.balance.grade)} / {speedText(page.balance.rpm)}
          </Row>
        )}
        <ToolRows page={page} shop={shop} />
      </div>
    </>
  )
}
