/** Every verb's contract against whatever may come over a wire: it answers, and what it says is a sentence. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { z } from 'zod'
import { DefinitionSchema } from '@/codecs/library-json'
import { VERBS } from '@/stations/rights'
import { fieldText } from '@/words/faults'

/** A definition's schema stands with the file that carries it. */
const CONTRACTS = VERBS.map(
  ({ name, contract }) => [name, name === 'library.putDefinition' ? DefinitionSchema : contract.input] as const,
)

/** Objects with the very fields that a contract asks for, and anything in them. */
const likely = (schema: z.ZodType) => {
  const shape = 'shape' in schema ? Object.keys(schema.shape as object) : []
  return fc.oneof(fc.anything(), fc.record(Object.fromEntries(shape.map((key) => [key, fc.anything()])), { requiredKeys: [] }))
}

it('there are as many as the stations have verbs', () => expect(CONTRACTS.length).toBeGreaterThan(100))

describe.each(CONTRACTS)('%s', (_, input) => {
  it('never throws, and says what is wrong in words', () =>
    fc.assert(
      fc.property(likely(input), (asked) => {
        const given = input.safeParse(asked)
        if (given.success) return
        const [issue] = given.error.issues
        const field = String(issue.path.findLast((part) => typeof part === 'string') ?? '')
        expect(fieldText({ fault: issue.message, field, least: null, most: null })).toMatch(/^[A-Z].*\.$/)
      }),
      { numRuns: 60 },
    ))
  it('takes no fields that it does not know along', () => {
    const given = input.safeParse({ __proto__: { admin: true }, admin: true })
    if (given.success && typeof given.data === 'object' && given.data) expect(given.data).not.toHaveProperty('admin')
  })
})
