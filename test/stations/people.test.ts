/** Who works here: signing in by badge and PIN, wrong PINs, roles, and the last administrator. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { getPersonRow, getPinHash, listPeople } from '@/db/person/read'
import { listRecord } from '@/db/record/read'
import { getSession } from '@/db/session/read'
import { inTransaction, openDatabase, type Db } from '@/db/connection'
import { migrate } from '@/db/migrate'
import { putSession } from '@/db/session/write'
import type { Scope } from '@/core/tool'
import { isFirstCode, pinKeeper } from '@/runtime/pins'
import { hashOf, newToken } from '@/runtime/tokens'
import { endSessions, putPerson, setPin, setSignIn } from '@/stations/people/put-person'
import { beginShop } from '@/stations/people/begin-shop'
import { noteAct, refuseQuiet } from '@/stations/people/ask-again'
import { clientOf, endClient, makeClient } from '@/stations/people/clients'
import { isNew, readClients, readPeople, shopName } from '@/stations/people/pages'
import { signIn, signOut } from '@/stations/people/sign-in'
import { readWho } from '@/stations/session/who'
import { codeOf, lastEntry, later, MIGRATIONS, textOf, toolRoom, valueOf, type ToolRoom } from '../support/tool-room'
import { shopItself } from '@/db/shop/read'

let room: ToolRoom
let sessions = 0
beforeEach(() => {
  room = toolRoom()
  inTransaction(room.db, (tx) => putSession(tx, 'terminal', { unit: 'inch', theme: 'basalt' }, later(0)))
})
/** What is kept of a PIN without the work that it costs. */
const quick = {
  hash: (pin: string) => Promise.resolve(`kept ${pin}`),
  matches: (pin: string, hash: string) => Promise.resolve(hash === `kept ${pin}`),
}
const enter = (personId: string, pin: string | null = null, minutes = 0, sessionId = 'terminal') =>
  signIn(
    { db: room.db, now: later(minutes), pins: quick },
    { personId, pin, sessionId, newSessionId: `session ${(sessions += 1)}` },
  )
const here = () => `session ${sessions}`
const pin = (personId: string, text: string | null, by = personId) => setPin(room.as(by, 1), quick, { personId, pin: text })
const alone = (badgeAlone: boolean) => setSignIn(room.as('ruth'), { ...readPeople(room.db).signIn, badgeAlone })

describe('signing in', () => {
  it('by a badge alone where the shop says so: a session of a new name, which shows things as the old one did', async () => {
    expect(valueOf(await enter('ines')).person).toEqual({ id: 'ines', name: 'Ines Varga', role: 'operator' })
    expect(getSession(room.db, here())).toMatchObject({ personId: 'ines', unit: 'inch', theme: 'basalt' })
    expect(getSession(room.db, 'terminal')).toMatchObject({ personId: null })
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'signed in', who: 'Ines Varga' })
    valueOf(await enter('tomas', null, 1, here()))
    expect(readWho(room.db, here(), later(5)).person?.id).toBe('tomas')
  })
  it('not by a badge alone where the shop does not, nor as somebody who is not there', async () => {
    valueOf(alone(false))
    expect(codeOf(await enter('ines'))).toBe('NO_PIN')
    expect(codeOf(await enter('nobody'))).toBe('UNKNOWN_PERSON')
    valueOf(await pin('ines', '7294'))
    expect(codeOf(await enter('ines'))).toBe('PIN_NEEDED')
    expect(codeOf(await enter('ines', '7294'))).toBe('ok')
  })
  it('whoever has a PIN is asked for it, also where badges are enough', async () => {
    valueOf(await pin('ines', '7294'))
    expect(codeOf(await enter('ines'))).toBe('PIN_NEEDED')
    expect(readWho(room.db, here(), later(5)).person).toBeNull()
  })
  it('ends with signing out', async () => {
    valueOf(await enter('ines'))
    valueOf(signOut(room.as('ines', 1), here()))
    expect(readWho(room.db, here(), later(5)).person).toBeNull()
    expect(lastEntry(room.db)).toBe('')
  })
})

