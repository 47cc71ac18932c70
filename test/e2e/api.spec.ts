/** The front doors, as a program from outside meets them. */
import { readdirSync } from 'node:fs'
import { expect, lookingTest as test } from './room'
import { strToU8, zipSync } from 'fflate'
import { TOKEN } from './bench'

const zipType = { ...TOKEN, 'content-type': 'application/zip' }
const textType = { ...TOKEN, 'content-type': 'text/plain' }

test('the door: health is open, the rest wants the token', async ({ request }) => {
  expect(await (await request.get('/api/health')).json()).toMatchObject({
    status: 'ok',
    schema: readdirSync('src/db/migrations').length,
  })
  for (const path of ['/api/machines', '/api/assemblies', '/api/handovers', '/api/nothing'])
    expect((await request.get(path)).status()).toBe(401)
  expect((await request.get('/api/machines', { headers: { authorization: 'Bearer wrong' } })).status()).toBe(401)
  const machines = (await (await request.get('/api/machines', { headers: TOKEN, maxRetries: 2 })).json()) as {
    key: string
    unit: string
  }[]
  expect(machines.map((m) => [m.key, m.unit])).toEqual([
    ['BITTERN', 'mm'],
    ['DIPPER', 'inch'],
    ['GREBE', 'mm'],
    ['HERON', 'mm'],
    ['WAGTAIL', 'mm'],
  ])
  const all = (await (
    await request.get('/api/assemblies?t=&machine=&state=', { headers: TOKEN, maxRetries: 2 })
  ).json()) as unknown[]
  expect(all.length).toBeGreaterThan(3)
  const lost = await request.get('/api/nothing', { headers: TOKEN, maxRetries: 2 })
  expect([lost.status(), lost.headers()['content-type']]).toEqual([404, 'application/problem+json'])
})

test('frame sets that cannot be used: nothing crashes, the file is named', async ({ request }) => {
  const post = async (data: Buffer, headers: Record<string, string> = zipType) => {
    const response = await request.post('/api/measure/frames', { headers, data })
    return [response.status(), ((await response.json()) as { code: string; detail: string }).code] as const
  }
  expect(await post(Buffer.from('no zip'))).toEqual([422, 'BAD_FRAMESET'])
  expect(await post(Buffer.alloc(5000))).toEqual([422, 'BAD_FRAMESET'])
  expect(await post(Buffer.from('x'), textType)).toEqual([415, 'WRONG_TYPE'])
  expect(await post(Buffer.alloc(200 * 2 ** 20))).toEqual([413, 'TOO_LARGE'])
  const header = {
    format: 'boulder-frameset/1',
    mmPerPixel: { x: 0.01, z: 0.01 },
    frames: [{ file: 'gone.png', edge: 1, centreX: 0, centreZ: 0 }],
  }
  const missing = await request.post('/api/measure/frames', {
    headers: zipType,
    data: Buffer.from(zipSync({ 'frameset.json': strToU8(JSON.stringify(header)) })),
  })
  expect(missing.status()).toBe(422)
  expect(((await missing.json()) as { detail: string }).detail).toContain('gone.png')
})

test('programs and labels: what is wrong is said by its code', async ({ request }) => {
  const program = (data: string, kind = 'mill') => request.post(`/api/programs/tools?kind=${kind}`, { headers: textType, data })
  expect(await (await program('G21\nT3 M6 (DRILL)\nG43 H3 Z1 S900')).json()).toEqual({
    units: 'mm',
    tools: [{ t: 3, changes: [{ line: 2 }], h: [3], d: [], maxSpindle: 900, name: 'DRILL' }],
    warnings: [],
  })
  expect((await program('hello')).status()).toBe(422)
  expect((await program('G21', 'loom')).status()).toBe(400)
  const label = async (data: string) => {
    const response = await request.post('/api/labels/read', { headers: textType, data })
    return [response.status(), ((await response.json()) as { code: string }).code]
  }
  expect(await label('hello')).toEqual([422, 'NOT_A_LABEL'])
  expect(await label('BT1;S=BX00142;I=7;T=12;M=HERON;L=152.3140;X=9.9987;E=1.4981;U=MM;A=2611251042;C=0000')).toEqual([
    422,
    'BAD_CRC',
  ])
  expect(await label(`BT1;${'x'.repeat(5000)}`)).toEqual([413, 'TOO_LARGE'])
})

