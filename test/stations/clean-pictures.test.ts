import { describe, expect, it } from 'vitest'
import { listRecord } from '@/db/record/read'
import { cleanPictures } from '@/stations/measure/clean-pictures'
import { codeOf, goodT4, later, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'

/** Two measurements of one tool, as files of a given age. */
function room(daysOld: number): { room: ToolRoom; pictures: Parameters<typeof cleanPictures>[1] } {
  const house = measured(measured(withT4(withJobs(toolRoom()))), 'BX00143', goodT4(), 70)
  const { kept } = house.evidence
  const at = later(-1440 * daysOld)
  return {
    room: house,
    pictures: {
      list: () => [...kept].map(([place, zip]) => ({ place, bytes: zip.length, at })),
      drop: (place) => void kept.delete(place),
    },
  }
}

describe('cleaning pictures away', () => {
  it('takes the old ones, never those that a standing tool’s figures rest on', () => {
    const { room: house, pictures } = room(40)
    const [older, newer] = [...house.evidence.kept.keys()]
    const cleaned = valueOf(cleanPictures(house.as('oda', 80), pictures, 30))
    expect(cleaned.sets).toBe(1)
    expect(cleaned.bytes).toBeGreaterThan(10_000)
    expect([...house.evidence.kept.keys()]).toEqual([newer])
    expect(listRecord(house.db)[0]).toMatchObject({ what: 'pictures cleaned', after: { places: [older] } })
  })
  it('leaves what is younger', () => {
    const { room: house, pictures } = room(20)
    expect(valueOf(cleanPictures(house.as('oda', 80), pictures, 30)).sets).toBe(0)
    expect(house.evidence.kept.size).toBe(2)
  })
  it('is not for the last week', () => {
    const { room: house, pictures } = room(40)
    expect(codeOf(cleanPictures(house.as('oda', 80), pictures, 6))).toBe('TOO_YOUNG')
  })
})
