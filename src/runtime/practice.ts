/**
 * Practice rooms: shops beside the real one, each made for one lesson from a seeded folder and thrown away after it. A database,
 * stand-ins, a control and a clock of its own; nothing in it can reach a machine.
 */
import 'server-only'
import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { dataFolder } from './data-folder'
import { openShop, type Shop } from './shop'

/** The folder that every room begins as: `scripts/lib.mjs` seeds it. */
const SEED = join(process.cwd(), '.cache', 'practice-seed')
const CONTROL = join(process.cwd(), '.cache', 'workers', 'control.mjs')
const MIGRATIONS = join(process.cwd(), 'src/db/migrations')

/** A room that nobody has used for so long is shut; it opens again as it was. */
const IDLE_MS = 3_600_000

interface OpenRoom {
  readonly shop: Shop
  readonly control: ChildProcess
}
const held = globalThis as { boulderRooms?: Map<number, Promise<OpenRoom>>; boulderRoomTimers?: Map<number, NodeJS.Timeout> }
const rooms = (): Map<number, Promise<OpenRoom>> => (held.boulderRooms ??= new Map<number, Promise<OpenRoom>>())

const timersOf = (): Map<number, NodeJS.Timeout> => (held.boulderRoomTimers ??= new Map<number, NodeJS.Timeout>())
/** Somebody is in this room: it stays open for another while. */
function inUse(run: number): void {
  clearTimeout(timersOf().get(run))
  timersOf().set(run, setTimeout(() => void shutRoom(run), IDLE_MS).unref())
}

const folderOf = (run: number): string => join(dataFolder(), 'practice', String(run))

/** Whether a room can be made: the seed takes a while where Boulder has just been installed. */
export const isPracticeReady = (): boolean => existsSync(join(SEED, 'seeded-at'))

/** This file says by how much a room’s clock is behind, ms. */
const BEHIND = 'behind'

/** A copy of the seed, in which it is the minute in which it was seeded. Whole folder or none. */
function furnish(folder: string): void {
  rmSync(folder, { recursive: true, force: true })
  rmSync(`${folder}.new`, { recursive: true, force: true })
  cpSync(SEED, `${folder}.new`, { recursive: true })
  writeFileSync(join(`${folder}.new`, BEHIND), String(Date.now() - Number(readFileSync(join(SEED, 'seeded-at'), 'utf8'))))
  renameSync(`${folder}.new`, folder)
}

/** A control stand-in for one room: at a port that is free, for as long as this process lives. */
function startControl(folder: string): Promise<{ readonly address: string; readonly child: ChildProcess }> {
  const child = spawn(process.execPath, [CONTROL], {
    env: {
      ...process.env,
      CONTROL_PORT: '0',
      CONTROL_DATA: join(folder, 'control'),
      CONTROL_CHECKS_ONLY: '0',
      CONTROL_STAYS: '0',
    },
    stdio: ['pipe', 'pipe', 'inherit'],
  })
  return new Promise((done, failed) => {
    let said = ''
    child.on('error', failed)
    child.on('exit', (code) => failed(new Error(`the control of the practice room stopped (${code})`)))
    child.stdout.on('data', (text: Buffer) => {
      const address = /http:\/\/127\.0\.0\.1:\d+/.exec((said += text.toString()))?.[0]
      if (address) done({ address, child })
    })
  })
}

/** This file says that a room was planted to its end. */
const PLANTED = 'planted'

function shut({ shop, control }: OpenRoom): void {
  shop.heads.stop()
  shop.db.close()
  control.stdin?.end()
  control.kill('SIGTERM')
}

async function open(run: number, beside: Shop, begin: (room: Shop) => Promise<void>): Promise<OpenRoom> {
  const folder = folderOf(run)
  // one in which the planting was broken off is made anew
  const isNew = !existsSync(join(folder, PLANTED))
  if (isNew) furnish(folder)
  const { address, child } = await startControl(folder)
  const shop = openShop(
    {
      folder,
      backups: join(folder, 'backups'),
      control: address,
      lineBench: null,
      standIns: true,
      realTime: false,
      behindMs: Number(readFileSync(join(folder, BEHIND), 'utf8')),
      migrations: MIGRATIONS,
    },
    beside,
  )
  const room = { shop, control: child }
  try {
    if (isNew) await begin(shop)
    writeFileSync(join(folder, PLANTED), '')
    // a control that stops by itself takes its room along: the next question opens both again
    child.once('exit', () => void shutRoom(run))
    return room
  } catch (error) {
    shut(room)
    throw error
  }
}

/** The room of a lesson: made anew where there is none, or opened again after the server was stopped. @param begin what is planted in a new one */
export async function practiceRoom(run: number, beside: Shop, begin: (room: Shop) => Promise<void>): Promise<Shop> {
  const all = rooms()
  const opening = all.get(run) ?? open(run, beside, begin)
  all.set(run, opening)
  inUse(run)
  try {
    return (await opening).shop
  } catch (error) {
    // the next question opens it again; one that was not planted to its end is made anew then
    all.delete(run)
    throw error
  }
}

/** Shuts a room; what is in it stays for when it is opened again. */
async function shutRoom(run: number): Promise<void> {
  const opened = rooms().get(run)
  rooms().delete(run)
  clearTimeout(timersOf().get(run))
  timersOf().delete(run)
  if (opened) shut(await opened)
}

/** Shuts a room and throws away what was in it. */
export async function clearRoom(run: number): Promise<void> {
  await shutRoom(run)
  rmSync(folderOf(run), { recursive: true, force: true })
}
