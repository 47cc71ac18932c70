import { SI } from '@/core/units'
import { heavyHere } from '@/codecs/heavy'
import { describe, expect, it } from 'vitest'
import { SHIPPED_POSTS } from '@/codecs/post'
import { USUAL_TABLE } from '@/core/tool'
import { currentHandover } from '@/db/handover/read'
import { getMachine, getPostTemplate } from '@/db/machine/read'
import { listRecord } from '@/db/record/read'
import { dropPost, type DropFolder } from '@/stations/hand-over/drop-post'
import { keepPost, tryTemplate, type PostKeep } from '@/stations/hand-over/keep-post'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { buildTool } from '@/stations/build/build-tool'
import { codeOf, goodT4, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from '../support/tool-room'
import { refusalText } from '@/words/refusals'

function folder(): DropFolder & { readonly files: Map<string, string> } {
  const files = new Map<string, string>()
  return {
    files,
    put(machine, file, text, over) {
      const name = `${machine}/${file}`
      if (files.has(name) && !over) return 'there'
      const before = files.get(name)
      files.set(name, text)
      return () => void (before === undefined ? files.delete(name) : files.set(name, before))
    },
  }
}
const T12 = [0, 1, 2, 3, 4, 5].map((i) => ({ x: 9 + 0.001 * (i % 2), z: 152 - 0.001 * i, re: 1.2, dishDeg: 2 }))
async function released(room: ToolRoom, serial = 'BX00143') {
  valueOf(await releaseHandover(room.as('ines', 80), room.control, { serial, scanned: serial }))
  return currentHandover(room.db, serial)!.id
}
const ready = () => measured(withT4(withJobs(toolRoom())))

describe('a file in its machine’s folder', () => {
  it('is the very file that was released, and noted', async () => {
    const room = ready()
    const id = await released(room)
    const drop = folder()
    expect(valueOf(await dropPost(room.as('ines', 81), room.control, drop, { ids: [id], over: false })).file).toBe(
      'HERON_T4_BX00143_1.nc',
    )
    expect(drop.files.get('HERON/HERON_T4_BX00143_1.nc')).toBe(currentHandover(room.db, 'BX00143')!.postText)
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'posted', serial: 'BX00143', machine: 'HERON' })
  })
  it('is never written over without asking', async () => {
    const room = ready()
    const id = await released(room)
    const drop = folder()
    const put = (over: boolean) => dropPost(room.as('ines', 82), room.control, drop, { ids: [id], over })
    valueOf(await put(false))
    expect(codeOf(await put(false))).toBe('FILE_THERE')
    expect(codeOf(await put(true))).toBe('ok')
  })
  it('holds a whole kit, with the frozen values of each', async () => {
    const room = ready()
    valueOf(buildTool(room.as('ines'), 'HP-2207', 12, 'BX00141'))
    measured(room, 'BX00141', T12, 65)
    const ids = [await released(room), await released(room, 'BX00141')]
    const drop = folder()
    const { file } = valueOf(await dropPost(room.as('ines', 83), room.control, drop, { ids, over: false }))
    expect(file).toBe('HERON_2_TOOLS.nc')
    const text = drop.files.get(`HERON/${file}`)!
    expect(text).toContain('G10 L10 P4 R118.000')
    expect(text).toContain('G10 L10 P12 R152.000')
    expect(
      listRecord(room.db)
        .slice(0, 2)
        .map((e) => e.serial)
        .sort(),
    ).toEqual(['BX00141', 'BX00143'])
  })
  it('holds a sister under the T of its own that the machine gives it', async () => {
    const room = ready()
    const id = await released(room)
    measured(withT4(room, 'BX00144'), 'BX00144', goodT4(), 85)
    const drop = folder()
    const ids = [id, await released(room, 'BX00144')]
    const { file } = valueOf(await dropPost(room.as('ines', 99), room.control, drop, { ids, over: false }))
    const text = drop.files.get(`HERON/${file}`)!
    for (const row of ['G10 L10 P4 R118.000', 'G10 L10 P104 R118.000']) expect(text).toContain(row)
  })
  it('is refused for what is out of date, unknown, or there twice', async () => {
    const room = ready()
    const id = await released(room)
    const drop = folder()
    const put = (ids: number[]) => dropPost(room.as('ines', 99), room.control, drop, { ids, over: false })
    expect(codeOf(await put([id, 999]))).toBe('UNKNOWN_HANDOVER')
    // a machine that keeps no sisters has one row for both
    room.db.prepare(`UPDATE machine SET body = json_remove(body, '$.table.sisters') WHERE key = 'HERON'`).run()
    measured(withT4(room, 'BX00144'), 'BX00144', goodT4(), 85)
    expect(codeOf(await put([id, await released(room, 'BX00144')]))).toBe('T_TWICE')
    measured(room, 'BX00143', goodT4({ re: 1.01 }), 90)
    expect(codeOf(await put([id]))).toBe('SUPERSEDED')
    expect(drop.files.size).toBe(0)
  })
})

