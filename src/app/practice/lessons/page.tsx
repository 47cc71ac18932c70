import { z } from 'zod'
import { isRoomLesson } from '@/core/practice'
import { isPracticeReady } from '@/runtime'
import { readCards } from '@/stations/lessons/plant'
import { readRooms } from '@/stations/lessons/room'
import { RoomStation } from '@/ui/practice/room-station'
import { say } from '@/words/screens/practice'
import { signedIn } from '../../_server/context'
import { practiceAt } from '../../_server/practice'
import { endRoomAction, sayThingAction, startRoomAction } from './actions'

export const metadata = { title: say.inTheRoom }

const ACT = { start: startRoomAction, say: sayThingAction, end: endRoomAction }
const Run = z.coerce.number().int().positive().nullable().catch(null)

export default async function LessonsPage({ searchParams }: { readonly searchParams: Promise<Record<string, unknown>> }) {
  const { person, sessionId, ...shop } = await signedIn()
  const asked = await searchParams
  const run = Run.parse(asked.run ?? null)
  const first = typeof asked.lesson === 'string' && isRoomLesson(asked.lesson) ? asked.lesson : null
  const room = await practiceAt(sessionId)
  const view = readRooms(shop, person.id, { run, cards: room ? readCards(room.shop.db) : {}, ready: isPracticeReady() })
  return (
    <>
      <div />
      <RoomStation key={`${view.current?.run ?? 0}${first ?? ''}`} view={view} first={first} act={ACT} />
    </>
  )
}
