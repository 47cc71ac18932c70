import { describe, expect, it } from 'vitest'
import { findAnything } from '@/stations/find/find-anything'
import { toolRoom, withJobs, withT4 } from '../support/tool-room'

describe('looking for anything by a few letters', () => {
  const { db } = withT4(withJobs(toolRoom()))
  const kinds = (words: string) => new Set(findAnything(db, words).map((f) => f.kind))

  it('finds a tool by its mark, its T and its machine', () => {
    const [tool] = findAnything(db, 'bx00143')
    expect(tool).toMatchObject({ kind: 'tool', id: 'BX00143', href: '/tools/BX00143' })
    expect(findAnything(db, 'T4 heron').some((f) => f.kind === 'tool' && f.id === 'BX00143')).toBe(true)
  })
  it('finds jobs, tools of the library, parts, holders and machines', () => {
    expect(findAnything(db, 'hp-2207')[0]).toMatchObject({ kind: 'job', href: '/kit/HP-2207' })
    expect(kinds('heron')).toContain('machine')
    expect(kinds('D-00')).toContain('definition')
    expect(kinds('insert')).toContain('part')
    expect(kinds('BX')).toContain('holder')
  })
  it('wants every word, and tells at most six of a kind', () => {
    expect(findAnything(db, 'bx00143 nonsense')).toEqual([])
    const many = findAnything(db, 'c-').filter((f) => f.kind === 'part')
    expect(many).toHaveLength(6)
  })
  it('of nothing nothing is found', () => expect(findAnything(db, '  ')).toEqual([]))
})
