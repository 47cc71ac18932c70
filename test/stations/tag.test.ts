import { describe, expect, it } from 'vitest'
import { decodeTag, encodeFreshTag } from '@/codecs/tag'
import { currentHandover } from '@/db/handover/read'
import { listRecord } from '@/db/record/read'
import { simulatedTag, type SimulatedTag, type TagStore } from '@/devices/tag/simulated'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { carrierTag, noteNfc, prepareNfc } from '@/stations/hand-over/nfc'
import { tagRecordOf } from '@/stations/hand-over/tag-record'
import { readTagNow, writeTag } from '@/stations/hand-over/write-tag'
import { codeOf, goodT4, measured, toolRoom, valueOf, withJobs, withT4 } from '../support/tool-room'

const store = (bytes = new Uint8Array(2048)) => {
  const tags = new Map<string, SimulatedTag>([['BX00143', { bytes, lostAfter: null }]])
  return { get: (s) => tags.get(s) ?? null, put: (s, tag) => void tags.set(s, tag) } satisfies TagStore
}
async function released() {
  const room = measured(withT4(withJobs(toolRoom())))
  valueOf(await releaseHandover(room.as('ines', 61), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
  return room
}
async function again(room: Awaited<ReturnType<typeof released>>, minutes: number) {
  measured(room, 'BX00143', goodT4({ re: 1 + minutes / 10_000 }), minutes)
  valueOf(await releaseHandover(room.as('ines', minutes + 1), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
}

describe('writing a tag', () => {
  it('puts the frozen values and the parts list on it, reads them back, and notes it', async () => {
    const room = await released()
    const tags = store()
    const tag = simulatedTag(tags, 'BX00143')
    expect(valueOf(await writeTag(room.as('ines', 62), tag, 'BX00143'))).toEqual({ sequence: 1, repaired: false })
    const { record } = valueOf(await readTagNow(tag))
    expect(record).toEqual(JSON.parse(JSON.stringify(tagRecordOf(room.db, currentHandover(room.db, 'BX00143')!))))
    expect(record).toMatchObject({ id: 'BX00143', t: 4, iss: 1, m: 'HERON', taper: 'HSK-A63', n: 4 })
    expect(record.lf).toBeCloseTo(118, 2)
    expect(record.bom).toEqual(expect.arrayContaining(['C-EM10R10']))
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'tag written', serial: 'BX00143', before: null })
  })
  it('pulled away after any block it says the old record; held still, the new one', async () => {
    const room = await released()
    const tags = store()
    const tag = simulatedTag(tags, 'BX00143')
    valueOf(await writeTag(room.as('ines', 62), tag, 'BX00143'))
    await again(room, 70)
    const before = tags.get('BX00143')!.bytes
    for (let after = 0; ; after++) {
      tags.put('BX00143', { bytes: before, lostAfter: after })
      const done = await writeTag(room.as('ines', 72), tag, 'BX00143')
      const { record } = valueOf(await readTagNow(tag))
      if (done.ok) {
        expect(record.iss).toBe(2)
        expect(after).toBeGreaterThan(10)
        break
      }
      expect(codeOf(done)).toBe('LOST')
      expect(record.iss).toBe(1)
    }
  })
  it('repairs a damaged half with the next write', async () => {
    const room = await released()
    const tags = store()
    const tag = simulatedTag(tags, 'BX00143')
    valueOf(await writeTag(room.as('ines', 62), tag, 'BX00143'))
    await again(room, 70)
    valueOf(await writeTag(room.as('ines', 72), tag, 'BX00143'))
    const { bytes } = tags.get('BX00143')!
    bytes[16 + 30] ^= 8
    tags.put('BX00143', { bytes, lostAfter: null })
    expect(valueOf(await writeTag(room.as('ines', 73), tag, 'BX00143'))).toEqual({ sequence: 3, repaired: true })
    expect(valueOf(decodeTag(tags.get('BX00143')!.bytes))).toMatchObject({ slot: 'A', otherSlot: 'valid' })
  })
  it('a small carrier takes what says which tool it is', async () => {
    const room = await released()
    const tag = simulatedTag(store(new Uint8Array(512)), 'BX00143')
    valueOf(await writeTag(room.as('ines', 62), tag, 'BX00143'))
    expect(valueOf(await readTagNow(tag)).record).toEqual({ id: 'BX00143', t: 4, iss: 1 })
  })
  it('refuses another holder’s tag, another maker’s, none at all, and a tool that was not handed over', async () => {
    const room = await released()
    const tags = store()
    valueOf(await writeTag(room.as('ines', 62), simulatedTag(tags, 'BX00143'), 'BX00143'))
    tags.put('BX00144', tags.get('BX00143')!)
    const write = (t: TagStore, serial: string, lies = serial) => writeTag(room.as('ines', 63), simulatedTag(t, lies), serial)
    measured(withT4(room, 'BX00144'), 'BX00144', goodT4(), 64)
    expect(codeOf(await write(tags, 'BX00144'))).toBe('NO_HANDOVER')
    valueOf(await releaseHandover(room.as('ines', 65), room.control, { serial: 'BX00144', scanned: 'BX00144' }))
    expect(codeOf(await write(tags, 'BX00144'))).toBe('OTHER_TAG')
    const foreign = store(Uint8Array.from({ length: 2048 }, (_, i) => (i * 31) & 0xff))
    expect(codeOf(await write(foreign, 'BX00143'))).toBe('FOREIGN')
    expect(codeOf(await write(store(), 'BX00144'))).toBe('NO_TAG')
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'refused' })
  })
})

