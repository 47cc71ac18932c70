// Pictures of the main views from demo data: node scripts/screenshots.mjs [folder] [view …], against a running demo.
import { chromium } from '@playwright/test'
import { join } from 'node:path'

const base = process.env.BOULDER_URL ?? 'http://localhost:3000'
const [folder = join(import.meta.dirname, '..', 'docs', 'screenshots'), ...only] = process.argv.slice(2)

const VIEWS = {
  kit: ['/kit/HP-2207'],
  jobs: ['/kit'],
  build: ['/build?job=HP-2207&t=12'],
  measure: ['/measure/BX00147', measured],
  'measure-basalt': ['/measure/BX00147', wiped, 'basalt'],
  'measure-off': ['/measure/BX00141', measured],
  'measure-start': ['/measure'],
  'hand-over': ['/hand-over/BX00145'],
  load: ['/load?machine=HERON&serial=BX00144'],
  passport: ['/tools/BX00143'],
  records: ['/records'],
  library: ['/library'],
  settings: ['/settings'],
}

async function measured(page) {
  await page.getByRole('button', { name: /Measure all edges/ }).click({ timeout: 30_000 })
  await page.getByRole('button', { name: /to save|Wiped|Corrected/ }).waitFor({ timeout: 60_000 })
}

async function wiped(page) {
  await measured(page)
  const wipe = page.getByRole('button', { name: /Wiped/ })
  while (await wipe.isVisible()) {
    await wipe.click()
    await page.getByRole('button', { name: /to save|Wiped|Corrected/ }).waitFor({ timeout: 60_000 })
  }
}

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
})
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
const page = await context.newPage()
await page.goto(`${base}/settings`)
await page
  .getByText('Who is working?')
  .click()
  .catch(() => {})
await page
  .getByRole('button', { name: /Ines Varga/ })
  .click()
  .catch(() => {})
for (const [name, [path, act, theme]] of Object.entries(VIEWS)) {
  if (only.length && !only.includes(name)) continue
  await page.goto(`${base}/settings`)
  await page.getByRole('button', { name: theme === 'basalt' ? /Basalt/ : /Granite/ }).click()
  await page.waitForTimeout(300)
  await page.goto(base + path)
  await act?.(page)
  await page.waitForTimeout(700)
  await page.screenshot({ path: join(folder, `${name}.png`) })
  console.log(name)
}
await browser.close()
