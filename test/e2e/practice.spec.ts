/** Practice and help, as somebody new uses them. */
import { expect, test } from './room'
import { big, open, visit } from './bench'

test('common errors are tried out, and a lesson is gone through to its end', async ({ page }) => {
  await open(page, '/practice')
  await page.getByRole('link', { name: 'A chip of 10 µm on the face' }).click()
  await expect(page.getByText('One edge cuts 38 µm more than the one opposite.')).toBeVisible()
  const longer = page.getByLabel(/How long the tool is/)
  await longer.fill('240')
  await expect(page.getByText('One edge cuts 76 µm more than the one opposite.')).toBeVisible()

  await visit(page, '/practice/edges')
  await big(page).click()
  for (let number = 1; number <= 6; number++) {
    await page.getByRole('button', { name: new RegExp(`^Tool ${number} `) }).click()
    await page.getByRole('button', { name: 'nothing is wrong' }).click()
    await expect(page.getByRole('button', { name: `Tool ${number} ●` })).toBeVisible()
  }
  await expect(big(page)).toContainText('See how it went')
  await big(page).click()
  await expect(page.getByRole('heading', { name: /^2 of 6 right$/ })).toBeVisible()
  await expect(page.getByText(/At the machine this would have been|At the machine edges/).first()).toBeVisible()
  await expect(page.getByText(/missed: /).first()).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Comes again' })).toBeVisible()
})

test('? says what a screen is for, its scans and its cautions', async ({ page }) => {
  await open(page, '/load?machine=HERON')
  await page.getByRole('button', { name: 'Help and keys' }).click()
  const help = page.getByRole('dialog')
  await expect(help.getByRole('heading', { name: 'Load' })).toBeVisible()
  await expect(help.getByText('does not prove which tool hangs under it')).toBeVisible()
  await expect(help.getByText('Never reach in while the magazine can turn.')).toBeVisible()
  await expect(help.getByText('the big button')).toBeVisible()
})
