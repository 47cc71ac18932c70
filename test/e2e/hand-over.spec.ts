/** Labels, tags, posts and the record, as people use them. */
import { readFileSync } from 'node:fs'
import { expect, test } from './room'
import { BADGE, big, open, scan, TOKEN, visit } from './bench'

/** Between two keys of somebody who types: faster ones are a scan. */
const HAND_MS = 130
const auth = { headers: TOKEN, maxRetries: 2 }

test('a tag is written, spoilt, told, and put right', async ({ page }) => {
  await open(page, '/hand-over/BX00144')
  await page.getByRole('button', { name: 'Write the chip' }).click()
  await expect(page.getByText('Written and read back')).toBeVisible()
  await visit(page, '/hand-over/tag?serial=BX00144')
  await expect(page.getByTestId('tag-record')).toContainText('End mill Ø10 R1')
  await expect(page.getByRole('link', { name: 'carbide end mill Ø10 R1' })).toBeVisible()
  await page.getByText('The stand-in’s chip').click()
  await page.getByRole('button', { name: 'flip a bit' }).click()
  await expect(page.getByText('damaged')).toBeVisible()
  await page.getByRole('button', { name: 'another maker’s' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'not written by Boulder' })).toBeVisible()
  await page.getByRole('button', { name: 'a new chip' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing on the chip can be read' })).toBeVisible()
})

test('a tablet writes a chip by its own NFC, and reads it again', async ({ page }) => {
  // what Web NFC is to a page: one chip, held at the tablet, with the records that were written last
  await page.addInitScript(() => {
    class NDEFReader {
      onreading: ((event: { message: { records: unknown[] } }) => void) | null = null
      scan() {
        const bytes = sessionStorage.getItem('chip')
        const data = bytes === null ? null : new DataView(Uint8Array.from(JSON.parse(bytes) as number[]).buffer)
        const records = data ? [{ recordType: 'mime', mediaType: 'application/vnd.boulder.carrier', data }] : []
        setTimeout(() => this.onreading?.({ message: { records } }), 50)
        return Promise.resolve()
      }
      write({ records }: { records: { data: Uint8Array }[] }) {
        sessionStorage.setItem('chip', JSON.stringify([...records[0].data]))
        return Promise.resolve()
      }
    }
    Object.assign(globalThis, { NDEFReader })
  })
  await open(page, '/settings/devices', BADGE.ruth)
  await page.getByLabel('Tag reader').selectOption('nfc')
  await big(page).click()
  await expect(async () => {
    await visit(page, '/settings/devices')
    await expect(page.getByLabel('Tag reader')).toHaveValue('nfc', { timeout: 1000 })
  }).toPass()
  await visit(page, '/hand-over/BX00144')
  await page.getByRole('button', { name: 'Write the chip' }).click()
  await expect(page.getByText('Written and read back')).toBeVisible()
  await visit(page, '/hand-over/tag')
  await big(page).click()
  // as much as fits on a small chip
  await expect(page.getByTestId('tag-record')).toContainText(/BX00144.*T4.*Hand-over1/)
})

test('files into a machine’s folder, never over one that still lies there', async ({ page, room }) => {
  await open(page, '/hand-over')
  await page.getByRole('button', { name: 'Save file to folder' }).first().click()
  await expect(page.getByText(/HERON_T4_BX00144_\d\.nc is in the machine’s folder/)).toBeVisible()
  expect(readFileSync(room.data + '/drop/HERON/HERON_T4_BX00144_1.nc', 'utf8')).toContain('G10 L10 P104')
  await page.getByRole('button', { name: 'Save file to folder' }).first().click()
  await expect(page.getByRole('alert').filter({ hasText: 'is still in the folder' })).toBeVisible()
  await page.getByRole('button', { name: 'Overwrite the old file' }).click()
  await expect(page.getByText(/is in the machine’s folder/)).toBeVisible()
  const pdf = await page.request.get('/api/handovers/labels.pdf?ids=1,2&on=sheet', auth)
  expect([pdf.status(), pdf.headers()['content-type']]).toEqual([200, 'application/pdf'])
})

test('a lead writes the lines of a label; it is printed, and its code read back from the picture counts as a scan', async ({
  page,
  room,
}) => {
  await open(page, '/hand-over/labels?machine=HERON', BADGE.oda)
  const picture = page.getByRole('img', { name: 'The label as it would be printed' })
  await expect(picture).toBeVisible()
  await page.getByRole('textbox', { name: 'Line 3' }).fill('{{ sise }}')
  await expect(page.getByText('A line cannot be filled in')).toBeVisible()
  await page.getByRole('textbox', { name: 'Line 3' }).fill('{{ size }} {{ corner }}')
  await expect(picture).toBeVisible()
  await page.getByRole('textbox', { name: 'High' }).fill('8')
  await expect(page.getByText('A label is 10 to 200 mm high.')).toBeVisible()
  await page.getByRole('textbox', { name: 'High' }).fill('10')
  await expect(page.getByText('too small for its code')).toBeVisible()
  await page.getByRole('textbox', { name: 'High' }).fill('32')
  await expect(picture).toBeVisible()
  await big(page).click()
  await expect(page.getByText('Saved.', { exact: true })).toBeVisible()
  await visit(page, '/hand-over/BX00144')
  await page.getByRole('button', { name: 'Print the label' }).click()
  const said = await page.getByText(/The label is in spool\//).innerText()
  const file = `${room.data}/${/spool\/\S+\.png/.exec(said)![0]}`
  expect(readFileSync(file).subarray(1, 4).toString()).toBe('PNG')
  await visit(page, '/load?machine=HERON&serial=BX00144')
  await page.getByLabel('Read a code from a picture').setInputFiles(file)
  await expect(page.getByTestId('checks')).toContainText('Label and holder belong together.')
  await page.getByLabel('Read a code from a picture').setInputFiles('docs/screenshots/records.png')
  await expect(page.getByTestId('scan-answer')).toContainText('No code can be read')
})

test('the displays at the slots show what is known and what is still to do', async ({ page }) => {
  await open(page, '/kit/slots')
  await expect(page.locator('[data-slot="C2-1"]')).toContainText('load: Heron')
  await expect(page.locator('[data-slot="C1-3"]')).toContainText(/L 4\.\d{4}/)
})

test('a post is checked as it is typed, and a lead’s to keep', async ({ page }) => {
  await open(page, '/hand-over/posts?machine=HERON')
  await expect(page.getByText('The control gets the measured values.')).toBeVisible()
  await expect(big(page)).toBeDisabled()
  await scan(page, BADGE.oda)
  await page.locator('.cm-content').click()
  await page.keyboard.press('Control+End')
  await page.keyboard.type('G92 X0', { delay: HAND_MS })
  await expect(page.getByRole('alert').filter({ hasText: 'G92 does not belong' })).toBeVisible()
  for (let i = 0; i < 6; i++) await page.keyboard.press('Backspace')
  // as fast as a scan, but no scan: nothing of it may be lost
  await page.keyboard.type('(own)')
  await expect(page.getByTestId('post-text')).toContainText('(own)')
  await page.getByLabel('Save as').fill('heron-own')
  await expect(big(page)).toBeEnabled()
  await big(page).click()
  await expect(page.getByLabel('Template').first()).toHaveValue('heron-own')
})

test('the record is searched in one question, whole, and had as a table', async ({ page }) => {
  await open(page, '/records')
  await expect(page.getByText(/Record intact: \d+ entries/)).toBeVisible()
  await page.getByLabel('Tool').fill('T4')
  await page.getByLabel('What').selectOption('loaded')
  await page.getByRole('button', { name: 'Search' }).click()
  await expect(page.getByText('one entry')).toBeVisible()
  await expect(page.getByText(/length register empty → 11\d\.\d+/)).toBeVisible()
  const csv = await (await page.request.get('/api/records?format=csv&tool=T4&what=loaded', auth)).text()
  expect(csv.split('\r\n')[0]).toBe('seq,at,who,what,serial,t,machine,text,before,after')
  expect(csv.trim().split('\r\n')).toHaveLength(2)
  const read = async (query: string) =>
    (await (await page.request.get(`/api/records?${query}`, auth)).json()) as { seq: number; text: string; entry: unknown }[]
  const all = await read('')
  const first = await read('limit=4')
  const next = await read(`limit=4&before=${first[3].seq}`)
  expect([...first, ...next]).toEqual(all.slice(0, 8))
  expect(all.every((e) => e.text !== '' && e.entry !== null)).toBe(true)
  expect((await page.request.get('/api/records?limit=0', auth)).status()).toBe(400)
})

test('what machines and other programs ask for', async ({ request }) => {
  const code = async (path: string) => {
    const answer = await request.get(path, auth)
    return [answer.status(), ((await answer.json()) as { code?: string }).code]
  }
  expect(await (await request.get('/api/machines/HERON/tools/bx00143', auth)).json()).toMatchObject({ serial: 'BX00143', t: 4 })
  expect(await code('/api/machines/NONE/tools/BX00143')).toEqual([404, 'UNKNOWN_MACHINE'])
  expect(await code('/api/machines/HERON/tools/BX99999')).toEqual([404, 'UNKNOWN_SERIAL'])
  expect(await code('/api/machines/DIPPER/tools/BX00143')).toEqual([409, 'VALUES_DIFFER'])
  expect(await code('/api/machines/HERON/tools/BT1%3BS%3DX')).toEqual([422, 'NOT_A_LABEL'])
  const magazine = (await (await request.get('/api/machines/HERON/magazine', auth)).json()) as { pockets: unknown[] }
  expect(magazine.pockets).toHaveLength(60)
  const tag = await (await request.get('/api/handovers/1/tag.bin', auth)).body()
  expect(tag).toHaveLength(2048)
  const read = (data: Buffer) =>
    request.post('/api/tags/read', { ...auth, headers: { ...TOKEN, 'content-type': 'application/octet-stream' }, data })
  expect(await (await read(tag)).json()).toMatchObject({ slot: 'A', sequence: 1, otherSlot: 'empty', record: { id: 'BX00143' } })
  // a few hundred spoilt ones: never a crash, always a reason
  for (let i = 0; i < 200; i++) {
    const bytes = Buffer.from(tag)
    for (let k = 0; k <= i % 7; k++) bytes[(i * 131 + k * 977) % 1500] ^= 1 << ((i + k) % 8)
    const answer = await read(i % 5 ? bytes : bytes.subarray(0, (i * 37) % 2048))
    expect([200, 422]).toContain(answer.status())
  }
})
