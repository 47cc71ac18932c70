/** The practice room: the same screens under a frame that nobody overlooks, and nothing of the shop changes. */
import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { openDatabase } from '@/db/connection'
import { exportedTables } from '@/db/export'
import { expect, test } from './room'
import { big, measure, open, scan, visit } from './bench'

const hashOf = (rows: Iterable<unknown>) =>
  createHash('sha256')
    .update(JSON.stringify([...rows]))
    .digest('hex')
/** A table without rows. */
const NOTHING = hashOf([])

/** What every table of the shop holds, as a hash. */
function tables(data: string): Record<string, string> {
  const db = openDatabase(join(data, 'boulder.sqlite'))
  const all = Object.fromEntries(exportedTables(db).map(({ name, rows }) => [name, hashOf(rows())]))
  db.close()
  return all
}
/** The shop looks at its machines some seconds after it is opened, whoever practises: what it notes of that is none of theirs. */
async function looked(data: string): Promise<void> {
  let last = NOTHING
  await expect
    .poll(
      () => {
        const now = tables(data).watch_look
        const through = now !== NOTHING && now === last
        last = now
        return through
      },
      { intervals: [2000] },
    )
    .toBe(true)
}
/** What the machines’ controls hold. */
const controls = (data: string) => readFileSync(join(data, 'control', 'state.json'), 'utf8')

const strip = (page: Parameters<typeof big>[0]) => page.getByTestId('practice-strip')

test('a lesson at the bench: measured, handed over and loaded in earnest, and the shop is as it was', async ({ page, room }) => {
  test.setTimeout(240_000)
  await open(page, '/practice/lessons')
  await looked(room.data)
  const before = { tables: tables(room.data), controls: controls(room.data) }
  await page.getByRole('button', { name: /At the bench/ }).click()
  await big(page).click()
  await expect(page.getByRole('heading', { name: 'Tool BX00144: what is wrong?' })).toBeVisible({ timeout: 60_000 })

  // the same screens, in their frame; links and scans stay there
  await page.getByRole('link', { name: 'Go there' }).first().click()
  await expect(page).toHaveURL(/\/practice\/measure\/BX00144$/)
  await expect(strip(page)).toContainText('PRACTICE')
  await page.locator('html[data-listens]').waitFor({ state: 'attached' })
  for (const name of ['Kit', 'Build', 'Load', 'Return', 'Plan', 'Library', 'Records', 'Settings']) {
    await page
      .getByRole('link', { name, exact: false })
      .filter({ hasText: new RegExp(`^${name}`) })
      .first()
      .click()
    await expect(page).toHaveURL(new RegExp(`/practice/${name.toLowerCase()}$`))
    await expect(strip(page)).toBeVisible()
  }
  await expect(page).toHaveTitle(/^PRACTICE/)
  // what is done there is done there: a note, and a tool that is measured
  await visit(page, '/practice/kit/shift')
  await page.getByRole('textbox').last().fill('Written in the practice room')
  await page.getByRole('button', { name: /note/i }).last().click()
  await expect(page.getByText('Written in the practice room')).toBeVisible()
  await visit(page, '/practice/measure/BX00157')
  await expect(big(page)).toHaveText(/Measure all edges|master check/)
  // where the bench itself has the fault, nobody measures before it is put right
  if (/Measure/.test((await big(page).textContent()) ?? '')) {
    await measure(page)
    await scan(page, 'BX00157')
  }
  await page.getByRole('button', { name: 'Ten minutes later' }).click()

  // nobody else is signed in from there, and the shop’s own people and tokens stay out of reach
  await page.locator('summary', { hasText: 'Ines' }).click()
  await expect(page.getByText('Leave the practice room to sign in as somebody else.')).toBeVisible()

  await page.getByRole('link', { name: 'What is wrong?' }).click()
  // a tool that is out is not saved by a scan: the way out asks, as it does in earnest
  const unsaved = page.getByRole('button', { name: 'Leave without saving' })
  await expect(async () => {
    if (await unsaved.isVisible()) await unsaved.click()
    await expect(page).toHaveURL(/\/practice\/lessons$/, { timeout: 1000 })
  }).toPass()
  await expect(strip(page)).toHaveCount(0)
  const things = ['Tool BX00144', 'Tool BX00142', 'Tool BX00153', 'Tool BX00157', 'The bench']
  for (const thing of things) {
    await page.getByRole('button', { name: new RegExp(`^${thing}`) }).click()
    await page.getByRole('button', { name: 'nothing is wrong', exact: true }).click()
    await expect(page.getByRole('button', { name: new RegExp(`^${thing}.*nothing is wrong`) })).toBeVisible()
  }
  expect(existsSync(join(room.data, 'practice', '1'))).toBe(true)
  await expect(big(page)).toHaveText(/See how it went/)
  await big(page).click()
  await expect(page.getByRole('heading', { name: /^2 of 5 right$/ })).toBeVisible()
  await expect(page.getByText(/At the machine/).first()).toBeVisible()
  // three things, and one of them may have two faults
  await expect(page.getByText('Next time:').nth(2)).toBeVisible()
  expect(await page.getByRole('img', { name: /^How / }).count()).toBe(await page.getByText('Next time:').count())

  // gone with all that was in it
  expect(existsSync(join(room.data, 'practice', '1'))).toBe(false)
  await visit(page, '/practice/kit')
  await expect(page).toHaveURL(/\/practice\/lessons$/)
  const after = { tables: tables(room.data), controls: controls(room.data) }
  expect(Object.keys(after.tables).filter((name) => after.tables[name] !== before.tables[name])).toEqual([
    'lesson_memory',
    'lesson_run',
  ])
  expect(after.controls).toBe(before.controls)
})