describe('wrong PINs', () => {
  it('five are told how many are left, then there is a wait in which not even the right one counts', async () => {
    valueOf(await pin('ines', '7294'))
    for (const left of [4, 3, 2, 1])
      expect(textOf(await enter('ines', '1111'))).toContain(left === 1 ? 'One more' : `${left} more`)
    expect(textOf(await enter('ines', '1111'))).toBe('Too many wrong PINs. Wait 30 seconds, then try again.')
    expect(codeOf(await enter('ines', '7294'))).toBe('SIGN_IN_WAITS')
    // half a minute later one is looked at; wrong again, it takes twice as long
    expect(textOf(await enter('ines', '1111', 1))).toContain('60 seconds')
    expect(codeOf(await enter('ines', '7294', 1.5))).toBe('SIGN_IN_WAITS')
    expect(codeOf(await enter('ines', '7294', 3))).toBe('ok')
    // and all is forgotten
    expect(textOf(await enter('ines', '1111', 4))).toContain('4 more')
    expect(listRecord(room.db).filter(({ what }) => what === 'wrong PIN')).toHaveLength(7)
  })
  it('a hundred at once are worth no more than one after the other', async () => {
    valueOf(await pin('ines', '7294'))
    const codes = await Promise.all(Array.from({ length: 100 }, (_, i) => enter('ines', String(1000 + i)).then(codeOf)))
    expect(codes.filter((code) => code === 'WRONG_PIN')).toHaveLength(4)
    expect(codes.filter((code) => code === 'SIGN_IN_WAITS')).toHaveLength(96)
    expect(listRecord(room.db).filter(({ what }) => what === 'wrong PIN')).toHaveLength(5)
  })
  it('of one person do not keep another out', async () => {
    valueOf(await pin('ines', '7294'))
    valueOf(await pin('tomas', '3861'))
    for (let i = 0; i < 6; i++) await enter('ines', '1111')
    expect(codeOf(await enter('tomas', '3861'))).toBe('ok')
  })
})

describe('a PIN', () => {
  it('is anybody’s own; another’s only an administrator sets, and that signs them out', async () => {
    expect(codeOf(await pin('tomas', '7294', 'ines'))).toBe('ADMINISTRATOR_ONLY')
    expect(codeOf(await pin('tomas', '7294', 'oda'))).toBe('ADMINISTRATOR_ONLY')
    valueOf(await enter('tomas'))
    const session = here()
    expect(codeOf(await pin('tomas', '7294', 'ruth'))).toBe('ok')
    expect(readWho(room.db, session, later(5)).person).toBeNull()
    valueOf(await pin('tomas', null, 'ruth'))
    expect(codeOf(await enter('tomas'))).toBe('ok')
  })
  it('is none that everybody tries first', async () => {
    expect(codeOf(await pin('ines', '1234'))).toBe('WEAK_PIN')
    expect(getPinHash(room.db, 'ines')).toBeNull()
  })
  it('stands in the record as set, and nowhere as it is', async () => {
    valueOf(await setPin(room.as('ines'), pinKeeper, { personId: 'ines', pin: '72948' }))
    expect(lastEntry(room.db)).toBe('of Ines Varga')
    const hash = getPinHash(room.db, 'ines')!
    expect(hash).toMatch(/^scrypt\$/)
    expect(await pinKeeper.matches('72948', hash)).toBe(true)
    expect(await pinKeeper.matches('72947', hash)).toBe(false)
    // the same PIN is kept another way each time
    expect(await pinKeeper.hash('72948')).not.toBe(hash)
    expect(await pinKeeper.matches('72948', 'kept 72948')).toBe(false)
  })
})

describe('people', () => {
  const put = (change: object, by = 'ruth') =>
    putPerson(room.as(by), { id: 'lena', name: 'Lena Holt', role: 'operator', retired: false, version: 0, ...change })
  it('are taken in, changed and retired; what they did stays theirs', async () => {
    expect(valueOf(put({})).id).toBe('lena')
    expect(lastEntry(room.db)).toBe('Lena Holt, operator')
    expect(codeOf(put({}))).toBe('PERSON_THERE')
    expect(codeOf(put({ id: 'gone', version: 1 }))).toBe('UNKNOWN_PERSON')
    valueOf(await enter('lena'))
    const session = here()
    valueOf(put({ role: 'lead', version: 1 }))
    // another role: signed out, so that it counts at once
    expect(readWho(room.db, session, later(5)).person).toBeNull()
    expect(codeOf(put({ role: 'operator', version: 1 }))).toBe('CHANGED')
    valueOf(put({ retired: true, version: 2 }))
    expect(listPeople(room.db).map(({ id }) => id)).not.toContain('lena')
    expect(codeOf(await enter('lena'))).toBe('UNKNOWN_PERSON')
    expect(getPersonRow(room.db, 'lena')).toMatchObject({ retired: true, name: 'Lena Holt' })
    expect(listRecord(room.db).some(({ who }) => who === 'Lena Holt')).toBe(true)
  })
  it('one administrator always stays', () => {
    const ruth = { id: 'ruth', name: 'Ruth Amsel', version: 1 }
    expect(codeOf(put({ ...ruth, role: 'lead' }))).toBe('LAST_ADMINISTRATOR')
    expect(codeOf(put({ ...ruth, role: 'administrator', retired: true }))).toBe('LAST_ADMINISTRATOR')
    valueOf(put({ id: 'oda', name: 'Oda Brekke', role: 'administrator', version: 1 }))
    expect(codeOf(put({ ...ruth, role: 'lead' }))).toBe('ok')
  })
  it('are signed out everywhere at once', async () => {
    valueOf(await enter('ines'))
    const first = here()
    valueOf(await enter('ines', null, 1, 'another terminal'))
    expect(valueOf(endSessions(room.as('ruth'), 'ines')).ended).toBe(2)
    expect([first, here()].map((id) => readWho(room.db, id, later(5)).person)).toEqual([null, null])
  })
})

