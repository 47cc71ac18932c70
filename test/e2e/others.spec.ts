/** Several terminals: what is done at one is on the others at once; a lost line is told, and comes back by itself. */
import { BADGE, big, open, scan } from './bench'
import { expect, later, test } from './room'

const COVER = { name: 'COVER.nc', mimeType: 'text/plain', buffer: Buffer.from('G21 G90\nT12 M6\nG43 H12 Z10 S6000 M3\nG1 Z-1\n') }

test('a job taken in at one terminal is on another, with a note of who did it', async ({ page, browser, baseURL }) => {
  await open(page, '/kit')
  const other = await (await browser.newContext({ baseURL })).newPage()
  await open(other, '/kit', BADGE.oda)
  await expect(page.getByRole('link', { name: /COVER/ })).toHaveCount(0)
  await other.getByLabel('NC program').setInputFiles(COVER)
  await other.getByLabel('Machine').selectOption('HERON')
  await big(other).click()
  await expect(other.getByRole('heading', { name: /COVER/ })).toBeVisible()
  // nobody touched this terminal, and what is asked by the clock comes much later
  await expect(page.getByText(/COVER/).first()).toBeVisible({ timeout: 20_000 })
  await expect(page.getByTestId('news')).toContainText('Oda')
  await expect(other.getByTestId('news')).toHaveCount(0)
})

test('a lost line is told, what was typed stays, and it goes on by itself', async ({ page }) => {
  await page.route('**/api/events', (route) => route.abort())
  await open(page, '/kit')
  const told = page.getByText('No connection to the tool room.')
  await expect(told).toBeVisible()
  await page.getByLabel('NC program').setInputFiles(COVER)
  await page.unroute('**/api/events')
  await expect(told).toHaveCount(0)
  await expect(page.getByLabel('Machine')).toBeVisible()
  await expect(page.getByText(/COVER/).first()).toBeVisible()
})

test('after a quiet time whoever writes to a machine is asked for again; then it is done', async ({ page, request }) => {
  await open(page, '/return')
  await scan(page, 'BX00143')
  await page.getByText('Measure again').click()
  // where the magazine stands depends on what was loaded last
  const turn = page.getByRole('button', { name: 'Turn to pocket 1' })
  if (await turn.isVisible()) await turn.click()
  await page.getByRole('button', { name: /take it out/ }).click()
  await expect(page.getByRole('button', { name: /take it out/ })).toBeHidden()
  await page.getByLabel('Why').fill('finish got rough')
  await page.getByLabel('Cutting time').fill('42')
  await later(request, 16 * 60)
  await big(page).click()
  const asked = page.getByRole('dialog', { name: 'Who is there?' })
  await expect(asked).toContainText('more than 15 minutes')
  await asked.getByRole('button', { name: 'Still Ines Varga' }).click()
  await expect(asked).toBeHidden()
  // what was typed is still there
  await expect(page.getByLabel('Why')).toHaveValue('finish got rough')
  await big(page).click()
  await expect(page).toHaveURL(/measure\/BX00143/)
})
