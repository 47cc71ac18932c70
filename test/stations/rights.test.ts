/** Who may do what, as a whole: every verb stands in one table, and whoever may not is refused before anything is done. */
import { SI } from '@/core/units'
import { describe, expect, it } from 'vitest'
import type { Person } from '@/core/tool'
import { getComponent, componentVersion } from '@/db/library/read'
import * as build from '@/stations/build/contract'
import { putPart } from '@/stations/library/put-part'
import { refuseRight, rightOf, VERBS } from '@/stations/rights'
import { refusalText } from '@/words/refusals'
import { codeOf, toolRoom, valueOf } from '../support/tool-room'

const lead: Person = { id: 'oda', name: 'Oda', role: 'lead' }
const administrator: Person = { id: 'ruth', name: 'Ruth', role: 'administrator' }
const operator: Person = { id: 'ines', name: 'Ines', role: 'operator' }

describe('the table of verbs', () => {
  it('has a line for each, once', () => {
    expect(VERBS.length).toBeGreaterThan(80)
    expect(new Set(VERBS.map((verb) => verb.contract)).size).toBe(VERBS.length)
    for (const { contract, right } of VERBS) expect(rightOf(contract)).toBe(right)
  })
  const only = (person: Person) => VERBS.filter(({ right }) => refuseRight(right, person) === null).map(({ name }) => name)
  it('gives a lead alone what limits, posts, labels, rules, steps and prices rest on', () =>
    expect(only(lead).filter((name) => !only(operator).includes(name))).toEqual([
      'at-machine.keepCheckBlock',
      'build.putSteps',
      'hand-over.keepPost',
      'hand-over.keepLabel',
      'library.putDefinition',
      'library.importCsv',
      'library.importFile',
      'load.keepLimits',
      'measure.renewMaster',
      'measure.overruleCheck',
      'measure.cleanPictures',
      'practice.keepPractice',
      'set-up.putRow',
      'set-up.retireRow',
      'set-up.standardCoupling',
      'set-up.previewTable',
      'set-up.putTable',
      'study.startStudy',
      'study.endStudy',
      'teaching.makeLesson',
      'teaching.retireLesson',
      'teaching.putCondition',
      'teaching.endCondition',
      'watch.keepOpen',
    ]))
  it('gives an administrator alone who works here, how they sign in, and what measures', () =>
    expect(only(administrator).filter((name) => !only(lead).includes(name))).toEqual([
      'devices.putDevices',
      'devices.putOwnDevices',
      'outside.makeHook',
      'outside.endHook',
      'outside.tellAgain',
      'people.putPerson',
      'people.putShop',
      'people.setSignIn',
      'people.endSessions',
      'people.makeClient',
      'people.endClient',
    ]))
  it('lets nobody do more than sign in', () =>
    expect(VERBS.filter(({ right }) => refuseRight(right, null) === null).map(({ name }) => name)).toEqual([
      'people.signIn',
      'people.beginShop',
    ]))
  it.each(VERBS)('$name: refused to whoever may not, in words', ({ right }) => {
    expect(refuseRight(right, administrator)).toBeNull()
    for (const person of [operator, lead]) {
      const refusal = refuseRight(right, person)
      if (right === 'person' || right === 'everybody') expect(refusal).toBeNull()
      else if (refusal) expect(refusalText(refusal, SI)).toMatch(/^Only (a lead|an administrator) can /)
      else expect(person).toBe(lead)
    }
  })
  it('knows no verb that has no line', () => expect(() => rightOf({ ...build.putSteps })).toThrow('rights'))
})

describe('a part', () => {
  it('is anybody’s to describe, its price and its heat a lead’s', () => {
    const room = toolRoom()
    const put = (who: string, change: object) => {
      const part = getComponent(room.db, 'H-HSK63-20')!
      return putPart(room.as(who), { ...part, ...change }, componentVersion(room.db, part.id))
    }
    valueOf(put('ines', { note: 'top drawer' }))
    expect(codeOf(put('ines', { price: 1 }))).toBe('LEAD_ONLY')
    expect(codeOf(put('ines', { greatestC: 500 }))).toBe('LEAD_ONLY')
    valueOf(put('oda', { price: 1 }))
  })
})