describe('a chip that a tablet writes', () => {
  const NFC = { serial: 'BX00143', bytes: null }
  it('notes what was read back, whoever wrote it', async () => {
    const room = await released()
    const { bytes } = valueOf(await prepareNfc(room.db, NFC))
    expect(Buffer.from(bytes, 'base64')).toHaveLength(512)
    expect(valueOf(await noteNfc(room.as('ines', 62), { serial: 'BX00143', bytes }))).toEqual({ sequence: 1, repaired: false })
    expect(listRecord(room.db)[0]).toMatchObject({ what: 'tag written', serial: 'BX00143' })
    expect(valueOf(await readTagNow(carrierTag(bytes))).record).toMatchObject({ id: 'BX00143', t: 4, iss: 1 })
    // the next one keeps this one beside it
    await again(room, 70)
    const next = valueOf(await prepareNfc(room.db, { serial: 'BX00143', bytes }))
    expect(valueOf(await readTagNow(carrierTag(next.bytes)))).toMatchObject({
      sequence: 2,
      otherSlot: 'valid',
      record: { iss: 2 },
    })
    expect(codeOf(await noteNfc(room.as('ines', 72), { serial: 'BX00143', bytes }))).toBe('TAG_READ_BACK')
  })
  it('of another holder is not written over; one with something else on it is begun anew', async () => {
    const room = await released()
    const other = valueOf(encodeFreshTag({ id: 'BX00999', t: 1 }, 512))
    const asText = (bytes: Uint8Array) => Buffer.from(bytes).toString('base64')
    expect(codeOf(await prepareNfc(room.db, { serial: 'BX00143', bytes: asText(other) }))).toBe('OTHER_TAG')
    const strange = valueOf(await prepareNfc(room.db, { serial: 'BX00143', bytes: asText(new Uint8Array([1, 2, 3, 4])) }))
    expect(valueOf(await readTagNow(carrierTag(strange.bytes)))).toMatchObject({ sequence: 1 })
    expect(codeOf(await noteNfc(room.as('ines', 62), { serial: 'BX00143', bytes: asText(other) }))).toBe('TAG_READ_BACK')
    expect(codeOf(await prepareNfc(room.db, { serial: 'BX00144', bytes: null }))).toBe('NO_HANDOVER')
  })
})
