// Pictures of the main views from demo data: node scripts/screenshots.mjs [folder] [view …], against a running demo.
import { chromium } from '@playwright/test'
import { join } from 'node:path'

const base = process.env.BOULDER_URL ?? 'http://localhost:3000'
const [folder = join(import.meta.dirname, '..', 'docs', 'screenshots'), ...only] = process.argv.slice(2)

const VIEWS = {
  kit: ['/kit/HP-2240'],
  build: ['/build?job=HP-2207&t=12'],
  masters: ['/measure/masters', checked],
  programs: ['/measure/programs/D-0007'],
  measure: ['/measure/BX00147', onSk40],
  'measure-basalt': ['/measure/BX00147', wiped, 'basalt'],
  balance: ['/balance/BX00153', balanced],
  'hand-over': ['/hand-over/BX00145'],
  posts: ['/hand-over/posts?machine=HERON', tried],
  return: ['/return?serial=BX00143'],
  passport: ['/tools/BX00143'],
  library: ['/library'],
  store: ['/library/store?place=ELM'],
  records: ['/records'],
  plan: ['/plan'],
  magazine: ['/plan/magazine?machine=HERON'],
  load: ['/return?serial=BX00143', swapped],
  'build-heat': ['/build?job=HP-2207&t=12', heated],
  practice: ['/practice/lessons', practising],
}

/** Looked at only when named. */
const MORE = {
  jobs: ['/kit'],
  carts: ['/kit/carts?job=HP-2240'],
  labels: ['/hand-over/labels?machine=HERON', drawn],
  'measure-dirt': ['/measure/BX00141', measured],
  'balance-basalt': ['/balance/BX00153', undefined, 'basalt'],
  figures: ['/measure/BX00147/figures'],
  adjust: ['/measure/BX00141', adjusting],
  'masters-basalt': ['/measure/masters', checked, 'basalt'],
  'posts-basalt': ['/hand-over/posts?machine=HERON', tried, 'basalt'],
  definition: ['/library/tools/D-0031'],
  'setup-sheet': ['/kit/HP-2240/setup'],
  import: ['/library/import', imported],
  tag: ['/hand-over/tag?serial=BX00144'],
  settings: ['/settings'],
  slots: ['/kit/slots'],
  rules: ['/load/rules?machine=HERON'],
}

/** A list with faults in it, as far as its preview. */
async function imported(page) {
  const rows = [
    'part number,description,size,long (mm),WT',
    'KX-1,collet 10,10,34,0.07',
    'KX-2,collet 9,nine,34,0.07',
    'KX-3,collet 8,8,0,0.07',
  ]
  await page
    .getByLabel('File to import')
    .setInputFiles({ name: 'collets.csv', mimeType: 'text/csv', buffer: Buffer.from(rows.join('\r\n')) })
  await page.getByLabel('Kind of rows without one').selectOption('collet')
  await page.getByLabel('What “size” is').selectOption('DCX')
  await page.getByLabel('Unit of “size”').selectOption('mm')
  await page.getByText('is no length').waitFor()
}

/** A lesson in front of the machine, at the first tool that it is about; a lesson that runs is ended first. */
async function practising(page) {
  const end = page.getByRole('button', { name: 'End the lesson' })
  if (await end.isVisible()) {
    await end.click()
    await page.getByRole('button', { name: 'Other lessons' }).click()
  }
  await page.getByRole('button', { name: /In front of the machine/ }).click()
  await page.getByRole('button', { name: 'Begin the lesson' }).click()
  await page.getByRole('link', { name: 'Go there' }).nth(1).click()
  await page.getByTestId('practice-strip').waitFor()
  await page.getByText('offsets in').first().waitFor()
}

/** T12 as far as a hot nose in a cooling body; changes the demo, so it comes last. */
async function heated(page) {
  const big = page.getByTestId('big-action')
  await page.locator('#scan-field').fill('BX00142')
  await page.keyboard.press('Enter')
  await page.getByText('started by').waitFor()
  for (const step of [/Shank/, /Clean/, /Stop/, /Coil position OK/, /Heat it now/, /Cutter in/]) {
    await page.getByTestId('big-action').filter({ hasText: step }).waitFor({ timeout: 30_000 })
    await big.click()
  }
  await page.getByText('Built: scan').waitFor()
  await page.waitForTimeout(9000)
}

async function checked(page) {
  await page.getByTestId('big-action').filter({ hasText: 'Measure the master' }).click({ timeout: 30_000 })
  await page.getByText('Length reads').waitFor({ timeout: 60_000 })
}

