/** A shop: its database, its drivers, its clock. Each request works with one; another can stand beside it. */
import 'server-only'
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { inTransaction, openDatabase, type Db } from '@/db/connection'
import { migrate, nextMigration } from '@/db/migrate'
import { chainUp } from '@/db/record/chain'
import { sealUp } from '@/db/record/seal'
import { getShrinkState, getSimTag, getSpindleState } from '@/db/truth/read'
import { putShrinkState, putSimTag, putSpindleState } from '@/db/truth/write'
import { askAgent } from '@/devices/control/agent'
import { probeOnChecker, tryOnChecker } from '@/devices/control/checker'
import { folderControl } from '@/devices/control/folder'
import { httpControl } from '@/devices/control/http'
import { routedControl } from '@/devices/control/routed'
import type { Control, Hands } from '@/devices/control/port'
import { httpTeller } from '@/devices/hook/http'
import type { Teller } from '@/devices/hook/port'
import type { LineBench } from '@/devices/line-bench/port'
import { tcpLineBench } from '@/devices/line-bench/tcp'
import type { Printer } from '@/devices/printer/port'
import { networkPrinter } from '@/devices/printer/network'
import { simulatedPrinter } from '@/devices/printer/simulated'
import { absentShrink, absentSpindle, absentTag } from '@/devices/absent'
import { readAddress, type Devices, type OwnDevices } from '@/core/set-up'
import { readDevices } from '@/db/shop/devices'
import type { BalancingSpindle, SpindleHands } from '@/devices/spindle/port'
import { simulatedSpindle } from '@/devices/spindle/simulated'
import type { ShrinkUnit } from '@/devices/shrink/port'
import { simulatedShrink } from '@/devices/shrink/simulated'
import type { TagStation } from '@/devices/tag/port'
import { fileTag } from '@/devices/tag/file'
import { simulatedTag } from '@/devices/tag/simulated'
import { newBell, type Bell } from './bell'
import { clockOf, type Clock } from './clock'
import { drawingsIn, dropIn, evidenceIn, putWhole, spoolIn, type Drawings, type Drop, type Evidence } from './folders'
import type { Heavy } from '@/codecs/heavy'
import { headKeeper, type HeadKeeper } from './heads'
import { unbalanceTicket } from './unbalance-ticket'
import { pinKeeper } from './pins'
import { copyBefore, snapshotsIn, type Snapshots } from './snapshots'
import { framesPool, heavyPool, snapshotPool, type FramesPool } from './threads'
import { getAnyMachine } from '@/db/machine/read'
import { applyZone } from './zone'

/** The devices that are within reach: of the shop, or of one terminal that has some of its own. */
export interface Within {
  /** Which they are now. */
  readonly devices: () => Devices
  /** The bench at the end of a serial line; null where none is connected. */
  readonly lineBench: LineBench | null
  /** The reader with the chip of this holder before it. */
  readonly tagOf: (serial: string) => TagStation
  readonly shrink: ShrinkUnit
  readonly spindle: BalancingSpindle
  readonly printer: Printer
}

export interface Shop extends Within {
  readonly db: Db
  readonly clock: Clock
  /** The devices of a terminal. */
  readonly at: (own: OwnDevices) => Within
  /** Whether stand-ins were asked for when this server was started. */
  readonly standIns: boolean
  readonly control: Control
  /** Runs a check block beside every machine. */
  readonly tryCheck: (text: string, setter: { readonly at: number; readonly off: number }) => ReturnType<typeof probeOnChecker>
  /** Tells other programs what they want to know. */
  readonly teller: Teller
  /** Hands at a machine that is a stand-in. */
  readonly hands: Hands
  /** Hands at a balancing spindle that is a stand-in. */
  readonly spindleHands: SpindleHands
  /** Makes and compares what is kept of PINs. */
  readonly pins: typeof pinKeeper
  /** Measures pictures beside everything else. */
  readonly frames: FramesPool
  /** Reads files and fills in templates beside everything else. */
  readonly heavy: Heavy
  readonly schema: number
  /** Copies of the database, in case of an accident. */
  readonly snapshots: Snapshots
  /** Tells every open terminal that something was done. */
  readonly bell: Bell
  /** Keeps the ends of the record outside of the database. */
  readonly heads: HeadKeeper
  readonly evidence: Evidence
  /** Files for each machine's control. */
  readonly drop: Drop
  /** Pictures and drawings of parts. */
  readonly drawings: Drawings
}

/** Where a shop keeps what it has, and where its devices are. */
export interface ShopSettings {
  readonly folder: string
  /** Where copies of the database are kept. */
  readonly backups: string
  /** Address of the machines' controls. */
  readonly control: string
  /** A bench at the end of a serial line, `host:port`; null where none is connected. */
  readonly lineBench: string | null
  /** Whether devices may be stand-ins. */
  readonly standIns: boolean
  /** Next to anything real the clock stays the clock. */
  readonly realTime: boolean
  readonly migrations: string
  /** Left out: it is as late as it is. */
  readonly behindMs?: number
}

