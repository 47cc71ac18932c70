import { describe, expect, it } from 'vitest'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { HELP, helpFor, lessonFor } from './help'
import { TRIES } from './tries'

const APP = join(import.meta.dirname, '..', 'app')

describe('help', () => {
  it.each(HELP.map((help) => [help.path, help] as const))('%s belongs to a screen and is short', (path, { about }) => {
    expect(existsSync(join(APP, path))).toBe(true)
    expect(about.length).toBeLessThanOrEqual(3)
    // sentences that somebody with gloves and ten seconds reads
    for (const sentence of about) {
      expect(sentence.endsWith('.')).toBe(true)
      expect(sentence.split(' ').length).toBeLessThanOrEqual(20)
    }
  })
  it('leads to a lesson that there is', () => {
    expect(lessonFor('/measure/BX00143').href).toBe('/practice/lessons?lesson=bench')
    expect(lessonFor('/kit').name).toBe('One tool all the way')
    const tried = /try=(.+)/.exec(lessonFor('/balance').href)?.[1]
    expect(TRIES.map(({ key }) => key)).toContain(tried)
  })
  it('is that of the nearest screen', () => {
    expect(helpFor('/measure/BX00143')?.path).toBe('/measure')
    expect(helpFor('/measure/masters')?.path).toBe('/measure/masters')
    expect(helpFor('/records/watch')?.name).toBe('Table watch')
    expect(helpFor('/nowhere')).toBeNull()
  })
})
