import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect, lookingTest as test } from './room'
import { answer, BADGE, open, scan, visit } from './bench'

test('a scan never switches stations, a single key after a moment does', async ({ page }) => {
  await open(page, '/kit')
  await scan(page, '1234567u')
  await page.waitForTimeout(200)
  expect(new URL(page.url()).pathname).toBe('/kit')
  await expect(page.getByRole('button', { name: 'mm', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await expect(answer(page)).toContainText('Not known here')
  await page.keyboard.press('3')
  await expect(page).toHaveURL(/\/measure$/)
  await page.keyboard.press('u')
  await expect(page.getByRole('button', { name: 'inch', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('u')
  await expect(page.getByRole('button', { name: 'mm', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('g')
  await page.waitForTimeout(150)
  await page.keyboard.press('l')
  await expect(page).toHaveURL(/\/library$/)
})

test('a scan into a form field is a scan all the same, and leaves the field as it was', async ({ page }) => {
  await open(page, '/kit')
  await page.getByLabel('What it makes').fill('cover')
  await page.getByLabel('What it makes').focus()
  await scan(page, BADGE.oda)
  await expect(answer(page)).toContainText('Oda Brekke')
  await expect(page.getByLabel('What it makes')).toHaveValue('cover')
})

test('Ctrl K finds a tool and a page by a few letters, and a day can be picked or typed', async ({ page }) => {
  await open(page, '/kit')
  await page.keyboard.press('Control+k')
  const field = page.getByPlaceholder('A tool, part, job, holder or page')
  await field.fill('bx00143')
  await expect(page.getByRole('option', { name: /BX00143/ }).first()).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/tools\/BX00143$/)
  await page.keyboard.press('Control+k')
  await field.fill('carts')
  await page.getByRole('option', { name: /Carts and racks/ }).click()
  await expect(page).toHaveURL(/\/kit\/carts/)
  await visit(page, '/records')
  const day = (n: number) => page.getByRole('search').getByPlaceholder('28 Nov 2026').nth(n)
  await day(0).fill('3.4.2026')
  await day(0).press('Tab')
  await expect(day(0)).toHaveValue('3 Apr 2026')
  await day(1).fill('tomorrow')
  await day(1).press('Tab')
  await expect(page.getByText('Type the day such as')).toBeVisible()
  await page.getByRole('button', { name: 'Pick a day' }).last().click()
  await page.getByRole('gridcell').filter({ hasText: '15' }).getByRole('button').click()
  await expect(day(1)).toHaveValue(/^15 /)
})

test('while nobody is signed in nothing is shown but who may; then the sheet is there, and goes when they go', async ({
  page,
}) => {
  await visit(page, '/build?job=HP-2211&t=12')
  await expect(page.getByRole('heading', { name: 'Who works here?' })).toBeVisible()
  await scan(page, 'BX00142')
  await expect(answer(page)).toContainText('Nobody is signed in')
  await expect(page.getByText('HP-2211')).toHaveCount(0)
  await page.getByRole('button', { name: /^Ines Varga/ }).click()
  await expect(page.getByRole('heading', { name: /T12/ }).first()).toBeVisible()
  await expect(page).toHaveURL(/build\?job=HP-2211&t=12$/)
  await page.context().clearCookies()
  await page.getByRole('link', { name: /^Measure/ }).click()
  await expect(page.getByRole('heading', { name: 'Who works here?' })).toBeVisible()
})

test('an unknown address, tool or serial says so in words', async ({ page }) => {
  await open(page, '/tools/BX99999')
  // the page's name is read out as well, beside the sheet
  await expect(page.locator('#sheet').getByText('there is no holder with this mark')).toBeVisible()
  await scan(page, 'WHAT-IS-THIS')
  await expect(answer(page)).toContainText('Not known here')
  expect((await page.goto('/kit/NO-SUCH-JOB'))?.status()).toBe(404)
  expect((await page.goto('/measure/%25E0'))?.status()).toBe(200)
})

const SCREENS = [
  '/kit',
  '/kit/HP-2240',
  '/kit/HP-2240/setup',
  '/kit/HP-2240/fetch',
  '/kit/ahead',
  '/kit/carts?job=HP-2240',
  '/kit/now',
  '/kit/shift',
  '/build',
  '/build?job=HP-2207&t=12',
  '/build?job=HP-2240&t=25',
  '/library/parts/C-EM10R10',
  '/library/parts/new?kind=collet',
  '/library/tools',
  '/library/tools/D-0031',
  '/library/tools/new',
  '/library/holders',
  '/library/store?place=ELM',
  '/library/stock',
  '/library/import',
  '/library/steps',
  '/library/programs',
  '/measure',
  '/measure/BX00147',
  '/measure/BX00147/figures',
  '/measure/BX00147/bore',
  '/measure/masters',
  '/measure/BX00147/program',
  '/measure/programs',
  '/measure/programs/D-0007',
  '/measure/kit/HP-1145',
  '/measure/pictures',
  '/balance',
  '/balance/BX00153',
  '/balance/calibration',
  '/hand-over',
  '/hand-over/BX00144',
  '/hand-over/posts',
  '/hand-over/tag?serial=BX00143',
  '/hand-over/labels',
  '/kit/slots',
  '/load/rules?machine=HERON',
  '/load/at-machine?machine=WAGTAIL',
  '/load?machine=HERON',
  '/load?machine=HERON&serial=BX00144',
  '/return',
  '/return?serial=BX00143',
  '/plan',
  '/library',
  '/plan/machines',
  '/records',
  '/records/learned',
  '/records/watch',
  '/records/study',
  '/practice',
  '/practice/edges',
  '/settings/clients',
  '/settings',
  '/settings/people',
  '/settings/machines',
  '/settings/machines/HERON',
  '/settings/couplings',
  '/settings/devices',
  '/settings/import',
  '/tools/BX00143',
]

/** 1920×1080 at 200 %, a small terminal, and an old square screen. */
const SIZES = [
  { width: 960, height: 540 },
  { width: 640, height: 400 },
  { width: 1024, height: 768 },
]
const USUAL = { width: 1280, height: 800 }

/** What a person without eyes, or with weak ones, would stumble over. */
async function seriousFaults(page: Page): Promise<string[]> {
  const look = () => new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
  const { violations } = await look().analyze()
  // what a theme changes is contrast; on the same page, without walking there again
  await page.evaluate(() => (document.documentElement.dataset.theme = 'basalt'))
  const basalt = await look().withRules(['color-contrast']).analyze()
  return [...violations, ...basalt.violations]
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes[0].html.slice(0, 140)}`)
}

/** Whether the big action is on screen, alone, and nothing is wider than the screen. */
const fits = (page: Page) =>
  page.evaluate(() => {
    const bigs = [...document.querySelectorAll('[data-testid=big-action]')].filter((b) => b.checkVisibility())
    const box = bigs[0]?.getBoundingClientRect()
    return {
      alone: bigs.length < 2,
      off: box !== undefined && (box.bottom > innerHeight + 1 || box.top < -1 || box.right > innerWidth + 1),
      wide: document.documentElement.scrollWidth > innerWidth + 1,
    }
  })

const PARTS = [0, 1, 2, 3]
for (const part of PARTS) {
  const screens = SCREENS.filter((_, i) => i % PARTS.length === part)
  test(`every screen can be read by everybody and fits small terminals, part ${part + 1}`, async ({ page }) => {
    await open(page, '/settings')
    for (const screen of screens) {
      await visit(page, screen)
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()
      for (const size of SIZES) {
        await page.setViewportSize(size)
        await expect
          .poll(() => fits(page), { message: `${screen} at ${size.width}×${size.height}` })
          .toEqual({ alone: true, off: false, wide: false })
      }
      await page.setViewportSize(USUAL)
      expect(await seriousFaults(page), screen).toEqual([])
    }
  })
}
