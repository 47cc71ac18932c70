import AxeBuilder from '@axe-core/playwright'
import { expect, test } from './room'
import { answer, BADGE, open, scan } from './bench'

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

test('nobody working here: nothing is written', async ({ page }) => {
  await open(page, '/build?job=HP-2211&t=12', null)
  await scan(page, 'BX00142')
  await expect(answer(page)).toContainText('Nobody is signed in')
})

test('an unknown address, tool or serial says so in words', async ({ page }) => {
  await open(page, '/tools/BX99999', null)
  await expect(page.getByText('there is no holder with this mark')).toBeVisible()
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
  '/measure/masters',
  '/measure/BX00147/program',
  '/measure/programs',
  '/measure/programs/D-0007',
  '/measure/kit/HP-1145',
  '/measure/pictures',
  '/balance',
  '/hand-over',
  '/hand-over/BX00144',
  '/hand-over/posts',
  '/hand-over/tag?serial=BX00143',
  '/hand-over/labels',
  '/kit/slots',
  '/load/rules?machine=HERON',
  '/load?machine=HERON',
  '/load?machine=HERON&serial=BX00144',
  '/return',
  '/return?serial=BX00143',
  '/plan',
  '/library',
  '/records',
  '/practice',
  '/settings',
  '/tools/BX00143',
]

const PARTS = [0, 1, 2, 3]
for (const part of PARTS) {
  const screens = SCREENS.filter((_, i) => i % PARTS.length === part)
  test(`axe finds no serious fault on any screen, part ${part + 1}`, async ({ page }) => {
    await open(page, '/settings')
    for (const screen of screens) {
      await page.goto(screen)
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()
      const { violations } = await new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).analyze()
      // what a theme changes is contrast; on the same page, without walking there again
      await page.evaluate(() => (document.documentElement.dataset.theme = 'basalt'))
      const basalt = await new AxeBuilder({ page }).withRules(['color-contrast']).analyze()
      const serious = [...violations, ...basalt.violations].filter((v) => v.impact === 'serious' || v.impact === 'critical')
      expect(serious.map((v) => `${screen} ${v.id}: ${v.nodes[0].html.slice(0, 140)}`)).toEqual([])
    }
  })
}

/** 1920×1080 at 200 %, a small terminal, and an old square screen. */
for (const [width, height] of [
  [960, 540],
  [640, 400],
  [1024, 768],
] as const)
  test(`at ${width}×${height} the big action is on screen and no page is wider than it`, async ({ page }) => {
    await page.setViewportSize({ width, height })
    await open(page, '/settings')
    for (const screen of SCREENS) {
      await page.goto(screen)
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()
      const look = () =>
        page.evaluate(() => {
          const big = [...document.querySelectorAll('[data-testid=big-action]')].filter((b) => b.checkVisibility())
          const box = big[0]?.getBoundingClientRect()
          return {
            bigs: big.length,
            off: box !== undefined && (box.bottom > innerHeight + 1 || box.top < -1 || box.right > innerWidth + 1),
            wide: document.documentElement.scrollWidth > innerWidth + 1,
          }
        })
      // as soon as its script runs
      await expect.poll(look, { message: screen }).toMatchObject({ off: false, wide: false })
      expect((await look()).bigs, screen).toBeLessThan(2)
    }
  })
