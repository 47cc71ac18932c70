/** A tool comes back from its machine. */
import { expect, test } from './room'
import { big, controlTable, open, scan, visit } from './bench'

test('a tool comes out of its machine: its row is emptied, its wear kept, and it is measured again', async ({ page }) => {
  await open(page, '/return')
  await expect(page.getByRole('link', { name: /T4 End mill Ø10 R1 BX00143/ })).toBeVisible()
  await scan(page, 'BX00143')
  await expect(page.getByRole('cell', { name: /11\d\.\d{3} mm/ }).first()).toBeVisible()
  await page.getByText('Measure again').click()
  // where the magazine stands depends on what was loaded last
  const turn = page.getByRole('button', { name: 'Turn to pocket 1' })
  if (await turn.isVisible()) await turn.click()
  await page.getByRole('button', { name: /take it out/ }).click()
  await expect(page.getByRole('button', { name: /take it out/ })).toBeHidden()
  await big(page).click()
  await expect(page.getByRole('alert').filter({ hasText: 'why' })).toBeVisible()
  await page.getByLabel('Why').fill('finish got rough')
  await page.getByLabel('Cutting time').fill('42')
  await big(page).click()
  await expect(page).toHaveURL(/measure\/BX00143/)
  expect((await controlTable(page, 'HERON'))['4']).toEqual({ length: 300, lengthWear: 0, size: 60, sizeWear: 0 })
  await visit(page, '/tools/BX00143')
  await expect(page.getByText(/Out of Heron, pocket 1: to be measured again; finish got rough/)).toBeVisible()
})
