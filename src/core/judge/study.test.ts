import { expect, it } from 'vitest'
import { nextTurn, tableOfReadings, turnsOf, type Reading } from './study'

const STUDY = { people: ['ines', 'oda'], serials: ['A', 'B', 'C'], repeats: 2 }

it('everybody measures every tool as often as is asked, one repeat after the other', () => {
  const turns = turnsOf(STUDY, 7)
  expect(turns).toHaveLength(12)
  expect(new Set(turns.map((t) => `${t.person} ${t.serial} ${t.repeat}`)).size).toBe(12)
  expect(turns.slice(0, 6).every((t) => t.repeat === 1)).toBe(true)
  expect(turnsOf(STUDY, 7)).toEqual(turns)
  expect(turnsOf(STUDY, 8)).not.toEqual(turns)
})
it('goes on with whatever has no reading yet, whoever measured in between', () => {
  const turns = turnsOf(STUDY, 7)
  const readings: Reading[] = []
  for (const turn of turns) {
    expect(nextTurn(turns, readings)).toEqual(turn)
    expect(tableOfReadings(STUDY, readings)).toBeNull()
    readings.push({ person: turn.person, serial: turn.serial, value: readings.length })
  }
  expect(nextTurn(turns, readings)).toBeNull()
  expect(
    tableOfReadings(STUDY, readings)!
      .flat(2)
      .sort((a, b) => a - b),
  ).toEqual(readings.map((r) => r.value))
  // one more than asked for changes nothing
  expect(tableOfReadings(STUDY, [...readings, { person: 'ines', serial: 'A', value: 99 }])).toEqual(
    tableOfReadings(STUDY, readings),
  )
})
