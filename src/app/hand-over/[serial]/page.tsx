import Link, { ServedPicture } from '@/ui/common/link'
import { z } from 'zod'
import { isTyped, stationOff, type Machine, type Assembly } from '@/core/tool'
import { fixed, formatDeviation, mmToUnit, unitMark } from '@/core/units'
import { readHandover } from '@/stations/hand-over/pages'
import { refuseTrial, type ProposalRefusal, type HandoverProposal } from '@/stations/hand-over/propose'
import { SmallAction, SmallActions } from '@/ui/common/actions'
import { encodeLabel } from '@/codecs/label-text'
import { LabelWords } from '@/ui/hand-over/label-words'
import { Row, Say, Sheet, Title } from '@/ui/common/sheet'
import { VerdictMark } from '@/ui/common/verdict'
import { formatWhen } from '@/ui/format/due'
import { CheckTable } from '@/ui/hand-over/check-table'
import { DropPanel } from '@/ui/hand-over/drop-panel'
import { TagPanel } from '@/ui/hand-over/tag-panel'
import { Numbers } from '@/ui/hand-over/numbers'
import { PrintPanel } from '@/ui/hand-over/print-panel'
import { VoidPanel } from '@/ui/hand-over/void-panel'
import { ReleasePanel } from '@/ui/hand-over/release-panel'
import { GoTo } from '@/ui/kit/kit-next'
import { StationPage } from '../../_parts/station'
import { signedIn, type Context } from '../../_server/context'
import { serialOf } from '../../_server/params'
import { handoverRefusalText, refusalMark } from '@/words/hand-over'
import { refusalText } from '@/words/refusals'
import {
  releaseAction,
  dropPostAction,
  printLabelsAction,
  voidHandoverAction,
  writeTagAction,
  noteNfcAction,
  prepareNfcAction,
} from '../actions'
import { say } from '@/words/screens/hand-over'
import type { Handover, HandoverValues } from '@/core/handover'
import type { Refusal } from '@/stations/refusals'
import type { SavedMeasurement } from '@/core/judge'
import type { JSX } from 'react/jsx-runtime'

export const metadata = { title: say.handOver }

const Query = z.object({
  machine: z.string().max(20).optional().catch(undefined),
  t: z.coerce.number().int().positive().optional().catch(undefined),
  pocket: z.coerce.number().int().positive().max(999).optional().catch(undefined),
  tip: z.coerce.number().int().min(1).max(9).optional().catch(undefined),
  /** A new number for a tool that is released already, for a label that was lost. */
  anew: z.literal('1').optional().catch(undefined),
})

