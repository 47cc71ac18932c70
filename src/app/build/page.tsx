import Link from '@/ui/common/link'
import { stepText } from '@/codecs/step-text'
import { carrierOf, partIn, tickIds, type StepFacts, type StackUp, type Checked } from '@/core/fits'
import { numberOf, roleOf, valueOf, type Definition, type Component } from '@/core/tool'
import { type BuildSheet } from '@/stations/build/build-sheet'
import { readBuildPage, type BuildPage as Plan } from '@/stations/build/pages'
import { BuildPanel } from '@/ui/build/build-panel'
import type { BuildActions } from '@/ui/build/build-props'
import { SetUp } from '@/ui/build/set-up'
import { Row, Say, Sheet, Title } from '@/ui/common/sheet'
import { ToolDrawing } from '@/ui/drawing/tool-drawing'
import { formatDue } from '@/ui/format/due'
import { StationPage } from '../_parts/station'
import { signedIn, type Context } from '../_server/context'
import { fitsText } from '@/words/fits'
import type { Units } from '@/core/units'
import {
  abandonBuildAction,
  addExtensionAction,
  beginBuildAction,
  coolDownAction,
  shrinkByHandAction,
  finishBuildAction,
  startHeatAction,
  takeOutAction,
  unitStateAction,
  tickStepAction,
} from './actions'
import { say } from '@/words/screens/build'
import type { ChosenPart } from '@/stations/build/choose-parts'

export const metadata = { title: say.build }

const ACT: BuildActions = {
  begin: beginBuildAction,
  finish: finishBuildAction,
  tick: tickStepAction,
  extension: addExtensionAction,
  heat: startHeatAction,
  cool: coolDownAction,
  shrinkByHand: shrinkByHandAction,
  takeOut: takeOutAction,
  abandon: abandonBuildAction,
  unit: unitStateAction,
}

const ROLE_WORD = {
  stud: 'stud',
  holder: 'holder',
  extension: 'extension',
  nut: 'nut',
  collet: 'collet',
  cutter: 'cutter',
  insert: 'insert',
  screw: 'screw',
  'stop-screw': say.stopScrew,
  'balance-screw': say.balanceScrew,
  key: 'key',
} as const

// eslint-disable-next-line max-lines-per-function -- one sheet from left to right; what it shows are components already
export default async function BuildPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ job?: string; t?: string; serial?: string }>
}) {
  const { job, t, serial } = await searchParams
  const shop = await signedIn()
  const sheet = job && t ? readBuildPage(shop.db, job, Number(t), serial?.toUpperCase() ?? null, shop.now) : null
  if (!sheet || !sheet.job)
    return (
      <StationPage station="build" current={null}>
        <Sheet
          left={
            <>
              <Title lead={say.build}>{job ? say.doesNotNeedT(job, t) : say.chooseAToolFromThe}</Title>
              <p className="text-lg">{say.eachToolInTheRack}</p>
            </>
          }
        />
      </StationPage>
    )
  const { definition, checked, parts, facts, build } = sheet
  const { stack } = checked
  const due = formatDue(sheet.job.dueAt, new Date(shop.now))
  const carrier = carrierOf(parts)
  const greatestC = carrier ? (numberOf(carrier, 'greatestC') ?? null) : null
  const short = sheet.short.map((p) => fitsText({ code: 'NONE_IN_STOCK', name: p.component.name }, shop.units))
  const blocked = [...checked.refusals.map((r) => fitsText(r, shop.units)), ...short]
  const cutter = partIn(parts, 'cutter')
  return (
    <StationPage station="build" current={`${sheet.job.id}-${definition.t}`}>
      <Sheet
        left={
          <>
            <Title lead={`T${definition.t}`}>
              {say.forName(definition.name)} <b className="text-ink">{sheet.job.id}</b> ·{' '}
              <span className={due.late ? 'text-off font-bold' : ''}>{due.text}</span>
            </Title>
            <DrawnAndSetUp
              stack={stack}
              shop={shop}
              definition={definition}
              checked={checked}
              sheet={sheet}
              facts={facts}
              greatestC={greatestC}
            />
            <h2 className="mt-1 text-2xl font-bold">{say.parts}</h2>
            <PartRows parts={parts} sheet={sheet} cutter={cutter} />
            <Nearest sheet={sheet} units={shop.units} />
          </>
        }
        right={
          <BuildPanel
            key={`${sheet.job.id}-${definition.t}-${build?.serial ?? ''}`}
            job={sheet.job.id}
            t={definition.t}
            steps={sheet.steps.map((step) => {
              const text = stepText(step, facts, shop.units)
              return {
                id: step.id,
                title: step.title,
                confirm: step.confirm,
                needs: step.needs,
                caution: step.caution,
                text: text.ok ? text.value : say.thisStepCannotBeRead(text.error.detail),
                ticks: tickIds([step], facts.seats),
              }
            })}
            build={build && { serial: build.serial, who: build.who, done: build.done, extensions: build.extensions }}
            wantedExtensions={parts
              .filter((p) => roleOf(p.component) === 'extension')
              .map((p) => ({ component: p.component.id, name: p.component.name }))}
            free={sheet.free.map((h) => h.serial)}
            blocked={blocked}
            parts={parts.map((p) => ({
              component: p.component.id,
              name: p.component.name,
              places: sheet.places.get(p.component.id) ?? [],
            }))}
            shrink={
              checked.shrink && {
                coil: facts.coil ?? '–',
                seconds: checked.shrink.heatingS,
                leastC: checked.shrink.leastC,
              }
            }
            greatestC={greatestC}
            act={ACT}
          />
        }
      />
    </StationPage>
  )
}

