/** Tools that are set at the machine itself. */
import { expect, test } from './room'
import { big, open } from './bench'

test('a bore is centred by four readings, a value is noted, and a check block is written', async ({ page }) => {
  await open(page, '/load/at-machine?machine=GREBE')
  for (const [side, reading] of Object.entries({ Top: '0.50', Right: '0.44', Bottom: '0.50', Left: '0.56' }))
    await page.getByLabel(side).fill(reading)
  await expect(page.getByText('Move the cross slide 60 µm to the left.')).toBeVisible()
  await page.getByLabel('Right').fill('0.50')
  await page.getByLabel('Left').fill('0.50')
  await expect(page.getByText('The bore is on the axis.')).toBeVisible()

  await page.getByLabel('T', { exact: true }).fill('T7')
  await page.getByLabel('Value found').fill('101.25')
  await page.getByLabel('Machine stood').fill('6')
  await big(page).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Look at the control' })).toBeVisible()
  await page.getByLabel('I looked: this tool is active').check()
  await big(page).click()
  await expect(page.getByRole('row').filter({ hasText: 'T7' })).toContainText('101.250')

  await page.getByRole('button', { name: 'Check block' }).click()
  await page.getByLabel('T', { exact: true }).fill('7')
  await big(page).click()
  await expect(page.getByTestId('check-block')).toContainText('G38.2 Z')
})
