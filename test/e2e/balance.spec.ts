/** The balancing spindle calibrated, a tool run twice, corrected with screws from the drawer, run again, and handed on. */
import { big, open, visit } from './bench'
import { expect, later, test } from './room'
import type { APIRequestContext, Page } from '@playwright/test'

/** Clamps at the stand-in, shuts its guard, starts, and lets the run's time pass. */
async function run(page: Page, request: APIRequestContext, seat: 0 | 180): Promise<void> {
  await page.getByRole('button', { name: `Clamp at ${seat}°` }).click()
  await page.getByRole('button', { name: 'Shut the guard' }).click()
  await expect(page.getByRole('button', { name: 'Shut the guard' })).toHaveCount(0)
  await expect(big(page)).toContainText(`Start run at ${seat}°`)
  await big(page).click()
  await expect(page.getByRole('status').filter({ hasText: `Run at ${seat}°` })).toBeVisible()
  await later(request, 30)
  await expect(page.getByRole('status').filter({ hasText: `Run at ${seat}°` })).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Save run' })).toHaveCount(0)
}

test('calibrated, run, corrected, run again, saved; then it waits at Hand over', async ({ page, request }) => {
  await open(page, '/balance/calibration')
  await expect(page.getByRole('cell', { name: 'R-1' })).toHaveCount(1)
  await page.getByLabel('Rotor').fill('R-1')
  await big(page).click()
  for (const index of [1, 2, 3, 4, 5, 6]) {
    await expect(page.getByRole('heading', { name: `Run ${index} of 6` })).toBeVisible()
    await run(page, request, index % 2 === 1 ? 0 : 180)
  }
  await expect(page.getByRole('cell', { name: 'R-1' })).toHaveCount(2)

  await visit(page, '/balance/BX00153')
  const corrected = page.getByRole('list', { name: 'To do' })
  const round = async () => {
    await run(page, request, 0)
    await run(page, request, 180)
    await expect(page.getByText('Now')).toBeVisible()
  }
  await round()
  await expect(corrected).toBeVisible()
  for (let rounds = 0; rounds < 2 && (await corrected.count()) > 0; rounds++) {
    for (let steps = await corrected.getByRole('listitem').count(); steps > 0; steps--) {
      await page.getByRole('button', { name: 'Do as it says' }).click()
      await expect(page.getByRole('button', { name: 'Do as it says' })).toBeEnabled()
      const done = await corrected.getByText('done').count()
      await big(page).click()
      if (steps > 1) await expect(corrected.getByText('done')).toHaveCount(done + 1)
    }
    await expect(big(page)).toContainText('Start run at 0°')
    await round()
  }
  await expect(page.getByText('It is as wanted.')).toBeVisible()
  await big(page).click()
  await expect(page.getByText(/Balanced: G \d\.\d+ at 6,000 rev\/min/)).toBeVisible()
  await expect(big(page)).toContainText('Hand it over')
  await big(page).click()
  await page.waitForURL('**/hand-over/BX00153')
})

test('a result from elsewhere is typed, marked as such, and gone once the tool was dropped', async ({ page }) => {
  await open(page, '/balance/BX00153')
  await page.getByRole('button', { name: 'Type a result' }).click()
  await page.getByLabel('Grade').fill('4')
  await page.getByLabel('Speed').fill('6000')
  await page.getByLabel('Balanced by').fill('Larch Balancing')
  await big(page).click()
  await expect(page.getByText('typed: balanced by Larch Balancing')).toBeVisible()
  await visit(page, '/tools/BX00153')
  await expect(page.getByText('It is measured. Hand it over.')).toBeVisible()
  await page.getByText('Report damage').click()
  await page.getByRole('button', { name: 'dropped' }).click()
  await expect(page.getByText('It is built. Measure it.')).toBeVisible()
  await visit(page, '/balance/BX00153')
  await expect(page.getByText('Larch Balancing')).toHaveCount(0)
})