/** The tool as it will be, and what is set for it. */
function DrawnAndSetUp({
  stack,
  shop,
  definition,
  checked,
  sheet,
  facts,
  greatestC,
}: {
  readonly stack: StackUp | null
  readonly shop: Context
  readonly definition: Definition
  readonly checked: Checked
  readonly sheet: Plan
  readonly facts: StepFacts
  readonly greatestC: number | null
}) {
  return (
    <div className="grid grid-cols-[270px_1fr] gap-5 max-[760px]:grid-cols-1">
      {stack?.profile && (
        <ToolDrawing
          profile={stack.profile}
          unit={shop.unit}
          width={270}
          height={430}
          title={definition.name}
          LF={stack.LF}
          DC={definition.DC.nominal}
          RE={definition.RE?.nominal ?? null}
          stickOutMm={stack.stickOutMm}
        />
      )}
      <div>
        {stack && (
          <SetUp
            stack={stack}
            shrink={checked.shrink}
            stop={sheet.stop}
            LF={definition.LF.nominal}
            coil={facts.coil}
            greatestC={greatestC}
            torqueNm={facts.torque}
            reachMm={definition.reachMm}
          />
        )}
        {checked.notes.map((note, i) => (
          <p key={i} className="text-unsure mt-2 font-semibold">
            ◐ {fitsText(note, shop.units)}
          </p>
        ))}
      </div>
    </div>
  )
}

/** Its parts, with where they lie. */
function PartRows({
  parts,
  sheet,
  cutter,
}: {
  readonly parts: readonly ChosenPart[]
  readonly sheet: Plan
  readonly cutter: Component | null
}) {
  return (
    <div className="grid grid-cols-2 gap-x-8 max-[760px]:grid-cols-1">
      {parts.map((p) => (
        <Row
          key={`${p.line.role}-${p.component.id}`}
          name={
            <Link href={`/library/parts/${encodeURIComponent(p.component.id)}`} className="inline-flex min-h-11 items-center">
              {p.component.name}
              {p.component.id !== p.line.component && <span className="text-unsure ml-2">{say.standsIn}</span>}
            </Link>
          }
          symbol={ROLE_WORD[p.line.role]}
        >
          {p.line.role === 'holder'
            ? say.freeAt(sheet.free.length)
            : p.line.role === 'stud'
              ? say.inTheHolder
              : p.line.role === 'extension'
                ? `${p.count}`
                : `${p.count > 1 ? `${p.count} × ` : ''}${p.fetched ? say.pickedFetched(p.fetched) : say.inStock(p.onHand)}`}
        </Row>
      ))}
      {cutter && (
        <Row name={say.shank}>
          {[valueOf(cutter, 'shankMaterial'), valueOf(cutter, 'shankClass')].filter(Boolean).join(', ') || '–'}
        </Row>
      )}
    </div>
  )
}

/** Where the parts list does not do: what speaks against it, and what would fit. */
function Nearest({ sheet, units }: { readonly sheet: BuildSheet; readonly units: Units }) {
  const { checked, candidates, short } = sheet
  if (checked.refusals.length === 0 && short.length === 0) return null
  const asked = checked.refusals.length ? candidates : candidates.filter((c) => short.some((p) => p.line.role === c.role))
  return (
    <>
      {checked.refusals.map((r, i) => (
        <Say key={i} tone="off" lead="◆">
          {fitsText(r, units)}
        </Say>
      ))}
      <ul>
        {asked.map(({ role, fits, nearest }) => (
          <li key={role} className="border-rule border-b py-1.5">
            <b>{ROLE_WORD[role]}:</b>{' '}
            {fits.length
              ? say.wouldFit(
                  short.some((p) => p.line.role === role) ? say.andIsInStock : '',
                  fits
                    .slice(0, 3)
                    .map((c) => c.name)
                    .join(', '),
                )
              : nearest
                ? say.nearestIs(nearest.component.name, fitsText(nearest.refusals[0], units))
                : short.some((p) => p.line.role === role)
                  ? say.nothingInStockWouldFit
                  : say.nothingInTheLibraryWould}
          </li>
        ))}
      </ul>
    </>
  )
}
