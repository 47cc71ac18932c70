/** What a person does on a tool's own page, on carts, and with the shop's own steps. */
import { expect, test } from './room'
import { answer, BADGE, big, open, scan, TOKEN, visit } from './bench'

test('a tool is kept for another job by a lead only, and is put on a cart by two scans', async ({ page }) => {
  await open(page, '/tools/BX00157')
  await page.locator('summary', { hasText: 'Reserved for HP-2240' }).click()
  await page.getByLabel('Reserve for').selectOption('HP-2207')
  await page.getByRole('button', { name: 'Reserve', exact: true }).click()
  await expect(page.getByText('A lead can give it to another job')).toBeVisible()
  await scan(page, BADGE.oda)
  await page.getByRole('button', { name: 'Reserve', exact: true }).click()
  await expect(page.locator('summary', { hasText: 'Reserved for HP-2207' })).toBeVisible()
  await page.getByLabel('Reserve for').selectOption('HP-2240')
  await page.getByRole('button', { name: 'Reserve', exact: true }).click()
  await expect(page.locator('summary', { hasText: 'Reserved for HP-2240' })).toBeVisible()

  await visit(page, '/kit/carts?job=HP-2240&cart=C2')
  await scan(page, 'C2-1')
  await expect(answer(page)).toContainText('Scan the tool first')
  await scan(page, 'BX00157')
  await scan(page, 'C1-1')
  await expect(page.getByRole('alert').filter({ hasText: 'takes SK 40' })).toBeVisible()
  await scan(page, 'C2-1')
  await expect(page.getByRole('alert').filter({ hasText: 'is in C2-1' })).toBeVisible()
  await scan(page, 'C2-5')
  await expect(page.getByRole('link', { name: 'C2-5: T22 on BX00157' })).toBeVisible()
  await expect(page.getByRole('list', { name: 'Missing tools' }).getByText(/T22/)).toHaveCount(0)
})

test('dropped: the tool goes back to be measured, and its page says who noted it', async ({ page }) => {
  await open(page, '/tools/BX00153')
  await expect(page.getByText('It is not balanced yet.')).toBeVisible()
  await page.getByText('Report damage').click()
  await page.getByRole('button', { name: 'dropped' }).click()
  await expect(page.getByText('It is built. Measure it.')).toBeVisible()
  await expect(page.getByRole('cell', { name: 'dropped' })).toBeVisible()
})

test('holder care: inspected, stud replaced, and a wrong holder type is not built on', async ({ page }) => {
  await open(page, '/tools/BX00162')
  await page.getByText('Holder care').click()
  await page.getByLabel('New pull stud').selectOption('P-SK40-AD')
  await page.getByRole('button', { name: 'Stud replaced' }).click()
  await expect(page.getByRole('cell', { name: 'stud replaced' })).toBeVisible()
  await page.getByRole('button', { name: 'Inspected', exact: true }).click()
  await expect(page.getByRole('cell', { name: 'inspected' })).toBeVisible()
  await page.goto('/library/holders')
  await expect(page.getByRole('row', { name: /BX00151/ })).toContainText('due for inspection')
  await expect(page.getByRole('row', { name: /BX00150/ })).toContainText('402 heat cycles')
})

test('the shop’s own steps: changed, refused when they name what no build knows', async ({ page }) => {
  await open(page, '/library/steps?clamping=side-lock', BADGE.oda)
  const text = page.getByLabel('What to do').first()
  await text.fill('Look at {{ weather }}.')
  await big(page).click()
  await expect(page.getByRole('alert').filter({ hasText: 'weather' })).toBeVisible()
  await text.fill('Read the mark: {{ shank | length }}. Our own words.')
  const saved = page.waitForResponse((answer) => answer.request().method() === 'POST')
  await big(page).click()
  await saved
  await visit(page, '/build?job=HP-1150&t=11')
  await expect(page.getByText('Read the mark: 16.00 mm. Our own words.')).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByText('Read the mark: 0.630 in. Our own words.')).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByText('Read the mark: 16.00 mm. Our own words.')).toBeVisible()
  // and the pull stud of the only free holder is of the wrong form
  await scan(page, 'BX00165')
  await expect(page.getByRole('alert').filter({ hasText: 'The wrong stud drops the tool' })).toBeVisible()
})

test('a picture of a part: taken in by its first bytes, whatever its name', async ({ page }) => {
  await open(page, '/library/parts/C-EM10R05')
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  )
  await page
    .getByLabel('Picture or drawing')
    .setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer: Buffer.from('not a picture') })
  await expect(page.getByRole('alert').filter({ hasText: 'Send one of' })).toBeVisible()
  await page.getByLabel('Picture or drawing').setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer: png })
  await expect(page.getByRole('img', { name: 'Picture of C-EM10R05' })).toBeVisible()
  const read = await page.request.get('/api/library/parts/C-EM10R05/drawing', { headers: TOKEN, maxRetries: 2 })
  expect([read.status(), read.headers()['content-type']]).toEqual([200, 'image/png'])
  expect((await page.request.get('/api/library/parts/C-EM20L/drawing', { headers: TOKEN, maxRetries: 2 })).status()).toBe(404)
})

test('a job with a tool list: sisters, a T by hand, and it gives its parts back when cancelled', async ({ page }) => {
  await open(page, '/kit')
  await page
    .getByLabel('NC program')
    .setInputFiles([{ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from('T;name;count;minutes\n9;chamfer;2;1,5\n') }])
  await page.getByLabel('Job number').fill('HP-9001')
  await page.getByLabel('Machine').selectOption('HERON')
  await page.getByLabel('How many').fill('10')
  await big(page).click()
  await expect(page.getByRole('heading', { name: /HP-9001/ })).toBeVisible()
  await expect(page.locator('main tbody tr')).toHaveCount(2)
  await expect(page.locator('main tbody tr').nth(1)).toContainText('sister 1')
  await page.getByLabel('T by hand').fill('T4')
  await page.getByRole('button', { name: 'Add tool' }).click()
  await expect(page.locator('main tbody tr')).toHaveCount(3)
  await page.getByRole('button', { name: 'Cancel job …' }).click()
  await page.getByRole('button', { name: 'Cancel job: parts go back' }).click()
  await expect(page).toHaveURL(/\/kit$/)
  await expect(page.getByText('Closed jobs: 1 job')).toBeVisible()
})
