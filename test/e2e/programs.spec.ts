/** Programs, kits, other benches and other cameras, as people use them. */
import { connect } from 'node:net'
import { type Page } from '@playwright/test'
import { expect, test } from './room'
import { answer, big, checkBench, GO, measure, open, scan, visit } from './bench'
import { PIN } from './camera-file'

test('a measurement that went well is kept as the program of its kind, with a step of its own', async ({ page }) => {
  await open(page, '/measure/masters')
  await checkBench(page, 'AD-SK40-1', 'MS-SK40-1')
  await visit(page, '/measure/BX00147/program')
  await expect(page.getByRole('button', { name: 'Try this step' })).toBeEnabled({ timeout: 60_000 })
  const picture = page.locator('figure')
  await picture.focus()
  for (let i = 0; i < 9; i++) await page.keyboard.press('ArrowDown')
  await page.getByRole('button', { name: 'Add this view as a step' }).click()
  await expect(page.getByRole('button', { name: /^2 Step 2/ })).toBeVisible({ timeout: 60_000 })
  await page.getByLabel('Name').fill('Flank')
  await page.getByLabel('Lower limit diameter').fill('15.9')
  await page.getByLabel('Upper limit diameter').fill('16.1')
  await page.getByRole('button', { name: 'Try this step' }).click()
  await expect(page.getByTestId('tried')).toContainText(/1[56]\.\d{3} mm/, { timeout: 60_000 })
  await big(page).click()
  await expect(page.getByRole('alert').filter({ hasText: 'why' })).toBeVisible()
  await page.getByLabel('Why it is changed').fill('first of its kind')
  await big(page).click()
  await expect(page).toHaveURL(/measure\/BX00147$/)
  await visit(page, '/measure/programs')
  await expect(page.getByRole('row', { name: /End mill Ø16 R2/ })).toContainText('Tool · Flank')

  await test.step('and the kit is measured by it, tool after tool', async () => {
    await visit(page, '/measure/kit/HP-1145')
    await expect(page.getByRole('heading', { name: 'One tool to go' })).toBeVisible()
    await scan(page, 'BX00147')
    await measure(page)
    await expect(page.locator('[data-feature=DC]')).toHaveCount(2)
    await expect(page.locator('[data-feature=DC]').nth(1)).toContainText('Flank')
    await scan(page, 'BX00147')
    await expect(page.getByRole('heading', { name: 'All measured' })).toBeVisible()
  })
})

/** The hand at the other bench: what stands on its readouts from now on. */
const onTheLine = (page: Page, figures: string) =>
  new Promise<void>((done) => {
    const socket = connect(Number(new URL(page.url()).port) + 2, '127.0.0.1', () => socket.write(`PUT ${figures}\r\n`))
    socket.on('data', () => (socket.destroy(), done()))
  })

test('figures from another bench’s line are asked for once more when they are saved', async ({ page }) => {
  await open(page, '/measure/BX00147/figures')
  await page.getByLabel('Mark on the master').fill('MS-SK40-1')
  await page.getByLabel(/^Length reads/).fill('119.999')
  await page.getByLabel(/^Diameter reads/).fill('32.001')
  await page.getByRole('button', { name: 'Save master check' }).click()
  await expect(page.getByText('Master check saved.')).toBeVisible()
  await onTheLine(page, 'LF=125.021 DC=15.999 RE=1.998')
  await page.getByRole('button', { name: 'Read from serial gauge' }).click()
  await expect(page.getByText('125.021')).toBeVisible()
  await scan(page, 'BX00146')
  await expect(answer(page)).toContainText('Nothing was saved')
  await onTheLine(page, 'LF=125.022 DC=15.999 RE=1.998')
  await scan(page, 'BX00147')
  await expect(answer(page)).toContainText('other values than before')
  await page.getByRole('button', { name: 'Read again' }).click()
  await expect(page.getByText('125.022')).toBeVisible()
  await scan(page, 'BX00147')
  await expect(answer(page)).toContainText('saved')
  await visit(page, '/tools/BX00147')
  await expect(page.getByText('figures serial line').first()).toBeVisible()
})

test('a camera of the terminal is calibrated on a pin, and measures', async ({ page }) => {
  await open(page, '/measure/pictures')
  await page.getByRole('button', { name: 'A camera of this terminal' }).click()
  await expect(big(page)).toHaveText(/Calibrate on this pin/)
  await expect(big(page)).toBeEnabled()
  await scan(page, GO)
  await expect(page.getByRole('alert').filter({ hasText: 'Not calibrated' })).toBeVisible()
  await page.getByLabel('Pin Ø').fill(String(PIN.diameterMm))
  await page.getByLabel('Its length').fill(String(PIN.lengthMm))
  await big(page).click()
  await expect(page.getByRole('heading', { name: 'Calibrated' })).toBeVisible()
  await expect(page.getByText(/1 pixel is 1[12]\.\d\d µm/)).toBeVisible()
  await big(page).click()
  const values = page.getByTestId('values')
  await expect(values).toContainText(/Diameter DC\s*(4\.00\d|3\.99\d)/)
  await expect(values).toContainText(/Length LF\s*(60\.00\d|59\.99\d)/)
})
