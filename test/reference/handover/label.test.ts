/** CRC-16/CCITT-FALSE: check value 29B1 for "123456789" (catalogue of parametrised CRC algorithms). */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  ACTION_CARD,
  decodeLabel,
  encodeBadge,
  encodeLabel,
  encodeMachineLabel,
  labelAgrees,
  readScan,
} from '@/codecs/label-text'
import { crc16, crc16Text } from '@/core/handover'
import { VALUES } from '../../support/machines'

const PRINTED = 'BT1;S=BX00142;I=7;T=12;M=HERON;L=152.3140;X=9.9987;E=1.4981;U=MM;A=2611251042;C=C36C'

describe('CRC', () => {
  it('gives the known check values', () => {
    expect(crc16Text('123456789')).toBe('29B1')
    expect(crc16Text('')).toBe('FFFF')
    expect(crc16Text('T1047;123.456;10.012')).toBe('7159')
  })
  it('notices every single flipped bit', () => {
    const bytes = Array.from(PRINTED.slice(0, -7), (c) => c.charCodeAt(0))
    const right = crc16(bytes)
    for (let i = 0; i < 8 * bytes.length; i++) {
      const wrong = [...bytes]
      wrong[i >> 3] ^= 1 << (i & 7)
      expect(crc16(wrong)).not.toBe(right)
    }
  })
})

describe('the label’s text', () => {
  it('is written as the format shows', () => expect(encodeLabel(VALUES)).toBe(PRINTED))
  it('is in the machine’s unit: five decimals of an inch', () => {
    expect(encodeLabel({ ...VALUES, unit: 'inch', cornerRadiusMm: null, pocket: 3 })).toMatch(
      /^BT1;S=BX00142;I=7;T=12;M=HERON;L=5\.99661;X=0\.39365;P=3;U=IN;A=2611251042;C=[0-9A-F]{4}$/,
    )
  })
  it('reads back what it wrote', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 99999 }),
        fc.integer({ min: 500_000, max: 3_000_000 }),
        fc.integer({ min: 5000, max: 600_000 }),
        fc.constantFrom('mm' as const, 'inch' as const),
        (t, length, radius, unit) => {
          const values = { ...VALUES, t, unit, lengthMm: length / 1e4, radiusMm: radius / 1e4 }
          const read = decodeLabel(encodeLabel(values))
          if (!read.ok) throw new Error(read.error.code)
          expect(Math.abs(read.value.lengthMm - values.lengthMm)).toBeLessThan(unit === 'mm' ? 1e-9 : 0.000128)
          expect(labelAgrees(read.value, values)).toBe(true)
          expect(labelAgrees(read.value, { ...values, lengthMm: values.lengthMm + 0.001 })).toBe(false)
        },
      ),
    )
  })
  it('takes hex in either case and blanks at the ends, keeps what it does not know', () => {
    expect(decodeLabel(` ${PRINTED.replace('C36C', 'c36c')}\r\n`).ok).toBe(true)
    const body = PRINTED.slice(0, -7).replace(';U=', ';W=5;U=')
    const read = decodeLabel(`${body};C=${crc16Text(body)}`)
    expect(read.ok && read.value.unknown).toEqual({ W: '5' })
  })
  it.each([
    ['nothing', '', 'NOT_A_LABEL'],
    ['a serial', 'BX00142', 'NOT_A_LABEL'],
    ['another kind', encodeMachineLabel('HERON'), 'NOT_A_LABEL'],
    ['no check digits', PRINTED.slice(0, -7), 'NOT_A_LABEL'],
    ['one digit changed', PRINTED.replace('152.3140', '152.3141'), 'BAD_CRC'],
    [
      'a needed field missing',
      (() => {
        const b = 'BT1;S=BX1;I=1'
        return `${b};C=${crc16Text(b)}`
      })(),
      'NOT_A_LABEL',
    ],
  ])('refuses %s', (_, text, code) => {
    const read = decodeLabel(text)
    expect(read.ok ? 'ok' : read.error.code).toBe(code)
  })
  it('never breaks on garbage', () => {
    fc.assert(fc.property(fc.string({ maxLength: 200 }), (text) => void readScan(text)))
  })
})

describe('the other codes', () => {
  it.each([
    [PRINTED, 'label'],
    [encodeMachineLabel('HERON'), 'machine'],
    [encodeBadge('ines'), 'badge'],
    [ACTION_CARD, 'action'],
    ['BX00142', 'plain'],
    ['BM1;M=HERON;C=0000', 'damaged'],
    [PRINTED.replace('T=12', 'T=13'), 'damaged'],
  ])('%s', (text, type) => expect(readScan(text).type).toBe(type))
})
