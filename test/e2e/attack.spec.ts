/** Two thousand requests of all kinds at every route and every action: an answer to each, and nothing broken behind it. */
import { get } from 'node:http'
import { join } from 'node:path'
import { openDatabase } from '@/db/connection'
import { verifyChain } from '@/db/record/read'
import { verifySeals } from '@/db/record/seal'
import { VERBS } from '@/stations/rights'
import { actionNames, ask, attack, signedIn } from '../support/attack'
import { TOKEN } from './bench'
import { expect, test } from './room'

const COUNT = 2000
const SEED = 20_261_129

test('every door answers whatever comes, and record, seals and database are whole after it', async ({ room }) => {
  test.setTimeout(1_800_000)
  const done = await attack({ url: room.url, cookie: await signedIn(room.url, 'oda'), count: COUNT, seed: SEED })
  expect(done.broken).toEqual([])
  expect(done.doors).toBeGreaterThan(100)
  const db = openDatabase(join(room.data, 'boulder.sqlite'))
  try {
    expect(db.pragma('integrity_check', { simple: true })).toBe('ok')
    expect(db.pragma('foreign_key_check')).toEqual([])
    expect(verifyChain(db)).toMatchObject({ whole: true })
    expect(verifySeals(db)).toMatchObject({ whole: true })
  } finally {
    db.close()
  }
})

test('an action does nothing for nobody, and nothing of a lead’s for an operator', async ({ room }) => {
  test.setTimeout(600_000)
  const [nobody, operator] = [await signedIn(room.url, null), await signedIn(room.url, 'ines')]
  // signing in, looking for something, and how this terminal shows things
  const open = ['signInAction', 'beginShopAction', 'setUnitAction', 'setThemeAction', 'answerScanAction', 'findAnythingAction']
  const shut = actionNames().filter((name) => !open.includes(name))
  expect(shut.length).toBeGreaterThan(80)
  for (const name of shut) expect(await ask(room.url, nobody, name, {}), name).toContain('Nobody is signed in')
  const leads = VERBS.filter(({ right }) => right !== 'person' && right !== 'everybody').map(({ name }) => name)
  for (const name of leads)
    expect(await ask(room.url, operator, `${name.split('.')[1]}Action`, {}), name).toMatch(/Only (a lead|an administrator) can/)
})

test('under another name, from another page or without anybody signed in nothing is read', async ({ room }) => {
  const { port } = new URL(room.url)
  const code = async (path: string, headers: Record<string, string>) =>
    (await fetch(`http://127.0.0.1:${port}${path}`, { headers, redirect: 'manual' })).status
  const cookie = await signedIn(room.url, 'oda')
  expect(await code('/api/records?format=json', { cookie })).toBe(200)
  expect(await code('/api/records?format=json', { cookie: await signedIn(room.url, null) })).toBe(401)
  for (const path of ['/kit', '/api/records?format=json', '/api/machines']) {
    expect(await code(path, { cookie, origin: 'http://evil.example' }), path).toBe(403)
    expect(await code(path, { ...TOKEN, origin: 'null' }), path).toBe(403)
  }
  const named = (path: string, host: string) =>
    new Promise<number | undefined>((found) =>
      get({ port, path, headers: { host, ...TOKEN } }, (answer) => {
        answer.resume()
        found(answer.statusCode)
      }),
    )
  for (const path of ['/kit', '/api/records', '/api/health']) expect(await named(path, 'evil.example'), path).toBe(421)
  expect(await named('/api/machines', `localhost:${port}`)).toBe(200)
  expect(await named('/api/machines/%ff/magazine', `localhost:${port}`)).toBe(400)
  const page = await fetch(`${room.url}/kit`)
  expect(page.headers.get('content-security-policy')).toContain("frame-ancestors 'none'")
  expect(page.headers.get('x-content-type-options')).toBe('nosniff')
  expect(page.headers.get('referrer-policy')).toBe('same-origin')
})

test('a flood of large programs: each is answered or told that there is too much, and others are served', async ({ room }) => {
  test.setTimeout(600_000)
  const body = 'T1 M6\nG43 H1\nM6\n'.repeat(200_000)
  const headers = { ...TOKEN, 'content-type': 'text/plain' }
  const flood = Array.from({ length: 40 }, () =>
    fetch(`${room.url}/api/programs/tools`, { method: 'POST', headers, body }).then(async (answer) => {
      await answer.arrayBuffer()
      return answer.status
    }),
  )
  expect((await fetch(`${room.url}/api/health`)).status).toBe(200)
  const statuses = await Promise.all(flood)
  expect(statuses).toContain(200)
  expect(statuses.filter((status) => status !== 200 && status !== 503)).toEqual([])
  expect((await fetch(`${room.url}/api/programs/tools`, { method: 'POST', headers, body: 'T1 M6' })).status).toBe(200)
})
