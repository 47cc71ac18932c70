import { pocketReasonText } from '@/words/load'
import { z } from 'zod'
import { registersOf, type HandoverValues } from '@/core/handover'
import { isTyped, switchesOf, type Machine, type Assembly } from '@/core/tool'
import { fixed, mmToUnit, unitMark } from '@/core/units'
import { readLoadPage } from '@/stations/load/pages'
import { settleUnloads } from '@/stations/return/settle'
import { Row, Title } from '@/ui/common/sheet'
import { LOAD_TABS, SubNav } from '@/ui/common/sub-nav'
import { ToolDrawing } from '@/ui/drawing/tool-drawing'
import { LoadStation } from '@/ui/load/load-station'
import { ReadyJobs } from '@/ui/load/ready-jobs'
import { StationPage } from '../_parts/station'
import { signedIn } from '../_server/context'
import { controlErrorText } from '@/words/devices'
import { differenceText, loadSaidText } from '@/words/load'
import { scanSaidText } from '@/words/scans'
import { beginLoadAction, dropLoadAction, loadAction, tickStepAction, turnMagazineAction, typeFigureAction } from './actions'
import { handAction } from '../stand-in/actions'
import { say } from '@/words/screens/load'

export const metadata = { title: say.load }

const text = z.string().max(4096).optional().catch(undefined)
const Query = z.object({
  machine: text,
  serial: text,
  label: text,
  pocket: z.coerce.number().int().min(0).max(999).optional().catch(undefined),
})

// eslint-disable-next-line max-lines-per-function -- everything that the sheet is handed stands in one place
export default async function LoadPage({ searchParams }: { readonly searchParams: Promise<Record<string, string>> }) {
  const scans = Query.parse(await searchParams)
  const shop = await signedIn()
  await settleUnloads(shop.db, shop.control, shop.now)
  const sheet = await readLoadPage(shop.db, shop.control, scans, shop.now)
  const { machine, assembly, handover, run, machines, profile, ready } = sheet
  const values = handover?.values
  const sized = (mm: number) =>
    machine ? `${fixed(mmToUnit(mm, machine.unit), machine.decimals)} ${unitMark(machine.unit)}` : ''
  const wanted = values && machine ? registersOf({ ...values, pocket: run?.pocket ?? values.pocket }, machine) : []
  return (
    <StationPage station="load" current={scans.serial ?? null}>
      <LoadStation
        key={`${scans.machine ?? ''}|${scans.serial ?? ''}|${scans.label ?? ''}`}
        title={<Heading assembly={assembly} machine={machine} />}
        drawing={
          assembly && profile ? (
            <ToolDrawing
              profile={profile}
              unit={machine?.unit ?? shop.unit}
              width={250}
              height={255}
              title={assembly.name}
              LF={values?.lengthMm ?? profile.highMm}
              DC={values ? 2 * values.radiusMm : null}
              RE={values?.cornerRadiusMm ?? null}
            />
          ) : null
        }
        jobs={
          ready && (
            <ReadyJobs
              jobs={ready.jobs}
              names={{ parts: ready.parts, machines: Object.fromEntries(machines.map((m) => [m.key, m.name])) }}
              now={new Date(shop.now)}
            />
          )
        }
        figures={<Figures machine={machine} values={values} sized={sized} />}
        machines={machines.map(({ key, name }) => ({ key, name }))}
        machine={machine && { key: machine.key, name: machine.name, decimals: machine.decimals, typed: isTyped(machine) }}
        serial={scans.serial ?? null}
        label={scans.label ?? null}
        scans={sheet.scans.map(({ said, ...line }) => ({ ...line, text: scanSaidText(said) }))}
        findings={machine ? sheet.findings.map((f) => ({ ...f, text: loadSaidText(f.said, machine, shop.units) })) : []}
        run={run}
        runBy={sheet.runBy}
        steps={sheet.steps}
        pocket={sheet.pocket}
        why={sheet.proposal && sheet.pocket === sheet.proposal.pocket ? pocketReasonText(sheet.proposal) : null}
        view={
          machine && sheet.room
            ? {
                name: machine.name,
                magazine: sheet.room.magazine,
                pockets: sheet.pockets,
                atDoor: switchesOf(machine).pot ? (sheet.answer.state?.atDoor ?? null) : null,
                unit: machine.unit,
                flangeMm: sheet.usualRadiusMm,
              }
            : null
        }
        widestMm={sheet.widestMm === null ? null : Math.max(values?.radiusMm ?? 0, sheet.widestMm)}
        typed={wanted.map(({ register, number, rounded }) => ({
          register,
          number,
          rounded,
          unit: machine?.unit ?? 'mm',
          read: run?.typed[register] === rounded,
        }))}
        standIn={sheet.answer.state?.standIn ?? false}
        unreachable={sheet.problem && controlErrorText(sheet.problem)}
        differences={machine ? sheet.differences.map((d) => differenceText(d, machine)) : []}
        underWay={sheet.underWay.map(({ serial, t, pocket }) => ({ serial, t, pocket }))}
        begin={beginLoadAction}
        turn={turnMagazineAction}
        tick={tickStepAction}
        typeFigure={typeFigureAction}
        load={loadAction}
        drop={dropLoadAction}
        hand={handAction}
      />
    </StationPage>
  )
}

function Heading({ assembly, machine }: { readonly assembly: Assembly | null; readonly machine: Machine | null }) {
  return (
    <>
      {!assembly && <SubNav tabs={LOAD_TABS} label={say.sheetsOfLoad} />}
      <Title lead={assembly ? `T${assembly.t ?? '?'}` : say.load}>
        {assembly ? assembly.name : machine ? say.scanTheHolderAndIts : say.scanTheMachineTheHolder}
        {machine && (
          <>
            {' '}
            {say.into} <b className="text-ink">{machine.name}</b>
          </>
        )}
      </Title>
    </>
  )
}

/** The figures as the machine reads them. */
function Figures({
  machine,
  values,
  sized,
}: {
  readonly machine: Machine | null
  readonly values: HandoverValues | undefined
  readonly sized: (mm: number) => string
}) {
  return (
    <>
      <h2 className="text-2xl font-bold">{machine ? say.offsetsIn(machine.name, machine.unit) : say.offsetsOfTheMachine}</h2>
      {values && machine && (
        <>
          <Row name={say.length} symbol="LF">
            {sized(values.lengthMm)}
          </Row>
          <Row name={machine.sizeRegister === 'radius' ? say.radius : say.diameter}>
            {sized(machine.sizeRegister === 'radius' ? values.radiusMm : 2 * values.radiusMm)}
          </Row>
        </>
      )}
    </>
  )
}
