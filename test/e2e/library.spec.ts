/** The library and the store as a person uses them. */
import { type Page } from '@playwright/test'
import { expect, test } from './room'
import { answer, BADGE, big, GO, open, scan, TOKEN, visit } from './bench'

const file = (name: string, text: string, mimeType = 'text/csv') => ({ name, mimeType, buffer: Buffer.from(text) })
const rows = (page: Page) => page.getByRole('table', { name: 'Parts' }).getByRole('row')

test('parts are filtered by word, kind and size, sorted, and opened', async ({ page }) => {
  await open(page, '/library')
  await page.getByLabel('Kind').selectOption('collet')
  await expect(page.getByText(/^38 of \d+$/)).toBeVisible()
  await page.getByLabel(/^Ø/).fill('1/2 in')
  await expect(page.getByText(/^0 of/)).toBeVisible()
  await page.getByLabel(/^Ø/).fill('10')
  await expect(page.getByText(/^4 of/)).toBeVisible()
  await page.getByLabel(/^Ø/).fill('')
  await page.getByRole('button', { name: /^Ø/ }).click()
  const sizes = async () => (await page.locator('[aria-label=Parts] [role=cell]:nth-child(3)').allTextContents()).map(Number)
  const ordered = (way: 1 | -1) => async () => {
    const all = await sizes()
    return all.length > 5 && all.every((size, i) => i === 0 || way * (size - all[i - 1]) >= 0)
  }
  await expect.poll(ordered(1)).toBe(true)
  await page.getByRole('button', { name: /^Ø/ }).click()
  await expect.poll(ordered(-1)).toBe(true)
  await page.getByLabel('Any word or number').fill('size 16, 5')
  await rows(page).filter({ hasText: 'collet size 16, 5–4' }).getByRole('link').click()
  await expect(page.getByRole('heading', { name: /collet size 16, 5–4/ })).toBeVisible()
})

test('a part is added by its form: what is wrong is said at the field, nothing is stored', async ({ page }) => {
  await open(page, '/library/parts/new?kind=collet')
  await page.getByLabel('Number', { exact: true }).fill('K25-NEW')
  await page.getByLabel('Name', { exact: true }).fill('collet size 25, 12.7')
  await page.getByLabel(/collet system/).selectOption('ISO 15488')
  await page.getByLabel(/collet size/).fill('25')
  await page.getByLabel(/largest diameter/).fill('0')
  await page.getByLabel(/overall length/).fill('34')
  await big(page).click()
  await expect(page.getByText(/Between 0.10 mm and/)).toBeVisible()
  await expect(page.getByText('Required.')).toBeVisible()
  await page.getByLabel(/largest diameter/).fill('1/2 in')
  await page.getByLabel(/^mass/).fill('0.07')
  await big(page).click()
  await expect(page.getByRole('heading', { name: /collet size 25, 12.7/ })).toBeVisible()
  await expect(page.getByText('12.7 mm')).toBeVisible()
  await page.getByRole('button', { name: 'Receive' }).click()
  await expect(page.getByRole('cell', { name: 'received' })).toBeVisible()
  await page.getByRole('button', { name: 'undo' }).click()
  await expect(page.getByRole('cell', { name: /undoes/ })).toBeVisible()
})

test('a list of parts: columns are mapped, a missing unit is a fault, all or nothing is imported', async ({ page }) => {
  await open(page, '/library/import', BADGE.oda)
  const csv = (dia: string) =>
    `part number,description,biggest ${dia},long (mm),WT\r\nQ-1,"collet, 1",10,34,0.07\r\nQ-2,collet 2,nine,34,0.07\r\nQ-3,collet 3,8,0,0.07\r\n`
  await page.getByLabel('File to import').setInputFiles(file('collets.csv', csv('')))
  await page.getByLabel('Kind of rows without one').selectOption('collet')
  await expect(page.getByText(/rows:/)).toContainText('faults')
  await page.getByLabel('What “biggest” is').selectOption('DCX')
  await expect(page.getByText(/has no unit. Choose mm or inch/).first()).toBeVisible()
  await page.getByLabel('Unit of “biggest”').selectOption('mm')
  await page.getByLabel('What “long (mm)” is').selectOption('OAL')
  await page.getByLabel('Unit of “long (mm)”').selectOption('mm')
  await expect(page.getByText('“nine” is not a length.')).toBeVisible()
  await expect(
    page
      .getByText(/overall length \(OAL\) 0 is outside/)
      .or(page.getByText(/missing/))
      .first(),
  ).toBeVisible()
  await expect(big(page)).toBeDisabled()
  const all = (await (await page.request.get('/api/library/parts', { headers: TOKEN, maxRetries: 2 })).json()) as { id: string }[]
  expect(all.some((p) => p.id === 'Q-1')).toBe(false)
  const good =
    'id,name,kind,colletSystem,colletSize,DCX [mm],OAL [mm],WT\r\nQ-1,collet 1,collet,ISO 15488,25,10,34,0.07\r\nQ-2,collet 2,collet,ISO 15488,25,9,34,0.07\r\n'
  await page.getByLabel('File to import').setInputFiles(file('good.csv', good))
  await page.getByLabel('Kind of rows without one').selectOption('')
  await expect(page.getByText('2 rows: all 2 can be imported')).toBeVisible()
  await big(page).click()
  await expect(page.getByText('2 parts were imported.')).toBeVisible()
})