/** BX00147 is SK 40: its adapter goes on the spindle and its master is measured first. */
async function onSk40(page) {
  const back = page.url()
  await page.goto(`${base}/measure/masters`)
  await page.getByLabel('On the spindle').selectOption('AD-SK40-1')
  await page.getByRole('heading', { name: 'AD-SK40-1' }).waitFor()
  await checked(page)
  await page.locator('#scan-field').fill('MS-SK40-1')
  await page.keyboard.press('Enter')
  await page.getByText('tools may be measured').first().waitFor()
  await page.goto(back)
  await measured(page)
}

async function measured(page) {
  await page.getByRole('button', { name: /Measure all edges/ }).click({ timeout: 30_000 })
  await page.getByRole('button', { name: /to save|Clean edge|Correct it/ }).waitFor({ timeout: 60_000 })
}

async function tried(page) {
  await page.getByText('The control gets the measured values.').waitFor()
}

async function drawn(page) {
  await page.getByRole('img', { name: 'The label as it would be printed' }).waitFor()
}

/** One run of the spindle's stand-in; its time is set forward. */
async function spun(page, seat) {
  await page.getByRole('button', { name: `Clamp at ${seat}°` }).click()
  await page.getByRole('button', { name: 'Shut the guard' }).click()
  await page.getByRole('button', { name: 'Shut the guard' }).waitFor({ state: 'detached' })
  await page.getByTestId('big-action').filter({ hasText: 'Start run' }).click()
  const running = page.getByRole('status').filter({ hasText: 'Run at' })
  await running.waitFor()
  await page.request.post(`${base}/api/clock`, { headers: { authorization: 'Bearer demo-token' }, data: { forwardS: 30 } })
  await running.waitFor({ state: 'detached' })
  await page.getByRole('button', { name: 'Save run' }).waitFor({ state: 'detached' })
}

/** A tool is run, and its first screw is in; changes the demo. */
async function balanced(page) {
  await spun(page, 0)
  await spun(page, 180)
  await corrected(page)
}

async function corrected(page) {
  const steps = page.getByRole('list', { name: 'To do' })
  await steps.waitFor()
  await page.getByRole('button', { name: 'Do as it says' }).click()
  await page.waitForTimeout(1000)
  await page.getByTestId('big-action').click()
  await steps.getByText('done').first().waitFor()
  await page.getByRole('button', { name: /^Turn to/ }).click()
  await page.waitForTimeout(1500)
}

/** T4 comes out of Heron, and its sister goes in as far as the tool in its pocket; changes the demo. */
async function swapped(page) {
  await page.getByRole('button', { name: /take it out/ }).click()
  await page.getByRole('button', { name: /take it out/ }).waitFor({ state: 'detached' })
  await page.getByText('Take apart').click()
  await page.getByLabel('Why').fill('job done')
  await page.getByTestId('big-action').click()
  await page.waitForURL(/tools/)
  const headers = { authorization: 'Bearer demo-token' }
  const [handover] = await (await page.request.get(`${base}/api/handovers?serial=BX00144`, { headers })).json()
  const png = await (await page.request.get(`${base}/api/handovers/${handover.id}/label.png`, { headers })).body()
  const read = await page.request.post(`${base}/api/codes/read`, {
    headers: { ...headers, 'content-type': 'image/png' },
    data: png,
  })
  const { codes } = await read.json()
  await page.goto(`${base}/load?machine=HERON&serial=BX00144&label=${encodeURIComponent(codes[0])}`)
  await page.getByLabel(/^Why: Not balanced/).fill('first part at 8,000 rev/min, watched')
  await page.getByTestId('big-action').filter({ hasText: 'Turn to pocket' }).click()
  for (const act of ['open the door', 'put it in']) await page.getByRole('button', { name: `Stand-in machine: ${act}` }).click()
  await page.getByRole('button', { name: 'Stand-in machine: shut the door' }).waitFor()
}

async function adjusting(page) {
  await measured(page)
  await page.getByRole('button', { name: 'Adjust with live reading' }).click()
  await page.waitForTimeout(1500)
  await page.getByRole('button', { name: '−5', exact: true }).click()
  await page.waitForTimeout(1500)
}

async function wiped(page) {
  await measured(page)
  const wipe = page.getByRole('button', { name: /Clean edge/ })
  while (await wipe.isVisible()) {
    await wipe.click()
    await page.getByRole('button', { name: /to save|Clean edge|Correct it/ }).waitFor({ timeout: 60_000 })
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
await page.getByRole('button', { name: /^Ines Varga/ }).click()
await page.getByRole('navigation', { name: 'Stations' }).waitFor()
for (const [name, [path, act, theme]] of Object.entries({ ...VIEWS, ...MORE })) {
  if (only.length ? !only.includes(name) : name in MORE) continue
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
