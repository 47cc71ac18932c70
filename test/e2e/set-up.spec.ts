/** A shop of one's own, from nothing to its first tool: entered by forms, and pasted from a spreadsheet. */
import type { Page } from '@playwright/test'
import { big, checkBench, GO, measure, scan, visit } from './bench'
import { emptyTest, expect, FIRST_CODE, realTest } from './room'

/** The first run: the shop, and its first administrator. */
async function begin(page: Page): Promise<void> {
  await page.goto('/')
  await page.getByLabel('Code').fill(FIRST_CODE)
  await page.getByLabel('Name of the shop').fill('Larch Tools')
  await page.getByLabel('Lengths in').selectOption('inch')
  await page.getByLabel('Your name').fill('Lena Holt')
  await page.getByLabel('Short name').fill('lena')
  await page.getByLabel('Your PIN').fill('7294')
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible()
}

const HEADING = ['short name', 'name', 'coupling', 'control in', 'decimals', 'size register', 'longest tool (in)', 'pockets']
const KITE = ['KITE', 'Kite', 'CAT 40', 'inch', '4', 'diameter', '12', '20']
const MASTER = [
  ['mark on it', 'name', 'coupling', 'length', 'diameter', 'uncertainty (one sigma) (mm)', 'certificate until'],
  ['MS-CAT40-1', 'Setting master CAT 40', 'CAT 40', '5', '1.25', '0.0005', '2031-03-31'],
] as const

/** Rows as a spreadsheet gives them. */
async function paste(page: Page, list: string, ...rows: (readonly string[])[]): Promise<void> {
  await page.getByLabel('The rows are').selectOption(list)
  await page.getByLabel('Rows', { exact: true }).fill(rows.map((row) => row.join('\t')).join('\n'))
  await page.getByRole('button', { name: 'Check the rows' }).click()
}

/** Measures, hands over, labels and posts a tool that nobody planned. */
async function firstTool(page: Page): Promise<void> {
  await checkBench(page, 'AD-CAT40-1', 'MS-CAT40-1')
  await visit(page, '/measure')
  await scan(page, 'KT-001')
  await expect(page.getByLabel('Mark on the holder')).toHaveValue('KT-001')
  await expect(page.getByLabel('Taper')).toHaveValue('CAT 40')
  await page.getByLabel('Name').fill('END MILL')
  await scan(page, GO)
  await expect(page.getByRole('heading', { name: /KT-001/ }).first()).toBeVisible()
  await measure(page)
  await scan(page, 'KT-001')
  await handOver(page)
}