test('a tool is changed: a new version, and a drawing with splines is refused', async ({ page }) => {
  await open(page, '/library/tools/D-0006')
  await page.getByText('Change it: a new version').click()
  // limits are a lead's
  await expect(page.getByText('Only a lead can add or change a tool')).toBeVisible()
  await expect(page.getByRole('button', { name: /Save as version 2/ })).toBeDisabled()
  await scan(page, BADGE.oda)
  await expect(page.getByText('Only a lead can add or change a tool')).toBeHidden()
  await page
    .getByLabel('DXF contour')
    .setInputFiles(
      file(
        's.dxf',
        '0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\nSPLINE\n8\n0\n70\n8\n71\n3\n72\n0\n73\n0\n74\n0\n0\nENDSEC\n0\nEOF\n',
      ),
    )
  await expect(page.getByText(/Turn splines into arcs first/)).toBeVisible()
  const drawn = await (await page.request.get('/api/definitions/D-0012/contour.dxf', { headers: TOKEN, maxRetries: 2 })).text()
  await page.getByLabel('DXF contour').setInputFiles(file('c.dxf', drawn))
  await expect(page.getByRole('button', { name: /Contour of \d+ pieces/ })).toBeVisible()
  await page.getByLabel(/^Life/).fill('50')
  await page.getByRole('button', { name: /Save as version 2/ }).click()
  await expect(page.getByRole('heading', { name: /D-0006, version 2/ })).toBeVisible()
  await expect(page.getByRole('img', { name: /Nominal contour/ })).toBeVisible()
  await page
    .getByLabel(/^Program speed/)
    .first()
    .waitFor({ state: 'attached' })
  await page.goto('/library/tools/D-0006?version=1')
  await expect(page.getByText('(superseded)')).toBeVisible()
})

test('the store: a part is found, its drawer lights up, furniture moves by keys', async ({ page }) => {
  await open(page, '/library/store')
  await page.getByLabel('Find a part').fill('insert S12')
  await page.getByRole('button', { name: /ELM-5/ }).click()
  await expect(page.getByRole('heading', { name: /Elm/ })).toBeVisible()
  await expect(page.getByText('insert S12 r0.8').last()).toBeVisible()
  const cabinet = page.getByRole('button', { name: 'Move Cart 2' })
  const before = (await cabinet.boundingBox())!.x
  await cabinet.focus()
  await page.keyboard.press('ArrowRight')
  await expect.poll(async () => (await cabinet.boundingBox())!.x).toBeGreaterThan(before + 10)
})

test('a job is fetched by scan of the drawer, a collet tool is built by its steps', async ({ page }) => {
  await open(page, '/kit/HP-4102')
  await expect(page.getByRole('heading', { name: /^Pick/ })).toBeVisible()
  const list = page.getByRole('list', { name: 'Pick list' })
  await scan(page, 'N32B')
  await expect(answer(page)).toContainText('2 × nut size 32, balanced taken for HP-4102')
  await expect(list.getByText('● here')).toHaveCount(1)
  await list.getByRole('button', { name: /put back 2/ }).click()
  await expect(list.getByText('● here')).toHaveCount(0)
  await visit(page, '/build?job=HP-4102&t=2')
  await scan(page, 'BX00171')
  await expect(page.getByText('on BX00171, started by Ines Varga')).toBeVisible()
  const seen: string[] = []
  for (;;) {
    await expect(big(page)).toHaveText(/: done|Built: scan BX00171/)
    const step = /^(.*): done/.exec((await big(page).textContent()) ?? '')?.[1]
    if (step === undefined) break
    expect(seen).not.toContain(step)
    seen.push(step)
    await scan(page, GO)
    await expect(big(page)).not.toHaveText(new RegExp(`^${step}: done`))
  }
  for (const step of ['Shank', 'Clean', 'Collet into nut', 'Length', 'Tighten']) expect(seen).toContain(step)
  await scan(page, 'BX00171')
  await expect(page.getByRole('heading', { name: /on BX00171/ })).toBeVisible()
  await page.getByRole('button', { name: 'Take apart …' }).click()
  await page.getByRole('button', { name: 'Save: taken apart' }).click()
  await expect(page.getByRole('heading', { name: /no tool on it/ })).toBeVisible()
})

test('setup sheet and exports are files that open', async ({ request }) => {
  const get = async (path: string) => request.get(path, { headers: TOKEN, maxRetries: 2 })
  const pdf = await get('/api/jobs/HP-2240/setup-sheet.pdf')
  expect([pdf.status(), (await pdf.body()).subarray(0, 5).toString()]).toEqual([200, '%PDF-'])
  expect(await (await get('/api/library/parts.csv')).text()).toContain('\r\nC-EM18R12,solid-cutter,')
  expect(((await (await get('/api/library/library.json')).json()) as { format: string }).format).toBe('boulder-library/1')
  expect(await (await get('/api/definitions/D-0012/archetype.xml')).text()).toContain(
    '<FunctionalLength code="LF" units="MILLIMETER" nominal="152"',
  )
  expect(await (await get('/api/definitions/D-0012/contour.dxf')).text()).toContain('ENTITIES')
  for (const lost of [
    '/api/jobs/NOPE/setup-sheet.pdf',
    '/api/definitions/NOPE/archetype.xml',
    '/api/definitions/NOPE/contour.dxf',
  ])
    expect((await get(lost)).status()).toBe(404)
})
