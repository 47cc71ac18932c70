import { hostname } from 'node:os'
import { describe, expect, it } from 'vitest'
import { isKnownHost, isOwnOrigin, knownHosts } from './hosts'

const known = knownHosts({ BOULDER_URL: 'https://Tools.hollowbeck.example/', BOULDER_HOSTS: 'toolroom, bench-2:3000 ,' })

describe('the names of this server', () => {
  it.each([
    'localhost',
    'localhost:3000',
    '127.0.0.1:3100',
    '[::1]:3000',
    hostname(),
    'tools.hollowbeck.example',
    'TOOLROOM:80',
    'bench-2',
  ])('are known: %s', (host) => expect(isKnownHost(host, known)).toBe(true))
  it.each([
    null,
    '',
    'evil.example',
    'evil.example:3000',
    'localhost.evil.example',
    'toolroom.evil.example',
    '127.0.0.1.evil.example',
    '[::2]',
  ])('are nobody else’s: %s', (host) => expect(isKnownHost(host, known)).toBe(false))
  const own = (origin: string | null) => isOwnOrigin(origin, 'localhost:3000', 'https://tools.hollowbeck.example/')
  it.each([null, 'http://localhost:3000', 'https://tools.hollowbeck.example'])('open its doors to its own pages: %s', (origin) =>
    expect(own(origin)).toBe(true),
  )
  it.each([
    'http://evil.example',
    'null',
    '',
    'file://',
    'http://localhost.evil.example:3000',
    // another program on the same machine
    'http://localhost:5000',
    'http://localhost',
    'http://127.0.0.1:3000',
  ])('and to no others: %s', (origin) => expect(own(origin)).toBe(false))
  it('know an address of version 6 with its port', () => {
    expect(isOwnOrigin('http://[::1]:3000', '[::1]:3000', undefined)).toBe(true)
    expect(isOwnOrigin('http://[::1]:3001', '[::1]:3000', undefined)).toBe(false)
  })
})