test('a measured tool is told what is most likely wrong with it, and a case that is none is refused', async ({ request }) => {
  const ask = (data: object) => request.post('/api/advise', { headers: { ...TOKEN, 'content-type': 'application/json' }, data })
  const edges = [0, 25, 0, 0.5].map((um, i) => ({ edge: i + 1, deg: 90 * i, x: 5 + um / 1000, z: 120 }))
  const tool = {
    ...{ kind: 'solid', clamping: 'shrink', edges, sigma: { x: 0.001, z: 0.0015 } },
    limits: { LF: [119.9, 120.1], DC: [9.97, 10.03], runout: 0.012 },
  }
  const told = (await (await ask(tool)).json()) as { causes: { code: string; edge?: number; p: number }[] } & Record<
    string,
    unknown
  >
  expect(told).toMatchObject({ verdict: 'out', tellable: true })
  expect((told.next as { code: string }[])[0].code).toBe('WIPE')
  expect(told.causes[0]).toMatchObject({ code: 'EDGE_HIGH', edge: 2 })
  expect(told.causes.reduce((sum, c) => sum + c.p, 0)).toBeCloseTo(1, 6)
  expect(told.words).toMatch(/^Most likely edge 2 is 2\d µm high/)
  for (const wrong of [{ edges: [] }, { limits: { ...tool.limits, LF: [120.1, 119.9] } }, { sigma: { x: 0, z: 0.001 } }])
    expect((await ask({ ...tool, ...wrong })).status()).toBe(422)
  expect((await ask({ ...tool, kind: 'saw' })).status()).toBe(400)
})

test('a magazine is planned for jobs in their order, and one that is too small is refused', async ({ request }) => {
  const ask = (data: object) =>
    request.post('/api/plan/magazine', { headers: { ...TOKEN, 'content-type': 'application/json' }, data })
  const jobs = [
    ['A', 'B'],
    ['C', 'B', 'B'],
    ['A', 'C'],
  ]
  expect(await (await ask({ pockets: 2, jobs, loaded: ['B'] })).json()).toEqual({
    switches: 3,
    steps: [
      { job: 0, load: ['A'], unload: [] },
      { job: 1, load: ['C'], unload: ['A'] },
      { job: 2, load: ['A'], unload: ['B'] },
    ],
  })
  for (const wrong of [
    { pockets: 1, jobs },
    { pockets: 3, jobs, loaded: ['A', 'A'] },
    { pockets: 1, jobs: [], loaded: ['A', 'B'] },
  ]) {
    const response = await ask(wrong)
    expect([response.status(), ((await response.json()) as { code: string }).code]).toEqual([422, 'BAD_MAGAZINE'])
  }
})

test('an unbalance is corrected with screws, rings or a drill, and what is wrong is said', async ({ request }) => {
  const ask = (data: object) =>
    request.post('/api/balance/solve', { headers: { ...TOKEN, 'content-type': 'application/json' }, data })
  const tool = { massKg: 1.2, rpm: 12000, grade: 6.3, planes: [{ z: 20, unbalance: { gmm: 23, deg: 255 } }] }
  const holes = Array.from({ length: 12 }, (_, i) => ({ plane: 0, deg: 30 * i }))
  const screws = { kind: 'screws', radiusMm: 20, holes, massesG: [0.8] }
  const done = (await (await ask({ ...tool, correction: screws })).json()) as {
    planes: { permittedGmm: number; residual: { gmm: number } }[]
    steps: { hole: number; massG: number }[]
    words: string
    gradeReached: number
    exact: boolean
  }
  // 9549.2966 · G · m / n, ISO 21940-11
  expect(done.planes[0].permittedGmm).toBeCloseTo((9549.2966 * 6.3 * 1.2) / 12000, 4)
  expect(done.planes[0].residual.gmm).toBeLessThanOrEqual(0.3727)
  expect(done.steps.every(({ massG }) => massG === 0.8)).toBe(true)
  expect(done.gradeReached).toBeCloseTo((6.3 * done.planes[0].residual.gmm) / done.planes[0].permittedGmm, 9)
  expect(done.words).toContain('Put a 0.80 g screw into the hole at')
  expect((await (await ask({ ...tool, correction: { ...screws, massesG: [] } })).json()) as object).toMatchObject({ steps: [] })
  const rings = {
    kind: 'rings',
    rings: [
      { plane: 0, gmm: 30 },
      { plane: 0, gmm: 30 },
    ],
  }
  const turned = (await (await ask({ ...tool, correction: rings })).json()) as { steps: { ring: number; deg: number }[] }
  const away = Math.acos(23 / 60) * (180 / Math.PI)
  expect(turned.steps.map(({ deg }) => Math.round(deg))).toEqual([Math.round(75 + away), Math.round(75 - away)])
  const bad = async (data: object) => {
    const response = await ask({ ...tool, correction: screws, ...data })
    return [response.status(), ((await response.json()) as { code: string }).code]
  }
  for (const wrong of [{ massKg: 0 }, { rpm: -1 }, { grade: 0 }, { planes: [] }, { correction: { kind: 'rings', rings: [] } }])
    expect(await bad(wrong)).toEqual([422, 'BAD_BALANCE'])
  expect(await bad({ planes: [tool.planes[0], tool.planes[0]] })).toEqual([422, 'BAD_BALANCE'])
  expect(await bad({ correction: { ...screws, holes: [{ plane: 1, deg: 0 }] } })).toEqual([422, 'BAD_BALANCE'])
  expect(await bad({ correction: { kind: 'hammer' } })).toEqual([400, 'BAD_REQUEST'])
})