it('the rule of signing in is changed by whoever saw it last', () => {
  const rule = readPeople(room.db).signIn
  valueOf(setSignIn(room.as('ruth'), { ...rule, badgeAlone: false, askAgainMin: 5 }))
  expect(codeOf(setSignIn(room.as('ruth'), { ...rule, badgeAlone: true }))).toBe('CHANGED')
  expect(readPeople(room.db).signIn).toMatchObject({ badgeAlone: false, askAgainMin: 5 })
  expect(lastEntry(room.db)).toBe(
    'Nobody signs in without a PIN; asked again after 5 quiet minutes; signed out after 12 quiet hours',
  )
})

it('nobody stays signed in where nothing was done for longer than a shift, unless the shop says so', async () => {
  valueOf(await enter('ines'))
  const who = (hours: number) => readWho(room.db, here(), later(60 * hours)).person?.id ?? null
  expect([who(11.9), who(12.1)]).toEqual(['ines', null])
  noteAct({ db: room.db, now: later(60 * 11), sessionId: here() })
  expect([who(22), who(23.1)]).toEqual(['ines', null])
  valueOf(setSignIn(room.as('ruth'), { ...readPeople(room.db).signIn, stayHours: 0 }))
  expect(who(1000)).toBe('ines')
})

describe('whoever writes to a machine', () => {
  const quiet = (minutes: number) =>
    refuseQuiet({ db: room.db, now: later(minutes), sessionId: here(), person: room.as('ines').person })
  const act = (minutes: number) => noteAct({ db: room.db, now: later(minutes), sessionId: here() })
  it('is asked again once nothing was done at the terminal for longer than the shop says', async () => {
    valueOf(await enter('ines'))
    expect([quiet(0), quiet(15)]).toEqual([null, null])
    expect(quiet(15.1)).toEqual({ code: 'ASK_AGAIN', name: 'Ines Varga', minutes: 15 })
    act(14)
    expect(quiet(29)).toBeNull()
    valueOf(await enter('ines', null, 40, here()))
    expect(quiet(50)).toBeNull()
  })
  it('is never asked where the shop says so, and always where nobody knows when something was done', async () => {
    inTransaction(room.db, (tx) => putSession(tx, 'old', { personId: 'ines' }, later(0)))
    const old = { db: room.db, now: later(0), sessionId: 'old', person: room.as('ines').person }
    expect(refuseQuiet(old)).toMatchObject({ code: 'ASK_AGAIN' })
    expect(refuseQuiet({ ...old, sessionId: null })).toMatchObject({ code: 'ASK_AGAIN' })
    valueOf(setSignIn(room.as('ruth'), { ...readPeople(room.db).signIn, askAgainMin: 0 }))
    expect(refuseQuiet(old)).toBeNull()
  })
})

