/**
 * The post and the control's table. Register meaning as word-address mills with geometry and wear have it (from
 * memory): G10 L10 length, L11 its wear, L12 radius or diameter, L13 its wear. The interpreter is a separate program.
 */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { renderPost, SHIPPED_POSTS, type PostTool } from '@/codecs/post'
import { compareTable, registersOf, type HeldRow } from '@/core/handover'
import type { Machine } from '@/core/tool'
import { Refused, runOffsets, type MachineFacts } from '../../../standins/control/interpreter'
import { HERON } from '../../support/machines'

const DIPPER: Machine = { ...HERON, key: 'DIPPER', unit: 'inch', decimals: 4, sizeRegister: 'diameter' }
const facts = (m: Machine): MachineFacts => ({
  name: m.name,
  unit: m.unit,
  decimals: m.decimals,
  sizeIs: m.sizeRegister,
  highestTool: m.registers.max,
})
const tool = (t: number, lengthMm: number, radiusMm: number, name = 'END MILL'): PostTool => ({
  serial: `BX${t}`,
  issue: 1,
  t,
  machine: '',
  unit: 'mm',
  lengthMm,
  radiusMm,
  cornerRadiusMm: null,
  pocket: null,
  measuredAt: '',
  name,
})

function text(machine: Machine, tools: PostTool[]): string {
  const post = renderPost(SHIPPED_POSTS['word-address-mill'], { machine, madeAt: '2026-11-25T10:42:00Z', tools })
  if (!post.ok) throw new Error(post.error.detail)
  return post.value
}
function held(machine: Machine, file: string): Map<number, HeldRow> {
  const { sizeRegister: size } = machine
  return new Map(
    Object.entries(runOffsets(facts(machine), {}, file)).map(([t, row]) => [
      Number(t),
      { length: row.length, 'length wear': row.lengthWear, [size]: row.size, [`${size} wear`]: row.sizeWear },
    ]),
  )
}

describe('word-address mill', () => {
  it('writes length, its wear, size, its wear, with unit and absolute stated', () => {
    const lines = text(HERON, [tool(47, 123.456, 5.006)]).split('\n')
    expect(lines).toEqual(
      expect.arrayContaining([
        'G21 G90',
        'G10 L10 P47 R123.456',
        'G10 L11 P47 R0.000',
        'G10 L12 P47 R5.006',
        'G10 L13 P47 R0.000',
        'M30',
      ]),
    )
  })
  it('writes an inch machine in inches: 123.456 mm is 4.8605 in, radius 5.006 is diameter 0.3942 in', () => {
    const lines = text(DIPPER, [tool(47, 123.456, 5.006)]).split('\n')
    expect(lines).toEqual(expect.arrayContaining(['G20 G90', 'G10 L10 P47 R4.8605', 'G10 L12 P47 R0.3942']))
  })
  it.each([HERON, DIPPER, { ...HERON, sizeRegister: 'diameter' as const }, { ...DIPPER, sizeRegister: 'radius' as const }])(
    'ends up in the control as it was measured, $unit $sizeRegister',
    (machine) => {
      fc.assert(
        fc.property(
          fc.uniqueArray(
            fc.tuple(
              fc.integer({ min: 1, max: 200 }),
              fc.double({ min: 10, max: 300, noNaN: true }),
              fc.double({ min: 0.2, max: 60, noNaN: true }),
            ),
            { selector: ([t]) => t, minLength: 1, maxLength: 8 },
          ),
          (rows) => {
            const tools = rows.map(([t, l, r]) => tool(t, l, r))
            const check = compareTable(
              tools.flatMap((x) => registersOf(x, machine)),
              held(machine, text(machine, tools)),
              machine.unit,
            )
            expect(check.rows.filter((row) => !row.same)).toEqual([])
            expect(check.rows).toHaveLength(4 * tools.length)
          },
        ),
      )
    },
  )
  it('is right both ways: a value typed in inches reaches a millimetre control to its last digit', () => {
    const inch = 4.8605
    expect(held(HERON, text(HERON, [tool(1, inch * 25.4, 0.25 * 25.4)])).get(1)).toMatchObject({ length: 123.457, radius: 6.35 })
    // and a file in the other unit is turned by the control itself
    expect(runOffsets(facts(HERON), {}, 'G20 G90\nG10 L10 P1 R4.8605').P).toBeUndefined()
    expect(runOffsets(facts(HERON), {}, 'G20 G90\nG10 L10 P1 R4.8605')['1'].length).toBe(123.457)
    expect(runOffsets(facts(DIPPER), {}, 'G21 G90\nG10 L10 P1 R123.456')['1'].length).toBe(4.8605)
  })
  it('survives names that would break a comment', () => {
    const file = text(HERON, [tool(1, 100, 5, 'Ø20 (long) ; %\nG10 L10 P2 R1')])
    expect([...held(HERON, file).keys()]).toEqual([1])
  })
  it('says which value differs', () => {
    const machine = { ...HERON, sizeRegister: 'diameter' as const }
    const asRadius = held(HERON, text(HERON, [tool(3, 100, 5)]))
    const row = asRadius.get(3)!
    const check = compareTable(
      registersOf(tool(3, 100, 5), machine),
      new Map([[3, { length: row.length, 'length wear': 0, diameter: row.radius, 'diameter wear': 0 }]]),
      'mm',
    )
    expect(check.same).toBe(false)
    expect(check.rows.filter((r) => !r.same)).toEqual([
      { t: 3, register: 'diameter', unit: 'mm', measured: 10, held: 5, same: false },
    ])
  })
  it('refuses a template that asks for what is not there', () =>
    expect(renderPost('{{ nothing.here }}', { machine: HERON, madeAt: '', tools: [] }).ok).toBe(false))
})

describe('the control’s own reading', () => {
  const run = (file: string, before = {}) => runOffsets(facts(HERON), before, file)
  it.each([
    ['G10 L10 P1 R5', 'neither G20 nor G21'],
    ['G21\nG10 L1 P1 R5', 'L1 is no register'],
    ['G21\nG10 L10 P999 R5', 'no tool'],
    ['G21\nG10 L10 P1', 'needs L, P and R'],
    ['G21\nG10 L10 P1 R#5', 'cannot be read'],
    ['G21\nG10 L10 P1 R[1+2]', 'cannot be read'],
    ['G21\nG1 X5', 'does not belong'],
    ['G21\nG10 L10 P1 R5.00001', 'decimals'],
  ])('refuses %j', (file, why) => expect(() => run(file)).toThrow(why))
  it('names the line, and changes nothing', () => {
    const before = { '1': { length: 7 } }
    try {
      run('G21\nG10 L10 P1 R5\nG10 L99 P1 R5', before)
      expect.unreachable()
    } catch (error) {
      expect(error).toBeInstanceOf(Refused)
      expect((error as Refused).line).toBe(3)
    }
    expect(before).toEqual({ '1': { length: 7 } })
  })
  it('adds in G91, takes block delete and comments', () => {
    expect(run('G21 G91\n/G10 L11 P1 R0.01 (wear)\nG10 L11 P1 R0.02 ; more')['1'].lengthWear).toBe(0.03)
  })
})
