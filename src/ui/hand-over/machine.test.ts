import { describe, expect, it } from 'vitest'
import { asksConcession, asksWhere, concessionOf, mayAllow, releaseBig, type Against, type ReleaseSeen } from './machine'

const against = (code: string, leadMay: boolean): Against => ({ code, leadMay, mark: '', text: '' })
const free: ReleaseSeen = { against: [], postProblem: null, lead: false }
const off: ReleaseSeen = { ...free, against: [against('OFF', true)] }

describe('the big action of Hand over', () => {
  it.each<[string, ReleaseSeen, string]>([
    ['nothing speaks against it', free, 'scan'],
    ['out of tolerance, an operator', off, 'measure'],
    ['out of tolerance, a lead', { ...off, lead: true }, 'scan'],
    ['one of two that not even a lead may', { ...off, lead: true, against: [...off.against, against('NO_T', false)] }, 'measure'],
    ['the post does not do what it should', { ...free, lead: true, postProblem: 'R differs' }, 'measure'],
  ])('%s', (_, seen, type) => expect(releaseBig(seen).type).toBe(type))
})

describe('what a release asks', () => {
  it('a concession only of a lead, and only where it is out of tolerance', () => {
    expect(asksConcession(off)).toBe(false)
    expect(asksConcession({ ...off, lead: true })).toBe(true)
    expect(asksConcession({ ...free, lead: true, against: [against('UNSURE', true)] })).toBe(false)
  })
  it('a concession is for a job or until a day', () => {
    expect(concessionOf('HP-1', '2026-12-01')).toEqual({ job: 'HP-1', until: null })
    expect(concessionOf('', '2026-12-01')).toEqual({ job: null, until: '2026-12-01' })
    expect(concessionOf('', '')).toEqual({ job: null, until: null })
  })
  it('with nothing against it there is nothing to allow', () => expect(mayAllow({ ...free, lead: true })).toBe(false))
  it.each(['NO_MACHINE', 'NO_T', 'NO_REGISTER', 'NO_TIP', 'STATION_UNSAID'])('where it goes, for %s', (code) =>
    expect(asksWhere([against(code, false)])).toBe(true),
  )
  it('not where it goes for a value', () => expect(asksWhere(off.against)).toBe(false))
})
