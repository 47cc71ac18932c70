/** Who works here: the first run of an empty shop, PINs, wrong ones, roles, and whoever leaves. */
import type { Page } from '@playwright/test'
import { answer, BADGE, open, scan, visit } from './bench'
import { emptyTest, expect, FIRST_CODE, test } from './room'

const menu = (page: Page) => page.locator('summary').filter({ hasText: /Varga|Lind|Brekke|Amsel|Holt/ })

async function tap(page: Page, name: string): Promise<void> {
  await menu(page).click()
  await page.getByRole('button', { name: new RegExp(`^${name}`) }).click()
}
const pad = (page: Page) => page.getByRole('dialog', { name: /PIN of/ })

emptyTest('an empty shop asks for the code and its first administrator, who then takes in others', async ({ page }) => {
  await page.goto('/kit')
  await expect(page.getByRole('heading', { name: 'This tool room is new' })).toBeVisible()
  const fill = async (code: string, pin: string) => {
    await page.getByLabel('Code').fill(code)
    await page.getByLabel('Name of the shop').fill('Larch Tools')
    await page.getByLabel('Lengths in').selectOption('inch')
    await page.getByLabel('Your name').fill('Lena Holt')
    await page.getByLabel('Short name').fill('lena')
    await page.getByLabel('Your PIN').fill(pin)
    await page.getByRole('button', { name: 'Begin' }).click()
  }
  await fill('WRONG', '7294')
  await expect(page.getByText('That is not the code.')).toBeVisible()
  await fill(FIRST_CODE.toLowerCase(), '1234')
  await expect(page.getByText('Everybody tries that PIN first.')).toBeVisible()
  await fill(FIRST_CODE.toLowerCase(), '7294')
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible()
  await expect(page.getByText('Larch Tools')).toBeVisible()
  await expect(menu(page)).toHaveText('Lena Holt')
  await expect(page.getByRole('button', { name: 'inch' })).toHaveAttribute('aria-pressed', 'true')

  await page.getByLabel('Name', { exact: true }).fill('Ines Varga')
  await page.getByLabel('Short name').fill('ines')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('Ines Varga works here now.')).toBeVisible()
  // without a PIN she does not sign in here
  await tap(page, 'Ines Varga')
  await expect(page.getByText('Ines Varga has no PIN yet.')).toBeVisible()
  await expect(menu(page)).toHaveText('Lena Holt')
})

test('a PIN is asked for once there is one; wrong ones cost time; whoever leaves is signed out', async ({ page }) => {
  await open(page, '/settings/people')
  await expect(page.getByText('Only an administrator changes this.')).toBeVisible()
  await page.getByLabel('New PIN').fill('7294')
  await page.getByRole('button', { name: 'Save PIN' }).click()
  await expect(page.getByText('PIN of Ines Varga saved.')).toBeVisible()

  await tap(page, 'Tomas Lind')
  await expect(menu(page)).toHaveText('Tomas Lind')
  await tap(page, 'Ines Varga')
  for (const digit of ['1', '1', '1', '1']) await pad(page).getByRole('button', { name: digit, exact: true }).click()
  await pad(page).getByRole('button', { name: 'Sign in' }).click()
  await expect(pad(page).getByText('That is not the PIN. 4 more tries')).toBeVisible()
  await expect(pad(page).getByLabel('PIN')).toBeFocused()
  await page.keyboard.type('7294', { delay: 120 })
  await page.keyboard.press('Enter')
  await expect(pad(page)).toHaveCount(0)
  await expect(menu(page)).toHaveText('Ines Varga')

  // a badge is no more than a tap
  await tap(page, 'Tomas Lind')
  await scan(page, BADGE.ines)
  await expect(answer(page)).toContainText('type your PIN')
  await expect(menu(page)).toHaveText('Tomas Lind')
  await pad(page).getByRole('button', { name: 'Cancel' }).click()
  await expect(pad(page)).toHaveCount(0)
  await scan(page, BADGE.oda)
  await expect(menu(page)).toHaveText('Oda Brekke')

  await tap(page, 'Ruth Amsel')
  await expect(menu(page)).toHaveText('Ruth Amsel')
  await page.getByRole('button', { name: 'Change Tomas Lind' }).click()
  await page.getByLabel('Does not work here any more').check()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('has left')).toBeVisible()
  await menu(page).click()
  await expect(page.getByRole('button', { name: /^Tomas Lind/ })).toHaveCount(0)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Sign out', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Who works here?' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Ines Varga/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Tomas Lind/ })).toHaveCount(0)
  await visit(page, '/settings/people')
  await expect(page.getByRole('heading', { name: 'Who works here?' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Change/ })).toHaveCount(0)
})
