import 'server-only'
import { practiceRoom, theShop, type Shop } from '@/runtime'
import { enterRoom, runningRoom, type RoomRun } from '@/stations/lessons/room'
import { plantRoom } from './plant-room'
import { readWho } from '@/stations/session/who'

export interface Practice {
  readonly shop: Shop
  readonly run: RoomRun
}

/** The practice room of whoever sits at this terminal; null: nobody does, or no lesson of theirs runs. Only reads the shop itself. */
export async function practiceAt(sessionId: string | null): Promise<Practice | null> {
  const real = theShop()
  const who = readWho(real.db, sessionId, real.clock.now())
  const run = who.person ? runningRoom(real.db, who.person.id) : null
  if (sessionId === null || !who.person || !run) return null
  const shop = await practiceRoom(run.id, real, (room) => plantRoom(room, run))
  enterRoom({ db: shop.db, now: shop.clock.now() }, sessionId, { ...who, person: who.person })
  return { shop, run }
}

export const practiceOf = async (sessionId: string | null): Promise<Shop | null> => (await practiceAt(sessionId))?.shop ?? null
