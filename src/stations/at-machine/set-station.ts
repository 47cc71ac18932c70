import { fail, type Result } from '@/core/units'
import { listCurrent } from '@/db/handover/read'
import { getMachine } from '@/db/machine/read'
import { updateMachine } from '@/db/machine/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, refuser, write } from '../write'

interface Station {
  readonly machine: string
  readonly station: number
  readonly master: string
  readonly off: { readonly xMm: number; readonly zMm: number } | null
  readonly version: number
}

/** How far a station of a lathe's turret is off, as a master shows it: tools that go there are handed over with it. */
export function setStation(work: Work, { machine: key, station, master, off, version }: Station): Result<null, Refusal> {
  const machine = getMachine(work.db, key)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: key })
  const changed: Refusal = { code: 'CHANGED', what: 'machine', machine: machine.name }
  const refuse = refuser(work, 'Load', { machine: machine.key })
  if (machine.kind !== 'lathe') return refuse({ code: 'NO_STATION', machine: machine.name, station, stations: null })
  if (station > machine.pockets) return refuse({ code: 'NO_STATION', machine: machine.name, station, stations: machine.pockets })
  if (machine.version !== version) return fail(changed)
  const out = listCurrent(work.db).filter(({ values }) => values.machine === key && values.pocket === station)
  if (out.length) return refuse({ code: 'STATION_OUT', serials: out.map(({ values }) => values.serial), station })
  const { [String(station)]: before, ...others } = machine.stations ?? {}
  const stations = off ? { ...others, [String(station)]: { ...off, at: work.now, master } } : others
  const entry = { code: 'STATION_SET', machine: machine.name, station, master, off } as const
  return write(work, { entry, machine: machine.key, before: before ?? null, after: off }, (tx) => {
    must(updateMachine(tx.db, machine, { ...machine, stations }), changed)
    return null
  })
}
