/** What is planned, and what the months say, as people look at it. */
import { expect, test } from './room'
import { BADGE, big, open, visit } from './bench'

test('the room’s day is planned, another order of work and another number of people are compared', async ({ page }) => {
  await open(page, '/plan')
  await expect(page.getByRole('heading', { name: /^Today \d+ tools/ })).toBeVisible()
  await expect(page.getByRole('img', { name: /The room’s day/ })).toBeVisible()
  await page.getByText('As a table').click()
  await expect(page.getByRole('row', { name: /Shrink T12/ })).toBeVisible()
  await page.getByRole('button', { name: 'Shrink all first' }).click()
  await expect(page.getByRole('heading', { name: /all shrunk first$/ })).toBeVisible()
  await page.getByRole('link', { name: 'What if' }).click()
  await page.getByLabel('People at work').fill('3')
  await big(page).click()
  await expect(page).toHaveURL(/people=3/)
  await expect(page.getByRole('row', { name: /HP-2240 Heron/ })).toContainText('sooner')

  await test.step('the magazine over the jobs of a machine', async () => {
    await visit(page, '/plan/magazine?machine=HERON')
    await expect(page.getByRole('row', { name: /T6 Drill/ })).toContainText('put in')
    await expect(page.getByText(/Put in .*T12/)).toBeVisible()
  })
  await test.step('the boards of the machines', async () => {
    await visit(page, '/plan/machines')
    await expect(page.getByRole('link', { name: /HP-2207/ })).toContainText('of 3 ready')
  })
})

test('a study of the bench says who measures what next, and the record what was in a machine', async ({ page }) => {
  await open(page, '/records/study', BADGE.oda)
  await page.getByLabel('Name').fill('Diameter in autumn')
  await page.getByLabel('Ines Varga').check()
  await page.getByLabel('Oda Brekke').check()
  const tools = page.getByRole('region', { name: 'Tools' }).getByRole('checkbox')
  await tools.nth(0).check()
  await tools.nth(1).check()
  await big(page).click()
  await expect(page.getByText('0 of 12 readings').first()).toBeVisible()
  await expect(page.getByText(/(Ines Varga|Oda Brekke) measures BX/)).toBeVisible()
  await expect(big(page)).toContainText(/Measure BX/)

  await test.step('the sheets that look back', async () => {
    await visit(page, '/records/that-day?machine=HERON')
    await expect(page.getByRole('row', { name: /T4 BX00143/ })).toBeVisible()
    await visit(page, '/records/that-day?machine=HERON&at=2020-01-01T08:00')
    await expect(page.getByText('T4 BX00143 went in')).toBeVisible()
    await visit(page, '/records/watch')
    await page.getByRole('button', { name: 'Read the table of Heron again' }).click()
    await expect(page.getByRole('listitem').filter({ hasText: 'Heron' })).toContainText(
      'Every register holds what was handed over.',
    )
    await visit(page, '/records/quality?feature=LF')
    await expect(page.getByRole('row', { name: /T4/ })).toContainText('too few')
    await visit(page, '/records/worth')
    await page.getByLabel('An hour of a machine costs').fill('120')
    await expect(page.getByText('Paid back in')).toBeVisible()
  })
})
