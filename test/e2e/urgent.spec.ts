import { expect, test } from './room'
import { big, GO, open, scan, visit } from './bench'

test('a broken tool: one scan, and its sister goes before everything, with the machine that waits', async ({ page }) => {
  await open(page, '/kit/now')
  await scan(page, 'BX00143')
  await expect(page.getByRole('alert').filter({ hasText: 'broken?' })).toBeVisible()
  await expect(big(page)).toHaveText(/Yes, it is broken/)
  await scan(page, GO)
  await expect(page.getByRole('heading', { name: /NOW-1/ })).toBeVisible()
  await expect(page.getByText('rush', { exact: true })).toBeVisible()
  // the ready one that another job had is given to it
  await expect(page.getByText(/C2-1, to load/)).toBeVisible()
  await visit(page, '/load')
  await expect(page.locator('[data-rack] a').first()).toContainText('Heron waits')
  await expect(page.locator('[data-rack] a').first()).toHaveAttribute('href', /BX00144/)
  await visit(page, '/kit/now')
  await expect(page.getByText('Heron waits').first()).toBeVisible()

  // it was not broken after all: all of it is undone
  await visit(page, '/kit/NOW-1')
  await page.getByLabel('Why the rush is cancelled').fill('only a chip, the edge is whole')
  await page.getByRole('button', { name: /Cancel the rush/ }).click()
  await expect(page.getByText('This job is cancelled.')).toBeVisible()
  await visit(page, '/tools/BX00143')
  await expect(page.getByText('It is in its machine.')).toBeVisible()
})