// eslint-disable-next-line max-lines-per-function -- two sheets that read the same; what they show are components already
export default async function HandoverPage({
  params,
  searchParams,
}: {
  readonly params: Promise<{ serial: string }>
  readonly searchParams: Promise<Record<string, string>>
}) {
  const serial = serialOf((await params).serial)
  const given = Query.parse(await searchParams)
  const shop = await signedIn()
  const sheet = await readHandover(shop.db, shop.control, serial, shop.now, given)
  if (!sheet)
    return (
      <StationPage station="hand-over" current={null}>
        <Sheet left={<Title lead={serial}>{say.thereIsNoToolOn}</Title>} />
      </StationPage>
    )
  const { proposal, current, numbers, machines, jobs, toBalance } = sheet
  const { assembly, machine, t, measurement, refusals, values, trial } = proposal
  const heading = (
    <Title lead={t === null ? serial : `T${t}`}>
      {say.onFor(assembly.name, serial)} <b className="text-ink">{machine?.name ?? say.noMachineYet}</b>
    </Title>
  )
  const history = (
    <Numbers
      handovers={numbers}
      people={Object.fromEntries(shop.people.map((p) => [p.id, p.name]))}
      machines={Object.fromEntries(machines.map((m) => [m.key, m]))}
    />
  )
  if (
    current &&
    !(given.anew && assembly.state === 'released') &&
    (assembly.state === 'released' || assembly.state === 'loaded')
  ) {
    const files = `/api/handovers/${current.id}`
    return (
      <StationPage station="hand-over" current={serial}>
        <ReleasedSheet
          heading={heading}
          files={files}
          current={current}
          machine={machine}
          history={history}
          shop={shop}
          serial={serial}
          assembly={assembly}
        />
      </StationPage>
    )
  }
  const sized = (mm: number) =>
    `${fixed(mmToUnit(mm, machine?.unit ?? 'mm'), machine?.decimals ?? 3)} ${unitMark(machine?.unit ?? 'mm')}`
  const wrongPost = trial?.ok && machine ? refuseTrial(trial.value, machine) : null
  const postProblem = trial && !trial.ok ? trial.error : wrongPost
  return (
    <StationPage station="hand-over" current={serial}>
      <Sheet
        left={
          <>
            {heading}
            {toBalance && (
              <Say tone="todo" lead={say.notBalancedYet}>
                <Link className="text-act font-semibold" href={`/balance/${serial}`}>
                  {say.balanceItFirst}
                </Link>
              </Say>
            )}
            {trial?.ok && machine && isTyped(machine) && <p className="text-lg">{say.takesNoFilesItsOffsets(machine.name)}</p>}
            {trial?.ok && machine && !isTyped(machine) && (
              <>
                <CheckTable rows={trial.value.check.rows} decimals={machine.decimals} heldName={say.controlGets} />
                <h2 className="mt-2 text-xl font-bold">{trial.value.file}</h2>
                <pre className="bg-ground max-w-[676px] overflow-auto p-3 text-[15px]">{trial.value.text}</pre>
              </>
            )}
            {history}
            {!trial && <p className="text-lg">{say.whenItIsMeasuredAnd}</p>}
          </>
        }
        right={
          <ToRelease
            values={values}
            machine={machine}
            sized={sized}
            measurement={measurement}
            serial={serial}
            t={t}
            given={given}
            proposal={proposal}
            jobs={jobs}
            refusals={refusals}
            postProblem={postProblem}
            shop={shop}
            machines={machines}
          />
        }
      />
    </StationPage>
  )
}

/** A hand-over that went out. */
function ReleasedSheet({
  heading,
  files,
  current,
  machine,
  history,
  shop,
  serial,
  assembly,
}: {
  readonly heading: JSX.Element
  readonly files: string
  readonly current: Handover
  readonly machine: Machine | null
  readonly history: JSX.Element
  readonly shop: Context
  readonly serial: string
  readonly assembly: Assembly
}) {
  return (
    <Sheet
      left={
        <>
          {heading}
          <ServedPicture
            src={`${files}/label.svg`}
            alt={say.labelOfHandOver(current.values.issue)}
            className="border-rule w-full max-w-[560px] border bg-white"
          />
          {current.check.rows.length > 0 && (
            <CheckTable rows={current.check.rows} decimals={machine?.decimals ?? 3} heldName={say.controlHeldInTheTrial} />
          )}
          {current.postFile && (
            <details>
              <summary className="fold text-ink">{current.postFile}</summary>
              <pre className="bg-ground overflow-auto p-3 text-[15px]">{current.postText}</pre>
            </details>
          )}
          {history}
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.handOverIssue(current.values.issue)}</h2>
          <Row name={say.releasedTitle}>{formatWhen(current.releasedAt)}</Row>
          <Row name={say.by}>{shop.people.find((p) => p.id === current.personId)?.name ?? current.personId}</Row>
          <Row name={say.measuredTitle}>{formatWhen(current.values.measuredAt)}</Row>
          <Released serial={serial} files={files} machine={machine} current={current} assembly={assembly} />
        </>
      }
    />
  )
}

