/** Two thousand requests of all kinds at every route and every action: an answer to each, and nothing broken behind it. */
import { get } from 'node:http'
import { join } from 'node:path'
import { openDatabase } from '@/db/connection'
import { verifyChain } from '@/db/record/read'
import { verifySeals } from '@/db/record/seal'
import { refuseRight, VERBS } from '@/stations/rights'
import { actionNames, ask, attack, pageNames, routeNames, signedIn } from '../support/attack'
import { BADGE, open, TOKEN } from './bench'
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
  // signing in, and how this terminal shows things
  const doors = ['signInAction', 'beginShopAction', 'setUnitAction', 'setThemeAction', 'setShowsAction', 'answerScanAction']
  const shut = actionNames().filter((name) => !doors.includes(name))
  expect(shut.length).toBeGreaterThan(80)
  for (const name of shut) expect(await ask(room.url, nobody, name, {}), name).toContain('Nobody is signed in')
  const lead = await signedIn(room.url, 'oda')
  const administrators = VERBS.filter(({ right }) => refuseRight(right, { id: 'oda', name: '', role: 'lead' }) !== null)
  expect(administrators.length).toBeGreaterThan(4)
  for (const { name } of administrators)
    expect(await ask(room.url, lead, `${name.split('.')[1]}Action`, {}), name).toContain('Only an administrator can')
  const leads = VERBS.filter(({ right }) => right !== 'person' && right !== 'everybody').map(({ name }) => name)
  for (const name of leads)
    expect(await ask(room.url, operator, `${name.split('.')[1]}Action`, {}), name).toMatch(/Only (a lead|an administrator) can/)
})

/** What an address with a place for a name is asked with. */
const asAsked = (path: string): string =>
  path.replace(/\[(\w+|\.\.\.\w+)\]/g, (_, name: string) => {
    const known: Readonly<Record<string, string>> = {
      serial: 'BX00143',
      job: 'HP-2240',
      key: 'HERON',
      list: 'machines',
      name: 'HERON',
    }
    return known[name] ?? 'x'
  })

test('nobody gets a page or an answer of the API but to sign in', async ({ room }) => {
  const cookie = await signedIn(room.url, null)
  // what was asked for stands in the answer as part of the address
  const tells = (text: string) => /BX\d{5}|HP-\d{4}|Heron|Dipper|End mill/.exec(text.replaceAll(/BX00143|HP-2240/g, ''))?.[0]
  const pages = pageNames()
  expect(pages.length).toBeGreaterThan(45)
  for (const page of pages.map(asAsked)) {
    const whole = await fetch(room.url + page, { headers: { cookie } })
    const text = await whole.text()
    expect(text, page).toContain('Who works here?')
    expect(tells(text), page).toBeUndefined()
    // as a page asks for the next one: without the frame around it
    const part = await fetch(room.url + page, { headers: { cookie, rsc: '1' } })
    expect(tells(await part.text()), page).toBeUndefined()
  }
  const routes = routeNames()
  expect(routes.length).toBeGreaterThan(30)
  for (const route of routes.map(asAsked).filter((path) => path !== '/api/health'))
    for (const method of ['GET', 'POST', 'PUT', 'DELETE']) {
      const { status } = await fetch(room.url + route, { method, headers: { cookie } })
      expect([401, 405], `${method} ${route}`).toContain(status)
    }
})

test('a token opens what it was made for, and nothing once it is ended', async ({ page, room }) => {
  await open(page, '/settings/clients', BADGE.ruth)
  await page.getByLabel('Which program').fill('Heron’s own list')
  await page.getByLabel('look and compute').uncheck()
  await page.getByLabel('ask what stands in a machine').check()
  await page.getByRole('button', { name: 'Make a token' }).click()
  const token = await page.locator('code').textContent()
  const status = async (path: string) => (await fetch(room.url + path, { headers: { authorization: `Bearer ${token}` } })).status
  expect(await status('/api/machines/HERON/magazine')).toBe(200)
  expect(await status('/api/records?format=json')).toBe(403)
  await page.getByRole('button', { name: 'End the token of Heron’s own list' }).click()
  await expect(page.getByText('ended', { exact: false }).first()).toBeVisible()
  await expect.poll(() => status('/api/machines/HERON/magazine')).toBe(401)
})

test('what is heard of other terminals ends with the session that heard it', async ({ room }) => {
  const cookie = await signedIn(room.url, 'ines')
  const heard = await fetch(`${room.url}/api/events`, { headers: { cookie } })
  const whole = heard.text()
  await ask(room.url, await signedIn(room.url, 'ruth'), 'endSessionsAction', { personId: 'ines' })
  // the stream is over, and its last event tells nothing of what ended it
  expect(await whole).toBe('retry: 1000\nevent: open\ndata: null\n\n')
  expect((await fetch(`${room.url}/api/events`, { headers: { cookie } })).status).toBe(401)
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