describe('a machine’s own post', () => {
  const OPTIONS: PostKeep['options'] = { ...USUAL_TABLE, sizeRegister: 'radius', decimals: 3 }
  const own = SHIPPED_POSTS['word-address-mill'].replace('BOULDER OFFSETS', 'HOLLOWBECK')
  const keep = (room: ToolRoom, change: Partial<PostKeep> = {}, person = 'oda') =>
    keepPost(
      room.as(person, 70),
      room.control,
      {
        machine: 'HERON',
        version: getMachine(room.db, 'HERON')!.version,
        name: 'heron-own',
        template: own,
        serials: ['BX00143'],
        options: OPTIONS,
        ...change,
      },
      heavyHere,
    )
  it('is kept once the control has shown that the figures arrive, with what it was before', async () => {
    const room = ready()
    valueOf(await keep(room))
    expect(getMachine(room.db, 'HERON')).toMatchObject({ post: 'heron-own' })
    expect(getPostTemplate(room.db, 'heron-own')).toBe(own)
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'post kept', machine: 'HERON', before: { post: 'word-address-mill' } })
    await released(room)
    expect(currentHandover(room.db, 'BX00143')!.postText).toContain('HOLLOWBECK')
  })
  it('is not kept when a figure would come out different, or nothing was tried', async () => {
    const room = ready()
    expect(codeOf(await keep(room, { template: own.replace('kept.size', 'kept.diameter') }))).toBe('POST_DIFFERS')
    expect(codeOf(await keep(room, { template: own.replace('{{ tool.kept.size', '{{ tool.nothing') }))).toBe('BAD_TEMPLATE')
    expect(codeOf(await keep(room, { template: `${own}\nG92 X0` }))).toBe('REFUSED')
    expect(codeOf(await keep(room, { serials: [] }))).toBe('NO_TOOL_TO_TRY')
    expect(codeOf(await keep(room, { options: { ...OPTIONS, numberFrom: 'table' } }))).toBe('REFUSED')
    expect(getMachine(room.db, 'HERON')).toMatchObject({ post: 'word-address-mill' })
  })
  it('that also writes an offset of another tool is refused when tried, kept, released and sent', async () => {
    const room = ready()
    const sly = `${own}\nG10 L10 P31 R2.5\n`
    const trial = await tryTemplate(
      room.db,
      room.control,
      { machine: 'HERON', template: sly, serials: ['BX00143'], options: OPTIONS },
      room.as('oda', 70).now,
      room.as('oda', 70).person,
      heavyHere,
    )
    expect(refusalText(valueOf(trial).wrong!, SI)).toContain('length of offset 31 from empty to 2.500 mm')
    expect(codeOf(await keep(room, { template: sly }))).toBe('POST_WRITES_OTHERS')
    // a post that was kept before anybody looked for it
    room.db.prepare("INSERT INTO post (name, template) VALUES ('old-sly', ?)").run(sly)
    room.db.prepare("UPDATE machine SET body = json_set(body, '$.post', 'old-sly') WHERE key = 'HERON'").run()
    const release = { serial: 'BX00143', scanned: 'BX00143' }
    expect(codeOf(await releaseHandover(room.as('ines', 80), room.control, release))).toBe('POST_WRITES_OTHERS')
  })
  it('is a lead’s to try as long as it is not kept', async () => {
    const room = ready()
    const trying = (template: string, who: 'ines' | 'oda' | null) =>
      tryTemplate(
        room.db,
        room.control,
        { machine: 'HERON', template, serials: ['BX00143'], options: OPTIONS },
        room.as('oda', 70).now,
        who && room.as(who, 70).person,
        heavyHere,
      )
    expect(codeOf(await trying(own, 'ines'))).toBe('LEAD_ONLY')
    expect(codeOf(await trying("{% render 'package.json' %}", null))).toBe('LEAD_ONLY')
    expect(codeOf(await trying("{% render 'package.json' %}", 'oda'))).toBe('BAD_TEMPLATE')
    expect((await trying(getPostTemplate(room.db, 'word-address-mill')!, 'ines')).ok).toBe(true)
  })
  it('is never kept under the name of one that came with Boulder', async () => {
    const room = ready()
    expect(codeOf(await keep(room, { name: 'word-address-mill' }))).toBe('STANDARD_POST')
  })
  it('is tried as it is typed, with the table as it is filled in, and nothing is kept', async () => {
    const room = ready()
    const tried = async (options = OPTIONS) =>
      valueOf(
        await tryTemplate(
          room.db,
          room.control,
          { machine: 'HERON', template: own, serials: ['BX00143'], options },
          room.as('ines', 70).now,
          room.as('oda', 70).person,
          heavyHere,
        ),
      )
    const trial = await tried()
    expect(trial.text).toContain('HOLLOWBECK')
    expect(trial.check.same).toBe(true)
    const held = (rows: typeof trial.check.rows, register: string) =>
      Number(rows.find((row) => row.register === register)?.measured)
    const wide = await tried({ ...OPTIONS, sizeRegister: 'diameter' })
    expect(held(wide.check.rows, 'diameter')).toBeCloseTo(2 * held(trial.check.rows, 'radius'), 2)
    expect(getPostTemplate(room.db, 'heron-own')).toBeNull()
    expect(getMachine(room.db, 'HERON')).toMatchObject({ sizeRegister: 'radius' })
  })
})
