/** What a person at the bench does, for the browser tests. */
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { expect, type Page } from '@playwright/test'
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'

export const TOKEN = { authorization: 'Bearer demo-token' }
export const BADGE = { ines: 'BP1;P=ines;C=9FC7', oda: 'BP1;P=oda;C=4B04', ruth: 'BP1;P=ruth;C=BAF5' }
export const MACHINE = { heron: 'BM1;M=HERON;C=56F9', dipper: 'BM1;M=DIPPER;C=678C', bittern: 'BM1;M=BITTERN;C=DB99' }
/** The card that does what the big button does. */
export const GO = 'BC1;A=GO;C=75B7'

/** Keys with the times a scanner gives them, 3 ms apart, whatever else this machine is doing. */
async function typeFast(page: Page, text: string): Promise<void> {
  const keyboard = await page.context().newCDPSession(page)
  let timestamp = Date.now() / 1000
  const sent: Promise<unknown>[] = []
  for (const key of [...text, 'Enter']) {
    timestamp += 0.003
    const enter = key === 'Enter'
    const code = enter ? { code: 'Enter', windowsVirtualKeyCode: 13, text: '\r' } : { text: key }
    sent.push(keyboard.send('Input.dispatchKeyEvent', { type: 'keyDown', key, timestamp, ...code }))
    sent.push(keyboard.send('Input.dispatchKeyEvent', { type: 'keyUp', key, timestamp: timestamp + 0.001 }))
  }
  await Promise.all(sent)
  await keyboard.detach()
}

/** A keyboard-wedge scan: waits for the answer to the one before, and for its own. */
export async function scan(page: Page, text: string): Promise<void> {
  const answer = page.getByTestId('scan-answer')
  await expect(answer).toHaveAttribute('data-busy', 'false')
  const before = Number(await answer.getAttribute('data-scans'))
  await typeFast(page, text)
  await expect(answer).toHaveAttribute('data-scans', String(before + 1))
  await expect(answer).toHaveAttribute('data-busy', 'false')
}

export const answer = (page: Page) => page.getByTestId('scan-answer')
export const big = (page: Page) => page.getByTestId('big-action')

/** Goes to a page and waits until its script listens. */
export async function visit(page: Page, path: string): Promise<void> {
  await page.goto(path)
  await page.locator('html[data-listens]').waitFor({ state: 'attached' })
}

/** The same page anew. */
export async function again(page: Page): Promise<void> {
  await page.reload()
  await page.locator('html[data-listens]').waitFor({ state: 'attached' })
}

/** Opens a page, and signs in. */
export async function open(page: Page, path: string, badge = BADGE.ines): Promise<void> {
  await visit(page, path)
  await scan(page, badge)
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeVisible()
}

/** Puts the adapter for a taper on the spindle and checks the bench with its master. */
export async function checkBench(page: Page, adapter: string, mark: string): Promise<void> {
  await visit(page, '/measure/masters')
  await scan(page, adapter)
  await expect(page.getByRole('heading', { name: adapter })).toBeVisible()
  await expect(big(page)).toHaveText(/Measure the master/, { timeout: 60_000 })
  await scan(page, GO)
  await expect(big(page)).toHaveText(/Scan MS-/, { timeout: 60_000 })
  await scan(page, mark)
  await expect(answer(page)).toContainText('tools may be measured')
}

/** Measures all edges by the action card, wiping whatever is found; leaves the sheet ready to save. */
export async function measure(page: Page): Promise<void> {
  await expect(big(page)).toHaveText(/Measure all edges/, { timeout: 60_000 })
  await scan(page, GO)
  for (let wipes = 0; wipes < 4; wipes++) {
    await expect(big(page)).toHaveText(/to save|Clean edge|Correct it|Measure again/, { timeout: 60_000 })
    if (!/Clean edge/.test((await big(page).textContent()) ?? '')) return
    await expect(page.getByText(/high: clean here/).first()).toBeVisible()
    await scan(page, GO)
  }
}

/** The text in a label's code, decoded from its printed picture by a separate library. */
export async function labelText(page: Page, serial: string): Promise<string> {
  const list = (await (await page.request.get(`/api/handovers?serial=${serial}`, { headers: TOKEN, maxRetries: 2 })).json()) as {
    id: number
    current: boolean
  }[]
  const current = list.find((h) => h.current)!
  const png = await (await page.request.get(`/api/handovers/${current.id}/label.png`, { headers: TOKEN, maxRetries: 2 })).body()
  const wasm = readFileSync(createRequire(import.meta.url).resolve('zxing-wasm/reader/zxing_reader.wasm'))
  await prepareZXingModule({
    overrides: { wasmBinary: wasm.buffer.slice(wasm.byteOffset, wasm.byteOffset + wasm.length) as ArrayBuffer },
    fireImmediately: true,
  })
  const [code] = await readBarcodes(new Blob([new Uint8Array(png)]), { formats: ['DataMatrix'] })
  return code.text
}

/** What somebody at the machine does, past the application: the door, the tool. */
export async function atMachine(page: Page, machine: string, ...acts: readonly string[]): Promise<void> {
  const port = Number(new URL(page.url()).port) + 1
  for (const act of acts) {
    const done = await page.request.post(`http://127.0.0.1:${port}/machines/${machine}/hand`, {
      data: { do: act },
      maxRetries: 2,
    })
    expect(done.status(), await done.text()).toBe(200)
  }
}

/** A reason for everything that Load asks about. */
export async function giveReasons(page: Page): Promise<void> {
  for (const field of await page.getByLabel(/^Why: /).all()) await field.fill('trial cut')
}

/** After the scans: claims and turns by the action card, puts the tool in by hand, sends by the card. */
export async function putIn(page: Page, machine: string): Promise<void> {
  await expect(big(page)).toHaveText(/Turn to pocket|Give a reason/)
  await giveReasons(page)
  await expect(big(page)).toHaveText(/Turn to pocket/)
  await scan(page, GO)
  await expect(page.locator('[data-step=open]')).toHaveAttribute('data-state', 'now')
  await atMachine(page, machine, 'open')
  await expect(page.locator('[data-step=in]')).toHaveAttribute('data-state', 'now')
  await atMachine(page, machine, 'put', 'shut')
  await expect(big(page)).toHaveText(/Send offsets to/)
  await scan(page, GO)
  await expect(page.getByText(/offsets written and read back/).first()).toBeVisible()
}

/** What the control stand-in holds, asked past the application. */
export async function controlTable(page: Page, machine: string): Promise<Record<string, Record<string, number>>> {
  const port = Number(new URL(page.url()).port) + 1
  return (
    (await (await page.request.get(`http://127.0.0.1:${port}/machines/${machine}/table`, { maxRetries: 2 })).json()) as {
      tools: Record<string, Record<string, number>>
    }
  ).tools
}
