import { expect, test } from './room'
import { big, open } from './bench'

const program = (name: string, text: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(text) })

test('an NC program is dropped and its tools are listed', async ({ page }) => {
  await open(page, '/kit')
  await page
    .getByLabel('NC program')
    .setInputFiles(program('COVER.nc', 'G21 G90\nT12 M6 (FACE)\nG43 H3 Z10 S6000 M3\nG1 Z-1\nT77 M6\n'))
  await page.getByLabel('Machine').selectOption('HERON')
  await big(page).click()
  await expect(page.getByRole('heading', { name: /COVER/ })).toBeVisible()
  const rows = page.locator('main tbody tr').filter({ has: page.getByRole('rowheader') })
  await expect(rows).toHaveCount(2)
  await expect(rows.first()).toContainText('6,000')
  await expect(rows.nth(1)).toContainText('unknown T')
  await expect(page.getByText('T12 is called with H3')).toBeVisible()
  const which = page.getByRole('group', { name: 'Which tool is T77?' })
  await which.getByRole('button', { name: 'Nothing to set up' }).click()
  await expect(rows.nth(1)).toContainText('nothing to set up')
  await page.getByRole('button', { name: 'Set it up after all' }).click()
  await expect(rows.nth(1)).toContainText('unknown T')
})

test('what is no program, or has no number, is not stored', async ({ page }) => {
  await open(page, '/kit')
  const before = await page.locator('main li').count()
  await page.getByLabel('NC program').setInputFiles(program('photo.jpg', '\u0000\u0001 nothing here'))
  await page.getByLabel('Machine').selectOption('DIPPER')
  await big(page).click()
  await expect(page.getByRole('alert').filter({ hasText: 'no block that can be read' })).toBeVisible()
  await page.getByLabel('Job number').fill('')
  await big(page).click()
  await expect(page.getByText('Give the job a number')).toBeVisible()
  await page.reload()
  expect(await page.locator('main li').count()).toBe(before)
})
