'use client'
import { useState } from 'react'
import { DEVICE_NAMES, DEVICES, type Device, type Devices } from '@/core/set-up'
import type { Ask } from '@/stations/contract'
import type * as devices from '@/stations/devices/contract'
import { say } from '@/words/screens/settings'
import { BigAction, RowAction } from '../common/actions'
import { SelectField, TextField } from '../common/form'
import { Problem, Say, Sheet, Title } from '../common/sheet'
import { SETTINGS_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useShell, useUnsaved } from '../shell/shell-context'

type TryDevice = Ask<typeof devices.tryDevice>

/** Which devices the shop has, each tried by a press. */
export function DevicesStation({
  view,
  put,
  ask,
}: {
  readonly view: devices.DevicesView
  readonly put: Ask<typeof devices.putDevices>
  readonly ask: TryDevice
}) {
  const rules = useShell().person?.role === 'administrator'
  const { busy, problem, run } = useAct()
  const { bench, shrink, spindle, tag, printer, printerAddress, version } = view
  const [chosen, setChosen] = useState<Devices>({ bench, shrink, spindle, tag, printer, printerAddress })
  const [changed, setChanged] = useState(false)
  useUnsaved(changed ? say.whatYouChose : null)
  const choose = (to: Partial<Devices>) => {
    setChosen({ ...chosen, ...to })
    setChanged(true)
  }
  const save = () =>
    void run(
      () => put({ ...chosen, version }),
      () => setChanged(false),
      say.devicesSaved,
    )
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={SETTINGS_TABS} label={say.settings} />
          <Title lead={say.devices}>{say.devicesAbout}</Title>
          <Choices {...{ view, chosen, choose, ask }} disabled={!rules} />
          <Controls machines={view.machines} ask={ask} />
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.standIns}</h2>
          <p className="text-soft mt-2">{view.standIns ? say.standInsHere : say.noStandInsHere}</p>
          <p className="text-soft mt-2">{say.withoutADevice}</p>
          <div className="mt-auto pt-3">
            {!rules && (
              <Say tone="todo" lead={say.askAnAdministratorTo}>
                {say.askAnAdministrator}
              </Say>
            )}
            <Problem lead={say.notSaved} text={problem} />
            {rules && (
              <BigAction disabled={busy || !changed} onAct={save}>
                {say.saveDevices}
              </BigAction>
            )}
          </div>
        </>
      }
    />
  )
}

/** Whether there is something to ask that moves nothing. */
const hasLine = (device: Device, chosen: Devices): boolean =>
  device === 'bench'
    ? chosen.bench === 'line'
    : device === 'shrink' || device === 'spindle'
      ? chosen[device] !== 'none'
      : device === 'tag'
        ? chosen.tag === 'file'
        : false

/** One row a kind of device: what the shop has. */
function Choices({
  view,
  chosen,
  choose,
  ask,
  disabled,
}: {
  readonly view: devices.DevicesView
  readonly chosen: Devices
  readonly choose: (to: Partial<Devices>) => void
  readonly ask: TryDevice
  readonly disabled: boolean
}) {
  return (
    <ul className="border-rule max-w-[760px] border-t">
      {DEVICE_NAMES.map((device) => (
        <li key={device} className="border-rule border-b py-2">
          <div className="grid grid-cols-[minmax(0,1fr)_230px] items-end gap-4">
            <SelectField
              label={say.deviceNames[device]}
              disabled={disabled}
              value={chosen[device]}
              onChange={(event) => choose({ [device]: event.target.value })}
            >
              {DEVICES[device]
                .filter((choice) => view.standIns || (choice as string) !== 'stand-in')
                .map((choice) => (
                  <option key={choice} value={choice}>
                    {say.deviceChoices[device][choice as never]}
                  </option>
                ))}
            </SelectField>
            {hasLine(device, chosen) && <TryIt ask={ask} device={device} />}
          </div>
          {device === 'printer' && chosen.printer !== 'folder' && (
            <TextField
              label={say.printerAddress}
              disabled={disabled}
              value={chosen.printerAddress ?? ''}
              placeholder="192.168.1.40"
              onChange={(event) => choose({ printerAddress: event.target.value })}
            />
          )}
          {device === 'bench' && chosen.bench === 'line' && !view.hasLine && (
            <p className="text-off mt-1 text-base">{say.lineNotNamed}</p>
          )}
        </li>
      ))}
    </ul>
  )
}

/** The controls of the machines, each tried by a press. */
function Controls({ machines, ask }: Pick<devices.DevicesView, 'machines'> & { readonly ask: TryDevice }) {
  return (
    <>
      <h2 className="mt-2 text-2xl font-bold">{say.controlsOfMachines}</h2>
      {machines.length === 0 && <p className="text-soft">{say.noRows.machines}</p>}
      <ul className="max-w-[760px]">
        {machines.map(({ key, name, typed }) => (
          <li key={key} className="border-rule grid min-h-11 grid-cols-[minmax(0,1fr)_230px] items-center gap-4 border-b">
            <b className="font-head text-[20px]">{name}</b>
            {typed ? <span className="text-soft">{say.valuesAreTyped}</span> : <TryIt ask={ask} machine={key} />}
          </li>
        ))}
      </ul>
    </>
  )
}

/** Asks the device something that moves nothing; what came back stays beside it. */
function TryIt({ ask, ...what }: { readonly ask: TryDevice } & ({ readonly device: Device } | { readonly machine: string })) {
  const { busy, problem, run } = useAct()
  const [tried, setTried] = useState<devices.Tried | null>(null)
  const said = tried && say.tried(tried)
  return (
    <div className="flex min-h-11 items-center gap-2">
      <RowAction disabled={busy} onAct={() => void run(() => ask(what), setTried)}>
        {busy ? say.trying : say.tryIt}
      </RowAction>
      <span
        role="status"
        className={`min-w-0 flex-1 text-base leading-tight ${tried?.code === 'SILENT' ? 'text-off' : 'text-soft'}`}
      >
        {problem ?? said}
      </span>
    </div>
  )
}
