/** What other terminals are told: who did what, once, and nothing of what was refused. */
import { beforeEach, describe, expect, it } from 'vitest'
import { newBell } from '@/runtime/bell'
import { lastSeq, newsAfter } from '@/stations/records/news'
import { putPerson } from '@/stations/people/put-person'
import { refuser } from '@/stations/write'
import { codeOf, toolRoom, valueOf, type ToolRoom } from '../support/tool-room'

let room: ToolRoom
beforeEach(() => {
  room = toolRoom()
})
const change = () => putPerson(room.as('ruth'), { id: 'tomas', name: 'Tomas Lind', role: 'lead', retired: false, version: 1 })

describe('news', () => {
  it('is the last thing done since, with who did it', () => {
    const before = lastSeq(room.db)
    expect(newsAfter(room.db, before)).toBeNull()
    valueOf(change())
    expect(newsAfter(room.db, before)).toEqual({ who: 'Ruth Amsel', what: 'person', serial: null, t: null, machine: null })
    expect(newsAfter(room.db, lastSeq(room.db))).toBeNull()
  })
  it('tells nothing of what was refused', () => {
    valueOf(change())
    const before = lastSeq(room.db)
    expect(codeOf(change())).toBe('CHANGED')
    refuser(room.as('ruth'), 'Rights')({ code: 'LEAD_ONLY', what: 'posts' })
    expect(lastSeq(room.db)).toBeGreaterThan(before)
    expect(newsAfter(room.db, before)).toBeNull()
  })
})

describe('the bell', () => {
  it('is heard by everybody who listens, until they stop', () => {
    const bell = newBell()
    const heard: string[] = []
    const stops = Array.from({ length: 40 }, (_, i) => bell.listen(({ from }) => heard.push(`${i} ${from}`)))
    bell.ring({ from: 'a' })
    expect(heard).toHaveLength(40)
    stops.slice(1).forEach((stop) => stop())
    bell.ring({ from: null })
    expect(heard.slice(40)).toEqual(['0 null'])
  })
})