describe('a token of another program', () => {
  const make = (name: string, scopes: readonly Scope[]) => makeClient(room.as('ruth'), newToken(), { name, scopes })
  it('is shown once, kept as its hash, and opens what it was made for until it is ended', () => {
    const { token } = valueOf(make('Office list', ['read']))
    expect(JSON.stringify(room.db.prepare('SELECT * FROM client').all())).not.toContain(token)
    expect(JSON.stringify(listRecord(room.db))).not.toContain(token)
    expect(clientOf(room.db, hashOf(token), later(1))).toMatchObject({ name: 'Office list', scopes: ['read'] })
    expect(clientOf(room.db, hashOf(`${token}x`), later(1))).toBeNull()
    const [{ id }] = readClients(room.db)
    valueOf(endClient(room.as('ruth', 2), id))
    expect(clientOf(room.db, hashOf(token), later(3))).toBeNull()
    expect(readClients(room.db)).toMatchObject([{ name: 'Office list', ended: true }])
    expect(codeOf(endClient(room.as('ruth', 4), id))).toBe('UNKNOWN_CLIENT')
    expect(codeOf(endClient(room.as('ruth', 4), id + 1))).toBe('UNKNOWN_CLIENT')
  })
  it('has its last use noted to the hour', () => {
    const { token } = valueOf(make('Heron', ['load', 'hand over']))
    const used = () => readClients(room.db)[0].usedAt
    expect(used()).toBeNull()
    for (const minutes of [1, 30, 60]) clientOf(room.db, hashOf(token), later(minutes))
    expect(used()).toBe(later(1))
    clientOf(room.db, hashOf(token), later(62))
    expect(used()).toBe(later(62))
  })
  it('is another one each time, and long enough that nobody guesses it', () => {
    const tokens = Array.from({ length: 50 }, () => newToken().token)
    expect(new Set(tokens).size).toBe(50)
    for (const token of tokens) expect(Buffer.from(token.replace('boulder-', ''), 'base64url')).toHaveLength(32)
  })
})

describe('the first run', () => {
  const empty = () => {
    const db = openDatabase(':memory:')
    migrate(db, MIGRATIONS)
    return db
  }
  afterEach(() => vi.unstubAllEnvs())
  const begin = (db: Db, change: object = {}, expected = 'K7QM-2XPA') => {
    vi.stubEnv('BOULDER_FIRST_CODE', expected)
    return beginShop(
      { db, now: later(0), pins: quick, isFirstCode },
      {
        code: 'k7qm 2xpa',
        shop: 'Larch Tools',
        unit: 'inch',
        zone: 'Europe/Madrid',
        id: 'lena',
        name: 'Lena Holt',
        pin: '7294',
        sessionId: 'none yet',
        newSessionId: 'first',
        ...change,
      },
    )
  }
  it('makes the first administrator, signed in, in the shop’s unit; from then on PINs are asked for', async () => {
    const db = empty()
    expect(isNew(db)).toBe(true)
    valueOf(await begin(db))
    expect([isNew(db), shopName(db)]).toEqual([false, 'Larch Tools'])
    expect(readWho(db, 'first', later(5))).toMatchObject({ person: { id: 'lena', role: 'administrator' }, unit: 'inch' })
    expect(readWho(db, null, later(5)).unit).toBe('inch')
    expect(shopItself(db)).toMatchObject({ zone: 'Europe/Madrid' })
    expect(readWho(db, 'first', later(5)).units).toEqual({ length: 'inch', torque: 'ft·lb', temperature: '°F', mass: 'lb' })
    inTransaction(db, (tx) => putSession(tx, 'first', { shows: { temperature: '°C', text: 'large' } }, later(6)))
    inTransaction(db, (tx) => putSession(tx, 'first', { shows: { mass: 'kg' } }, later(7)))
    const shown = readWho(db, 'first', later(8))
    expect([shown.text, shown.units.temperature, shown.units.mass, shown.units.torque]).toEqual(['large', '°C', 'kg', 'ft·lb'])
    expect(readPeople(db).signIn.badgeAlone).toBe(false)
    expect(lastEntry(db)).toBe('Larch Tools, by Lena Holt, the first administrator')
    expect(codeOf(await begin(db, { id: 'other' }))).toBe('NOT_NEW')
  })
  it('is nobody’s without the code, and of two at once one wins', async () => {
    const db = empty()
    expect(codeOf(await begin(db, { code: 'K7QM-2XPB' }))).toBe('WRONG_CODE')
    expect(codeOf(await begin(db, { code: '' }))).toBe('WRONG_CODE')
    expect(codeOf(await begin(db, {}, ''))).toBe('WRONG_CODE')
    expect(codeOf(await begin(db, { pin: '4321' }))).toBe('WEAK_PIN')
    expect(isNew(db)).toBe(true)
    const both = await Promise.all([begin(db), begin(db, { id: 'other', newSessionId: 'second' })])
    expect(both.map(codeOf)).toEqual(['ok', 'NOT_NEW'])
    expect(listPeople(db)).toHaveLength(1)
  })
})
