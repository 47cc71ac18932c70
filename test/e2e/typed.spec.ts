/** From one machine to another that only takes typing. */
import { expect, test } from './room'
import { type Page } from '@playwright/test'
import { BADGE, big, controlTable, GO, labelText, MACHINE, open, putIn, scan } from './bench'

/** A reason for everything that asks for one. */
async function giveReasons(page: Page): Promise<void> {
  for (const field of await page.getByLabel(/^Why: /).all()) await field.fill('trial cut')
}

test('out of Dipper, on to Bittern: its figures are typed one after the other and read back by eye', async ({ page }) => {
  await open(page, '/hand-over/BX00145')
  await scan(page, 'BX00145')
  await expect(page.getByRole('heading', { name: /Hand-over \d/ })).toBeVisible()
  await scan(page, MACHINE.dipper)
  await scan(page, 'BX00145')
  await scan(page, await labelText(page, 'BX00145'))
  await putIn(page, 'DIPPER')

  await page.goto('/return?serial=BX00145', { waitUntil: 'networkidle' })
  const turn = page.getByRole('button', { name: /^Turn to pocket/ })
  if (await turn.isVisible()) await turn.click()
  await page.getByRole('button', { name: /take it out/ }).click()
  await expect(page.getByRole('button', { name: /take it out/ })).toBeHidden()
  await page.getByText('Other machine').click()
  await page.getByRole('combobox', { name: /^To/ }).selectOption({ label: 'Bittern' })
  await page.getByLabel('Why').fill('Dipper is down')
  await big(page).click()
  await expect(page).toHaveURL(/hand-over\/BX00145/)
  expect((await controlTable(page, 'DIPPER'))['7'].length).toBeGreaterThan(10)
  await expect(page.getByText('Bittern takes no files')).toBeVisible()
  await scan(page, 'BX00145')
  await expect(page.getByRole('heading', { name: /Hand-over \d/ })).toBeVisible()

  await scan(page, MACHINE.bittern)
  await scan(page, 'BX00145')
  await scan(page, await labelText(page, 'BX00145'))
  await giveReasons(page)
  await big(page).click()
  for (const step of ['Pocket 1 at the loading place', 'Door open', 'Tool in pocket 1', 'Door shut']) {
    await expect(big(page)).toContainText(step)
    await scan(page, GO)
  }
  const shown = page.getByTestId('to-type')
  await expect(shown).toContainText(/118\.\d{3} mm/)
  await page.getByLabel('The control shows').fill('111.111')
  await scan(page, GO)
  await expect(page.getByRole('alert').filter({ hasText: 'Type it again at the control' })).toBeVisible()
  for (const register of ['length', 'length wear', 'radius', 'radius wear']) {
    await expect(page.getByText(register, { exact: true }).first()).toBeVisible()
    const value = /-?[\d.]+/.exec(await shown.innerText())![0]
    await page.getByLabel('The control shows').fill(value)
    await page.getByLabel('The control shows').press('Enter')
    if (register !== 'radius wear') await expect(shown).not.toHaveText(new RegExp(`^${value} mm$`))
  }
  await expect(big(page)).toHaveText(/Record it/)
  await scan(page, GO)
  await expect(page.getByText('figures typed and read back.').first()).toBeVisible()
  await page.goto('/tools/BX00145', { waitUntil: 'networkidle' })
  await expect(page.getByText('Bittern, pocket 1').first()).toBeVisible()
})

test('by hand into the spindle: given up and begun again, the changer in manual, and out again', async ({ page }) => {
  await open(page, '/load', BADGE.oda)
  const begin = async () => {
    await scan(page, MACHINE.heron)
    await scan(page, 'BX00144')
    await scan(page, await labelText(page, 'BX00144'))
    await page.getByLabel('Another pocket').selectOption({ label: 'By hand, spindle' })
    await giveReasons(page)
    await big(page).click()
    await expect(page.locator('[data-step=pocket]')).toHaveAttribute('data-state', 'now')
  }
  await begin()
  await page.getByRole('button', { name: 'Give it up …' }).click()
  await page.getByLabel('Why it is given up').fill('the lift is away')
  await page.getByRole('button', { name: 'Give it up', exact: true }).click()
  await expect(page.locator('[data-step=pocket]')).toBeHidden()
  await begin()
  for (const act of ['changer to manual', 'open the door', 'put it in', 'shut the door'])
    await page.getByRole('button', { name: `Stand-in machine: ${act}` }).click()
  await expect(big(page)).toHaveText(/Send to Heron/)
  await big(page).click()
  await expect(page.getByText('In the spindle, offsets written and read back.')).toBeVisible()
  expect((await controlTable(page, 'HERON'))['104'].length).toBeGreaterThan(10)

  await page.goto('/return?serial=BX00144', { waitUntil: 'networkidle' })
  await big(page).click()
  await expect(page.getByRole('alert').filter({ hasText: 'why' })).toBeVisible()
  await page.getByLabel('Why').fill('trial cut done')
  await big(page).click()
  await expect(page.getByRole('alert').filter({ hasText: 'still clamped in the spindle' })).toBeVisible()
  await page.getByRole('button', { name: /take it out/ }).click()
  await expect(page.getByRole('button', { name: /take it out/ })).toBeHidden()
  await big(page).click()
  await expect(page).toHaveURL(/tools\/BX00144/)
  expect((await controlTable(page, 'HERON'))['104'].length).toBe(300)
})