test('a post preview never touches the live table', async ({ request, room }) => {
  const port = Number(new URL(room.url).port) + 1
  const table = async () => await (await request.get(`http://127.0.0.1:${port}/machines/HERON/table`)).text()
  const before = await table()
  const ask = (data: object) =>
    request.post('/api/posts/preview', { headers: { ...TOKEN, 'content-type': 'application/json' }, data })
  const preview = (await (await ask({ machine: 'HERON', assemblies: ['BX00144'] })).json()) as {
    text: string
    check: { same: boolean; rows: unknown[] }
  }
  expect(preview.text).toMatch(/G10 L10 P104 R11[78]\.\d{3}\n/)
  expect([preview.check.same, preview.check.rows.length]).toEqual([true, 4])
  expect(await table()).toBe(before)
  expect((await ask({ machine: 'NOPE', assemblies: ['BX00144'] })).status()).toBe(404)
  expect((await ask({ machine: 'HERON', assemblies: ['BX99999'] })).status()).toBe(404)
  expect((await ask({ machine: 'HERON', assemblies: ['BX00147'] })).status()).toBe(422)
  expect((await ask({ machine: 'HERON' })).status()).toBe(400)
})

test('a few hundred spoilt programs, labels and scans: an answer with a reason to each, never a crash', async ({ request }) => {
  // a small generator of its own, so that a failure can be had again
  let seed = 7
  const next = (n: number) => (seed = (seed * 1_103_515_245 + 12_345) % 2 ** 31) % n
  const spoil = (text: string) => {
    const bytes = [...text]
    for (let k = 0; k <= next(6); k++) {
      const at = next(bytes.length + 1)
      if (next(3) === 0) bytes.splice(at, next(8))
      else
        bytes.splice(
          at,
          next(2),
          String.fromCharCode([0, 10, 35, 37, 40, 41, 59, 61, 77, 84, 91, 126, 0xd8, 0x2028, 0xd800][next(15)]),
        )
    }
    return bytes.join('')
  }
  const program = 'O1000\nG21 G90\nT12 M6 (END MILL)\nG43 H12 Z50.\nS8000 M3\nG1 X10. F500\nT0303\nG96 S200\nM30\n%'
  const label = 'BT1;S=BX00143;I=1;T=4;M=HERON;L=118.0393;X=5.0003;E=0.9970;U=MM;A=2611251042;C=C36C'
  const targets = [
    { url: '/api/programs/tools?kind=mill', text: program, codes: [200, 400, 422] },
    { url: '/api/programs/tools?kind=lathe', text: program, codes: [200, 400, 422] },
    { url: '/api/labels/read', text: label, codes: [200, 400, 404, 409, 422] },
  ]
  for (let i = 0; i < 300; i++) {
    const { url, text, codes } = targets[i % targets.length]
    const answer = await request.post(url, { headers: textType, data: Buffer.from(spoil(text)), maxRetries: 2 })
    expect(codes, await answer.text()).toContain(answer.status())
  }
  for (let i = 0; i < 60; i++) {
    const part = spoil(i % 2 ? label : 'BX00143')
      .slice(0, 200)
      .replace(/[\ud800-\udfff]/g, '?')
    const code = encodeURIComponent(part) || 'X'
    const answer = await request.get(`/api/machines/HERON/tools/${code}`, { headers: TOKEN, maxRetries: 2 })
    expect([200, 400, 404, 409, 422], await answer.text()).toContain(answer.status())
  }
})