test('in front of the practice machine: what is loaded there is loaded nowhere else', async ({ page, room }) => {
  await open(page, '/practice/lessons')
  await looked(room.data)
  const before = { tables: tables(room.data), controls: controls(room.data) }
  await page.getByRole('button', { name: /In front of the machine/ }).click()
  await big(page).click()
  const links = page.getByRole('link', { name: 'Go there' })
  await expect(links).toHaveCount(4, { timeout: 60_000 })
  let turned = 0
  for (let i = 0; i < 4; i++) {
    await links.nth(i).click()
    await expect(strip(page)).toBeVisible()
    await page.locator('html[data-listens]').waitFor({ state: 'attached' })
    await expect(big(page)).toHaveText(/./)
    const first = (await big(page).textContent()) ?? ''
    // where nothing speaks against it the magazine turns: that of the practice room
    if (/^Turn to/.test(first)) {
      await big(page).click()
      await expect(big(page)).not.toHaveText(first)
      turned++
    }
    await page.getByRole('link', { name: 'What is wrong?' }).click()
    await expect(links).toHaveCount(4)
  }
  expect(turned).toBeGreaterThan(0)
  await page.getByRole('button', { name: 'End the lesson' }).click()
  await expect(page.getByRole('heading', { name: /of 4 right$/ })).toBeVisible()
  const after = { tables: tables(room.data), controls: controls(room.data) }
  expect(Object.keys(after.tables).filter((name) => after.tables[name] !== before.tables[name])).toEqual([
    'lesson_memory',
    'lesson_run',
  ])
  expect(after.controls).toBe(before.controls)
})

test('nobody gets into a practice room by a header, a token or somebody else’s session', async ({ page, request, room }) => {
  await open(page, '/kit')
  const token = { authorization: 'Bearer demo-token' }
  expect((await request.get(`${room.url}/practice/api/machines`, { headers: token })).status()).toBe(401)
  const here = { 'x-boulder-practice': '1' }
  // the address says where somebody is, and nothing else does
  expect((await page.request.get(`${room.url}/api/machines`, { headers: here })).status()).toBe(200)
  expect((await page.request.get(`${room.url}/practice/api/machines`)).status()).toBe(422)
  expect((await page.request.get(`${room.url}/practice/kit`)).url()).toMatch(/\/practice\/lessons$/)
})

test('somebody new is led through one tool, station by station, and leaves when they like', async ({ page, room }) => {
  await open(page, '/kit')
  await looked(room.data)
  const before = tables(room.data)
  await page.getByRole('button', { name: 'One tool all the way' }).click()
  await expect(page).toHaveURL(/\/practice\/kit\/HP-2207$/, { timeout: 60_000 })
  await expect(strip(page)).toContainText('1 of 7: Kit')
  await page.getByRole('button', { name: 'Next' }).click()
  await expect(page).toHaveURL(/\/practice\/build\?job=HP-2207&t=12$/)
  await expect(strip(page)).toContainText('2 of 7: Build')
  // as the guide says: a free holder is scanned, and the build begins
  await page.locator('html[data-listens]').waitFor({ state: 'attached' })
  await scan(page, 'BX00142')
  await expect(big(page)).not.toHaveText(/Scan the holder/)
  // under ? stands the lesson for this screen
  await page.getByRole('button', { name: 'Help and keys' }).click()
  await expect(page.getByRole('link', { name: 'Before it is put together' })).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  await page.getByRole('button', { name: 'Leave' }).click()
  await expect(page).toHaveURL(/\/practice\/lessons$/)
  await expect(page.getByRole('button', { name: 'Begin the lesson' })).toBeVisible()
  const after = tables(room.data)
  expect(Object.keys(after).filter((name) => after[name] !== before[name])).toEqual(['lesson_run'])
  // whoever has begun once is not asked any more
  await visit(page, '/kit')
  await expect(page.getByText('New here?')).toHaveCount(0)
})
