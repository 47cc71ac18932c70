'use client'
import { useState } from 'react'
import { DEVICE_NAMES, DEVICES, type Device, type Devices, type OwnDevices } from '@/core/set-up'
import type { Ask } from '@/stations/contract'
import type * as devices from '@/stations/devices/contract'
import { say } from '@/words/screens/settings'
import { BigAction, Choices, RowAction } from '../common/actions'
import { SelectField, TextField } from '../common/form'
import { Problem, Say, Sheet, Title } from '../common/sheet'
import { SETTINGS_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useShell, useUnsaved } from '../shell/shell-context'

type TryDevice = Ask<typeof devices.tryDevice>

type Scope = 'shop' | 'terminal'
const SCOPES = [
  { key: 'shop', name: say.wholeShop },
  { key: 'terminal', name: say.thisTerminal },
] as const

/** Which devices the shop has, and which of them this terminal has of its own; each tried by a press. */
export function DevicesStation({
  view,
  put,
  putOwn,
  ask,
}: {
  readonly view: devices.DevicesView
  readonly put: Ask<typeof devices.putDevices>
  readonly putOwn: Ask<typeof devices.putOwnDevices>
  readonly ask: TryDevice
}) {
  const rules = useShell().person?.role === 'administrator'
  const { busy, problem, run } = useAct()
  const [scope, setScope] = useState<Scope>('shop')
  const [shop, setShop] = useState(view.shop)
  const [own, setOwn] = useState(view.own)
  const [changed, setChanged] = useState(false)
  useUnsaved(changed ? say.whatYouChose : null)
  const choose = (to: OwnDevices) => {
    if (scope === 'shop') setShop({ ...shop, ...to })
    // what is as in the shop is left out
    else setOwn(Object.fromEntries(Object.entries({ ...own, ...to }).filter(([, what]) => what !== undefined)))
    setChanged(true)
  }
  const save = () => {
    const saved = () => setChanged(false)
    void (scope === 'shop'
      ? run(() => put({ ...shop, version: view.version }), saved, say.devicesSaved)
      : run(() => putOwn(own), saved, say.devicesSaved))
  }
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={SETTINGS_TABS} label={say.settings} />
          <Title lead={say.devices}>{say.devicesAbout}</Title>
          <Choices
            label={say.devicesOf}
            all={SCOPES}
            taken={scope}
            take={(key) => {
              setScope(key)
              setShop(view.shop)
              setOwn(view.own)
              setChanged(false)
            }}
          />
          <Kinds {...{ view, scope, shop, own, choose, ask }} disabled={!rules} />
          <Controls machines={view.machines} ask={ask} />
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.standIns}</h2>
          <p className="text-soft mt-2">{view.standIns ? say.standInsHere : say.noStandInsHere}</p>
          <p className="text-soft mt-2">{say.withoutADevice}</p>
          <h2 className="mt-3 text-2xl font-bold">{say.thisTerminal}</h2>
          <p className="text-soft mt-2">{say.terminalAbout}</p>
          <div className="mt-auto pt-3">
            {!rules && (
              <Say tone="todo" lead={say.askAnAdministratorTo}>
                {say.askAnAdministrator}
              </Say>
            )}
            <Problem lead={say.notSaved} text={problem} />
            {rules && (
              <BigAction disabled={busy || !changed} onAct={save}>
                {scope === 'shop' ? say.saveDevices : say.saveTerminal}
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

interface KindsProps {
  readonly view: devices.DevicesView
  readonly scope: Scope
  readonly shop: Devices
  readonly own: OwnDevices
  readonly choose: (to: OwnDevices) => void
  readonly ask: TryDevice
  readonly disabled: boolean
}

/** A device as the shop has it, its address too. */
const asShop = (device: Device): OwnDevices => ({
  [device]: undefined,
  ...(device === 'bench' && { benchAddress: undefined }),
  ...(device === 'printer' && { printerAddress: undefined }),
})

/** One row a kind of device. */
function Kinds({ view, scope, shop, own, choose, ask, disabled }: KindsProps) {
  const here: Devices = scope === 'shop' ? shop : { ...shop, ...own }
  const value = (device: Device) => (scope === 'shop' ? shop[device] : (own[device] ?? ''))
  const nameOf = (device: Device, choice: string) => say.deviceChoices[device][choice as never]
  return (
    <ul className="border-rule max-w-[760px] border-t">
      {DEVICE_NAMES.map((device) => (
        <li key={device} className="border-rule border-b py-2">
          <div className="grid grid-cols-[minmax(0,1fr)_230px] items-end gap-4">
            <SelectField
              label={say.deviceNames[device]}
              disabled={disabled}
              value={value(device)}
              onChange={(event) => choose(event.target.value ? { [device]: event.target.value } : asShop(device))}
            >
              {scope === 'terminal' && <option value="">{say.asTheShop(nameOf(device, shop[device]))}</option>}
              {DEVICES[device]
                .filter((choice) => view.standIns || (choice as string) !== 'stand-in')
                .map((choice) => (
                  <option key={choice} value={choice}>
                    {nameOf(device, choice)}
                  </option>
                ))}
            </SelectField>
            {hasLine(device, here) && <TryIt ask={ask} device={device} />}
          </div>
          {device === 'printer' && here.printer !== 'folder' && value('printer') !== '' && (
            <TextField
              label={say.printerAddress}
              disabled={disabled}
              value={here.printerAddress ?? ''}
              placeholder="192.168.1.40"
              onChange={(event) => choose({ printerAddress: event.target.value || null })}
            />
          )}
          {device === 'bench' && here.bench === 'line' && value('bench') !== '' && (
            <TextField
              label={view.hasLine ? say.lineOfTheServer : say.benchAddress}
              disabled={disabled}
              value={here.benchAddress ?? ''}
              placeholder="192.168.1.41:4001"
              onChange={(event) => choose({ benchAddress: event.target.value || null })}
            />
          )}
          {device === 'bench' && here.bench === 'camera' && <p className="text-soft mt-1 text-base">{say.cameraNeedsTls}</p>}
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