/** What is released, and what speaks against it. */
function ToRelease({
  values,
  machine,
  sized,
  measurement,
  serial,
  t,
  given,
  proposal,
  jobs,
  refusals,
  postProblem,
  shop,
  machines,
}: {
  readonly values: HandoverValues | null
  readonly machine: Machine | null
  readonly sized: (mm: number) => string
  readonly measurement: SavedMeasurement | null
  readonly serial: string
  readonly t: number | null
  readonly given: {
    machine?: string | undefined
    t?: number | undefined
    pocket?: number | undefined
    tip?: number | undefined
    anew?: '1' | undefined
  }
  readonly proposal: HandoverProposal
  readonly jobs: readonly string[]
  readonly refusals: readonly ProposalRefusal[]
  readonly postProblem: Refusal | null
  readonly shop: Context
  readonly machines: readonly Machine[]
}) {
  const off = machine && stationOff(machine, values?.pocket ?? null)
  return (
    <>
      <h2 className="text-2xl font-bold">{say.valuesToRelease}</h2>
      <Values values={values} machine={machine} sized={sized} />
      {off && values && (
        <Row name={say.stationCounted(values.pocket ?? 0)}>
          {say.stationOff(formatDeviation(off.xMm, shop.unit), formatDeviation(off.zMm, shop.unit))}
        </Row>
      )}
      {measurement && (
        <Row name={say.measuredTitle}>
          {formatWhen(measurement.at)} {measurement.verdict && <VerdictMark verdict={measurement.verdict} />}
        </Row>
      )}
      <ReleasePanel
        serial={serial}
        machine={machine?.key ?? null}
        t={t}
        pocket={given.pocket ?? null}
        pockets={machine?.pockets ?? null}
        tip={machine?.kind === 'lathe' && proposal.turning ? proposal.tip : undefined}
        jobs={jobs}
        against={refusals.map(({ refusal, leadMay }) => ({
          code: refusal.code,
          mark: refusalMark(refusal),
          text: handoverRefusalText(refusal),
          leadMay,
        }))}
        postProblem={postProblem && refusalText(postProblem, shop.units)}
        machines={machines.map(({ key, name }) => ({ key, name }))}
        release={releaseAction}
      />
    </>
  )
}

/** What goes out with it. */
async function Released({
  serial,
  files,
  machine,
  current,
  assembly,
}: {
  readonly serial: string
  readonly files: string
  readonly machine: Machine | null
  readonly current: Handover
  readonly assembly: Assembly
}) {
  const { devices } = await signedIn()
  return (
    <div className="mt-auto">
      <Say tone="holds" lead={say.releasedSentence}>
        {say.hangTheLabelOnThe}
      </Say>
      <GoTo href={`/load?serial=${serial}`}>{say.loadIt}</GoTo>
      <SmallActions>
        <SmallAction href={`${files}/label.pdf`} download>
          {say.labelPdf}
        </SmallAction>
        {!(machine && isTyped(machine)) && (
          <SmallAction href={`${files}/post?machine=${current.values.machine}`} download>
            {say.postFile}
          </SmallAction>
        )}
      </SmallActions>
      <LabelWords text={encodeLabel(current.values)} />
      <PrintPanel id={current.id} print={printLabelsAction} />
      {!(machine && isTyped(machine)) && <DropPanel id={current.id} drop={dropPostAction} />}
      <TagPanel
        serial={serial}
        write={writeTagAction}
        nfc={devices().tag === 'nfc' ? { prepare: prepareNfcAction, note: noteNfcAction } : null}
      />
      {assembly.state === 'released' && <VoidPanel serial={serial} takeBack={voidHandoverAction} />}
    </div>
  )
}

/** What would be handed over. */
function Values({
  values,
  machine,
  sized,
}: {
  readonly values: HandoverValues | null
  readonly machine: Machine | null
  readonly sized: (mm: number) => string
}) {
  return values && machine ? (
    <>
      <Row name={say.length} symbol="LF">
        {sized(values.lengthMm)}
      </Row>
      <Row
        name={machine.sizeRegister === 'radius' ? say.radius : say.diameter}
        symbol={machine.sizeRegister === 'radius' ? 'DC/2' : 'DC'}
      >
        {sized(machine.sizeRegister === 'radius' ? values.radiusMm : 2 * values.radiusMm)}
      </Row>
      {values.cornerRadiusMm !== null && (
        <Row name={say.cornerRadius} symbol="RE">
          {sized(values.cornerRadiusMm)}
        </Row>
      )}
      <Row name={say.handOverTitle}>{values.issue}</Row>
    </>
  ) : (
    <p className="text-soft">{say.nothingYet}</p>
  )
}
