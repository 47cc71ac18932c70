import { pocketText } from '@/words/pocket'
import { emptyRow, registersOf, type HandoverValues, type HeldRow } from '@/core/handover'
import { isTyped, SPINDLE, tableOf, type Machine } from '@/core/tool'
import { fixed, formatLength, unitMark, mmToUnit } from '@/core/units'
import { readInMachines, readReturn } from '@/stations/return/pages'
import { settleUnloads } from '@/stations/return/settle'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { Say, Sheet, Title } from '@/ui/common/sheet'
import { ToolDrawing } from '@/ui/drawing/tool-drawing'
import { InMachines } from '@/ui/return/in-machines'
import { UnloadPanel } from '@/ui/return/unload-panel'
import { signedIn } from '../_server/context'
import { serialOf } from '../_server/params'
import { controlErrorText } from '@/words/devices'
import { differenceText } from '@/words/load'
import { takeFromMachineAction } from '../stand-in/actions'
import { turnForReturnAction, unloadAction } from './actions'
import { say } from '@/words/screens/return'

export const metadata = { title: say.returnWord }

/** From where the machine's own register counts. */
function lengthFrom(machine: Machine): string {
  const { lengthFrom: from } = tableOf(machine)
  if (from.type === 'gauge line') return say.fromGaugeLine
  return say.fromAMasterOf(formatLength(from.lengthMm, machine.unit), unitMark(machine.unit))
}

// eslint-disable-next-line max-lines-per-function -- one sheet from left to right; what it shows are components already
export default async function ReturnPage({ searchParams }: { readonly searchParams: Promise<{ serial?: string | string[] }> }) {
  const { serial: asked } = await searchParams
  const serial = typeof asked === 'string' && asked ? serialOf(asked) : null
  const shop = await signedIn()
  await settleUnloads(shop.db, shop.control, shop.now)
  const inside = serial === null ? null : await readReturn(shop.db, shop.control, serial)
  if (!inside) {
    return (
      <>
        <KeepFresh />
        <div />
        <InMachines
          asked={serial}
          tools={readInMachines(shop.db).map((a) => ({
            serial: a.serial,
            t: a.t,
            name: a.name,
            machine: a.machineName,
            pocket: a.pocket,
            cutMin: a.lifeUsedMin,
          }))}
        />
      </>
    )
  }
  const { assembly, machine, row, worn, problem, profile, values } = inside
  const typed = isTyped(machine)
  // an old control is emptied by hand: what its row is left with is shown to be typed
  const shown: HeldRow =
    row ??
    (typed && assembly.t !== null
      ? Object.fromEntries(
          registersOf({ t: assembly.t, pocket: assembly.pocket, ...emptyRow(machine), cornerRadiusMm: null }, machine).map(
            ({ register, rounded }) => [register, rounded],
          ),
        )
      : {})
  const unit = unitMark(machine.unit)
  const sized = (value: number | undefined) => (value === undefined ? '–' : `${fixed(value, machine.decimals)} ${unit}`)
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <Title lead={`T${assembly.t ?? '?'}`}>
              {say.onOutOf(assembly.name, assembly.serial)} <b className="text-ink">{machine.name}</b>,{' '}
              {pocketText(assembly.pocket)}
            </Title>
            {typed && (
              <Say tone="todo" lead={say.offsetsOfAreTyped(machine.name)}>
                {say.leaveOffsetLikeThisAnd(inside.register)}
              </Say>
            )}
            {problem && (
              <Say tone="off" lead={say.theControlDoesNotAnswer} role="alert">
                {controlErrorText(problem)}
              </Say>
            )}
            {inside.differences.map((d) => (
              <Say key={d.code} tone="off" lead={say.recordAndControlDiffer} role="alert">
                {differenceText(d, machine)}
              </Say>
            ))}
            <div className="grid grid-cols-[1fr_250px] gap-6 max-[900px]:grid-cols-1">
              <Registers typed={typed} shown={shown} machine={machine} sized={sized} values={values} />
              {profile && (
                <ToolDrawing
                  profile={profile}
                  width={250}
                  height={430}
                  title={assembly.name}
                  LF={values?.lengthMm ?? profile.highMm}
                  DC={values ? 2 * values.radiusMm : null}
                  RE={values?.cornerRadiusMm ?? null}
                  unit={machine.unit}
                />
              )}
            </div>
          </>
        }
        right={
          <UnloadPanel
            key={assembly.serial}
            serial={assembly.serial}
            machine={{ key: machine.key, name: machine.name }}
            pocket={assembly.pocket}
            worn={worn}
            current={values !== null}
            ready={row !== null || typed}
            cutMin={inside.cutMin}
            others={inside.others}
            standIn={inside.state?.standIn === true && (inside.state.toolAtDoor !== null || inside.state.inSpindle === true)}
            atDoor={inside.state?.atDoor === assembly.pocket}
            seen={
              assembly.pocket === SPINDLE
                ? inside.state?.inSpindle === true
                : inside.state?.atDoor === assembly.pocket && inside.state.toolAtDoor === true
            }
            unload={unloadAction}
            turn={turnForReturnAction}
            takeOut={takeFromMachineAction}
          />
        }
      />
    </>
  )
}

/** What the control holds for it now. */
function Registers({
  typed,
  shown,
  machine,
  sized,
  values,
}: {
  readonly typed: boolean
  readonly shown: Readonly<
    Partial<
      Record<
        | 'length'
        | 'length wear'
        | 'radius'
        | 'radius wear'
        | 'diameter'
        | 'diameter wear'
        | 'X radius'
        | 'X diameter'
        | 'Z'
        | 'X wear'
        | 'Z wear'
        | 'nose radius'
        | 'tip',
        number
      >
    >
  >
  readonly machine: Machine
  readonly sized: (value: number | undefined) => string
  readonly values: HandoverValues | null
}) {
  return (
    <table className="table self-start text-lg">
      <thead>
        <tr>
          <th scope="col">{say.register}</th>
          <th scope="col" className="text-right">
            {typed ? say.typeAtItsControl : say.controlHolds}
          </th>
        </tr>
      </thead>
      <tbody>
        {Object.entries(shown).map(([register, value]) => {
          const wear = register.endsWith('wear')
          return (
            <tr key={register} className="h-[46px]">
              <th scope="row" className="font-semibold">
                {register}
                {register === 'length' && <small className="text-soft block text-base font-medium">{lengthFrom(machine)}</small>}
              </th>
              <td className={`figures text-right text-[24px] font-semibold ${wear && value !== 0 ? 'text-unsure' : ''}`}>
                {register === 'tip' ? value : sized(value)}
                {wear && value !== 0 && ' ◐'}
              </td>
            </tr>
          )
        })}
        {values && (
          <tr className="text-soft h-[46px]">
            <th scope="row" className="font-semibold">
              {say.lengthAtLoadingFromGauge}
            </th>
            <td className="figures text-right text-[20px]">{sized(mmToUnit(values.lengthMm, machine.unit))}</td>
          </tr>
        )}
      </tbody>
    </table>
  )
}
