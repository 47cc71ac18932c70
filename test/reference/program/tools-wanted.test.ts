/** Words and blocks as ISO 6983 and RS-274 (NISTIR 6556) have them; each case is a program as a shop would write it. */
import { programWarningText } from '@/words/kit'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { toolsWanted } from '@/core/program'

function read(text: string, kind: 'mill' | 'lathe' = 'mill') {
  const result = toolsWanted(text, kind)
  if (!result.ok) throw new Error(result.error.code)
  return result.value
}
const codes = (text: string, kind: 'mill' | 'lathe' = 'mill') => read(text, kind).warnings.map((w) => [w.code, w.line])
const G21 = 'G21\n'

describe('tool changes', () => {
  it.each([
    ['T5 M6', 5],
    ['M6 T5', 5],
    ['t05m06', 5],
    ['N10 T 5 M 0 6', 5],
    ['/T5 M6', 5],
    ['/2 T5 M6', 5],
    ['T5 M6 (DRILL) ; and more', 5],
  ])('%s', (block, t) => expect(read(G21 + block).tools.map((tool) => tool.t)).toEqual([t]))
  it('follows a tool called early and changed later, and what is called after it', () => {
    const { tools, warnings } = read(G21 + 'T1 M6\nT2\nG0 X1\nM6\nT1\nM6')
    expect(tools.map((t) => [t.t, t.changes.map((c) => c.line)])).toEqual([
      [1, [2, 7]],
      [2, [5]],
    ])
    expect(warnings).toEqual([])
  })
  it('lists none that is never changed to, and says so', () => {
    expect(read(G21 + 'T1 M6\nT9').tools.map((t) => t.t)).toEqual([1])
    expect(codes(G21 + 'T7\nT8 M6')).toEqual([['PRESELECT_NEVER_CHANGED', 2]])
  })
  it('T0 empties the spindle', () => expect(read(G21 + 'T1 M6\nT0 M6').tools.map((t) => t.t)).toEqual([1]))
  it('a change without a T', () => expect(codes(G21 + 'M6')).toEqual([['CHANGE_WITHOUT_T', 2]]))
  it('takes the name from the comment beside the change', () => {
    expect(read(G21 + 'T12 M6 (END MILL  D20)\nT4 (BALL)\nM6').tools.map((t) => t.name)).toEqual(['END MILL D20', 'BALL'])
    expect(read(G21 + '(CAP)\nT1 M6').tools[0].name).toBeNull()
  })
  it('turning: T0303 is tool 3 with offset 3, offset 00 no change', () => {
    const { tools } = read(G21 + 'T0303\nT0300\nT1212', 'lathe')
    expect(tools.map((t) => [t.t, t.h, t.d, t.changes.length])).toEqual([
      [3, [3], [], 1],
      [12, [12], [], 1],
    ])
  })
})

describe('offsets and speeds', () => {
  it('collects H and D, and warns when they are not the tool’s', () => {
    const text = G21 + 'T12 M6\nG43 H3 Z5\nG41 D12 X1\nG41 D13 X2\nG43 H3 Z1'
    const [tool] = read(text).tools
    expect([tool.h, tool.d]).toEqual([[3], [12, 13]])
    expect(codes(text)).toEqual([
      ['H_NOT_T', 3],
      ['D_NOT_T', 5],
    ])
    expect(programWarningText(read(text).warnings[0])).toBe('T12 is called with H3.')
  })
  it.each([
    ['T1 M6\nG1 Z-1', [['NO_LENGTH_OFFSET', 3]]],
    ['T1 M6\nG43 H1 Z5\nG1 Z-1', []],
    ['T1 M6\nG43.4 H1 Z5\nG1 Z-1', []],
    ['T1 M6\nG1 X1\nZ-1\nZ-2', [['NO_LENGTH_OFFSET', 4]]],
    ['T1 M6\nG0 Z-1\nG1 X1', []],
    ['T1 M6\nG43 H1 Z5\nG49\nG81 X1 Z-3', [['NO_LENGTH_OFFSET', 5]]],
    ['T1 M6\nG43 H1\nT2 M6\nG1 Z1', [['NO_LENGTH_OFFSET', 5]]],
    ['T1 M6\nG1 X1\nG91 G28 Z0\nG53 Z0', []],
  ])('%j', (text, wanted) => expect(codes(G21 + text)).toEqual(wanted))
  it('takes the largest S, at surface speed the limit', () => {
    expect(read(G21 + 'T1 M6 S800\nS1200 M3\nS900').tools[0].maxSpindle).toBe(1200)
    expect(read(G21 + 'T0101\nG96 S200', 'lathe').tools[0].maxSpindle).toBeNull()
    expect(read(G21 + 'G50 S2500\nT0101\nG96 S200', 'lathe').tools[0].maxSpindle).toBe(2500)
    expect(read(G21 + 'T0101\nG96 S200\nG92 S1800\nG97 S2000', 'lathe').tools[0].maxSpindle).toBe(2000)
  })
})

describe('the program as a whole', () => {
  it('knows its unit, or that it says none or two', () => {
    expect(read('G20\nT1 M6').units).toBe('inch')
    expect(codes('T1 M6')).toEqual([['NO_UNITS', 1]])
    expect(codes('G21\nG0 X1\nG20')).toEqual([['UNITS_MIXED', 3]])
  })
  it('says what it cannot follow', () => {
    expect(codes(G21 + 'M98 P1000\n#1=5\nG65 P9000 T3\nG1 X#2')).toEqual([
      ['NOT_READ', 2],
      ['NOT_READ', 3],
      ['NOT_READ', 4],
      ['NOT_READ', 5],
    ])
  })
  it.each(['', 'hello world', '%\n\n%', '{"a":1}'])('refuses %j', (text) => expect(toolsWanted(text, 'mill').ok).toBe(false))
  it('a program without tool changes has no tools', () => expect(read('G21\nG0 X1').tools).toEqual([]))
  it('numbers physical lines, whatever ends them', () => {
    for (const end of ['\n', '\r\n', '\r'])
      expect(read(['%', 'G21', '', 'T3 M6'].join(end)).tools[0].changes).toEqual([{ line: 4 }])
  })
  it('never breaks on garbage', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom(...'GMTHDSNXYZ0123456789.-()[]#;/% \n'), maxLength: 300 }),
        fc.constantFrom('mill', 'lathe'),
        (text, kind) => void toolsWanted(text, kind),
      ),
      { numRuns: 2000 },
    )
    const garbage = Array.from({ length: 2 ** 20 }, (_, i) => String.fromCharCode((i * 7919) % 251)).join('')
    const answer = toolsWanted(garbage, 'mill')
    expect(answer.ok ? answer.value.warnings.length : 0).toBeLessThan(1000)
  })
})