/** A driver that is looked up at each call: what is chosen in Settings counts at once. */
const chosen = <T extends object>(driver: () => T): T =>
  new Proxy({} as T, {
    get: (_, name) => {
      const now = driver()
      const member = Reflect.get(now, name) as unknown
      return typeof member === 'function' ? (member.bind(now) as unknown) : member
    },
  })

/** How long an order to a folder waits for the machine's table, before whoever ordered it is told that it waits. */
const FOLDER_WAIT_MS = 4000

/** Each machine's control, as it is reached by what is set up now. @param gateway of those that have no address of their own */
function controlsOf(db: Db, gateway: string, drop: string): Control & Hands {
  const shared = httpControl(gateway)
  return routedControl((key) => {
    const machine = getAnyMachine(db, key)
    if (!machine) return shared
    const { figures, address, agent } = machine
    const told = agent ? { state: () => askAgent(`http://${agent}`) } : {}
    if (figures === 'folder')
      return folderControl({
        ...told,
        folder: join(drop, key),
        put: (path, text) => putWhole(path, text, true),
        tryFile: (text) => tryOnChecker(gateway, machine, text),
        waitMs: FOLDER_WAIT_MS,
        // a file's age is of this computer's clock, whatever the shop's says
        nowMs: () => Date.now(),
      })
    return { ...(address ? httpControl(`http://${address}`) : shared), ...told }
  })
}

/** @param beside the real shop, for one that only stands beside it: threads and the time zone are the real one's */
export function openShop(
  { folder, backups, control: address, lineBench, standIns, realTime, migrations, behindMs }: ShopSettings,
  beside: Pick<Shop, 'frames' | 'heavy'> | null = null,
): Shop {
  mkdirSync(folder, { recursive: true })
  const file = join(folder, 'boulder.sqlite')
  const db = openDatabase(file)
  const next = nextMigration(db, migrations)
  if (next !== null) copyBefore(db, backups, next, Date.now())
  const schema = migrate(db, migrations)
  inTransaction(db, (tx) => {
    chainUp(tx)
    sealUp(tx)
  })
  if (!beside) applyZone(db)
  const carrier = join(folder, 'tag', 'carrier.bin')
  mkdirSync(join(folder, 'tag'), { recursive: true })
  const clock = clockOf(db, standIns && !realTime, behindMs)
  const control = controlsOf(db, address, join(folder, 'drop'))
  const spindle = simulatedSpindle({
    get: () => getSpindleState(db),
    put: (state) => inTransaction(db, (tx) => putSpindleState(tx, state)),
    nowMs: () => clock.nowMs(),
    truthOf: (serial) => unbalanceTicket(db, serial),
  })
  const shrink = simulatedShrink({
    get: () => getShrinkState(db),
    put: (state) => inTransaction(db, (tx) => putShrinkState(tx, state)),
    nowMs: () => clock.nowMs(),
  })
  const spool = simulatedPrinter(spoolIn(join(folder, 'spool')))
  const within = (own: OwnDevices): Within => {
    const devices = () => readDevices(db, standIns, own)
    const printerAt = () => readAddress(devices().printerAddress ?? '')
    const printers = { folder: spool, network: networkPrinter(printerAt), 'network-pdf': networkPrinter(printerAt, 'pdf') }
    const line = devices().benchAddress ?? lineBench
    return {
      devices,
      lineBench: line === null ? null : tcpLineBench(line),
      tagOf: (serial) =>
        devices().tag === 'stand-in'
          ? simulatedTag(
              { get: (s) => getSimTag(db, s), put: (s, tag) => inTransaction(db, (tx) => putSimTag(tx, s, tag)) },
              serial,
            )
          : devices().tag === 'file'
            ? fileTag(carrier)
            : absentTag,
      shrink: chosen(() => (devices().shrink === 'stand-in' ? shrink : absentShrink)),
      spindle: chosen(() => (devices().spindle === 'stand-in' ? spindle : absentSpindle)),
      printer: chosen(() => printers[devices().printer]),
    }
  }
  return {
    db,
    clock,
    schema,
    snapshots: snapshotsIn(backups, file, snapshotPool()),
    bell: newBell(),
    heads: headKeeper(db, folder, () => clock.now()),
    control,
    hands: control,
    teller: httpTeller(),
    tryCheck: (text, setter) => probeOnChecker(address, text, setter),
    standIns,
    ...within({}),
    at: within,
    pins: pinKeeper,
    spindleHands: spindle.hands,
    frames: beside?.frames ?? framesPool(),
    heavy: beside?.heavy ?? heavyPool(),
    evidence: evidenceIn(join(folder, 'evidence')),
    drop: dropIn(join(folder, 'drop')),
    drawings: drawingsIn(join(folder, 'drawings')),
  }
}
