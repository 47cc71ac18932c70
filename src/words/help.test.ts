import { describe, expect, it } from 'vitest'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { HELP, helpFor } from './help'

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
  it('is that of the nearest screen', () => {
    expect(helpFor('/measure/BX00143')?.path).toBe('/measure')
    expect(helpFor('/measure/masters')?.path).toBe('/measure/masters')
    expect(helpFor('/records/watch')?.name).toBe('Table watch')
    expect(helpFor('/nowhere')).toBeNull()
  })
})