/** From the measured tool to its label and its file for the machine. */
async function handOver(page: Page): Promise<void> {
  await page.getByRole('combobox', { name: /^Machine/ }).selectOption({ label: 'Kite' })
  await expect(page).toHaveURL(/machine=KITE/)
  await page.getByLabel('T number').fill('7')
  await page.getByLabel('T number').press('Tab')
  await expect(page.getByText('Ready to release.')).toBeVisible()
  await expect(page.getByRole('cell', { name: /^\d\.\d{4}$/ }).first()).toBeVisible()
  await scan(page, 'KT-001')
  await expect(page.getByRole('heading', { name: 'Hand-over 1' })).toBeVisible()
  await page.getByRole('button', { name: 'Print the label' }).click()
  await expect(page.getByText(/The label is in spool\//)).toBeVisible()
  await page.getByRole('button', { name: 'Save to the machine’s folder' }).click()
  await expect(page.getByText(/KITE_T7_KT-001_1\.nc is in the machine’s folder/)).toBeVisible()
}

emptyTest(
  'a CAT 40 mill in inch, a master and an adapter are entered, and the first tool is measured and posted',
  async ({ page }) => {
    await begin(page)
    await visit(page, '/settings/machines')
    await expect(page.getByText('There is no machine yet.')).toBeVisible()
    await page.getByRole('link', { name: 'New machine' }).click()
    await expect(page).toHaveURL(/machines\/new$/)
    await expect(big(page)).toBeEnabled()
    await scan(page, GO)
    await expect(page.getByText('This must not be empty.').first()).toBeVisible()
    await page.getByLabel('Short name').fill('kite')
    await page.getByLabel('Name', { exact: true }).fill('Kite')
    await page.getByLabel('Coupling').selectOption('CAT 40')
    await page.getByLabel('Control in').selectOption('inch')
    await page.getByLabel('Decimals').fill('4')
    await page.getByLabel('Size register').selectOption('diameter')
    await page.getByLabel('Longest tool').fill('twelve')
    await scan(page, GO)
    await expect(page.getByText('This is not a number.')).toBeVisible()
    await page.getByLabel('Longest tool').fill('12')
    await scan(page, GO)
    await expect(page.getByRole('heading', { name: 'What rests on it' })).toBeVisible()
    await expect(page).toHaveURL(/machines\/KITE$/)

    await visit(page, '/settings/masters/new')
    await page.getByLabel('Mark on it').fill('ms-cat40-1')
    await page.getByLabel('Name', { exact: true }).fill('Setting master CAT 40')
    await page.getByLabel('Coupling').selectOption('CAT 40')
    await page.getByRole('textbox', { name: /^Length/ }).fill('5')
    await page.getByLabel('Diameter').fill('1.25')
    await page.getByLabel('Uncertainty').fill('0.5 um')
    await page.getByLabel('Certificate until').fill('2031-03-31')
    await scan(page, GO)
    await expect(page).toHaveURL(/masters\/MS-CAT40-1$/)

    await visit(page, '/settings/adapters/new')
    await page.getByLabel('Mark on it').fill('AD-CAT40-1')
    await page.getByLabel('Takes').selectOption('CAT 40')
    await scan(page, GO)
    await expect(page).toHaveURL(/adapters\/AD-CAT40-1$/)
    await firstTool(page)
  },
)

emptyTest(
  'the same pasted from a spreadsheet: faults are told by line and cell, and nothing is taken in before',
  async ({ page }) => {
    await begin(page)
    await visit(page, '/settings/import')
    await paste(page, 'machine', HEADING, ['KITE', 'Kite', 'CAT40', 'inch', '4', 'diameter', '12', '20'])
    const fault = page.getByRole('list', { name: 'Faults' }).getByRole('listitem')
    await expect(fault).toHaveText(/line 2.*coupling.*There is no coupling of that name/)
    await paste(page, 'machine', HEADING, KITE)
    await expect(page.getByText('One row, without a fault.')).toBeVisible()
    await page.getByRole('button', { name: 'Take the row in' }).click()
    await expect(page).toHaveURL(/settings\/machines$/)
    await expect(page.getByRole('link', { name: 'Kite' })).toBeVisible()

    const rest: [string, readonly string[], readonly string[], RegExp][] = [
      [
        'master',
        ['mark on it', 'name', 'coupling', 'length', 'diameter', 'uncertainty (one sigma) (mm)', 'certificate until'],
        ['MS-CAT40-1', 'Setting master', 'CAT 40', '5', '1.25', '0.0005', '2031-03-31'],
        /settings\/masters$/,
      ],
      ['adapter', ['mark on it', 'takes'], ['AD-CAT40-1', 'CAT 40'], /settings\/adapters$/],
      ['person', ['short name', 'name', 'role'], ['ines', 'Ines Varga', 'operator'], /settings\/people$/],
    ]
    for (const [list, columns, row, then] of rest) {
      await visit(page, '/settings/import')
      await paste(page, list, columns, row)
      await expect(big(page)).toHaveText(/Take the row in/)
      await scan(page, GO)
      await expect(page).toHaveURL(then)
    }
    await expect(page.getByRole('listitem').filter({ hasText: 'Ines Varga' })).toBeVisible()
    await firstTool(page)
  },
)

realTest(
  'without any stand-in: nothing simulated is measured, and a tool is measured by figures typed twice',
  async ({ page }) => {
    await begin(page)
    await visit(page, '/settings/devices')
    await expect(page.getByText('This server runs without stand-ins')).toBeVisible()
    await expect(page.getByRole('option', { name: /stand-in/ })).toHaveCount(0)
    for (const rows of [[HEADING, KITE] as const, MASTER]) {
      await visit(page, '/settings/import')
      await paste(page, rows === MASTER ? 'master' : 'machine', ...rows)
      await page.getByRole('button', { name: 'Take the row in' }).click()
      await expect(page).toHaveURL(/settings\/(masters|machines)$/)
    }
    await visit(page, '/measure')
    await scan(page, 'KT-001')
    await expect(page.getByLabel('Mark on the holder')).toHaveValue('KT-001')
    await page.getByLabel('Name').fill('END MILL')
    await scan(page, GO)
    await expect(page).toHaveURL(/KT-001\/figures$/)
    await page.getByLabel('Mark on the master').fill('MS-CAT40-1')
    await page.getByLabel(/^Length reads/).fill('5.0001')
    await page.getByLabel(/^Diameter reads/).fill('1.25')
    await page.getByRole('button', { name: 'Save master check' }).click()
    await expect(page.getByText('Master check saved.')).toBeVisible()
    for (const which of ['first', 'again']) {
      await page.getByLabel(`Length, ${which}`).fill('4.6127')
      await page.getByLabel(`Diameter, ${which}`).fill('0.4998')
    }
    await scan(page, 'KT-001')
    await expect(page).toHaveURL(/hand-over\/KT-001/)
    await handOver(page)
    // there is no clock to be set forward, and no hand at a simulated device
    expect((await page.request.post('/api/clock', { data: { forwardS: 60 } })).status()).toBe(404)
  },
)
