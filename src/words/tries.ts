/** Common errors as small things to try, each a minute: one thing to move, and what comes of it. */
import { gradeAt } from '@/core/balance'
import { chipShiftMm, clearanceGainedMm, broughtGmm, twoEdgesDifferMm, widestAfterS } from '@/core/practice'
import { shankLimits } from '@/core/tool'
import type { LengthUnit } from '@/core/units'
import { nominal, sized, small } from './size'

export interface Try {
  readonly key: string
  readonly title: string
  /** What is set, in one or two sentences. */
  readonly story: string
  /** What can be moved. */
  readonly move: {
    readonly label: string
    readonly min: number
    readonly max: number
    readonly step: number
    readonly start: number
    readonly shows: (value: number, unit: LengthUnit) => string
  }
  /** What comes of it: what is seen, and what is true; `bad` where that goes wrong. */
  readonly answer: (
    value: number,
    unit: LengthUnit,
  ) => { readonly rows: readonly (readonly [name: string, value: string])[]; readonly says: string; readonly bad: boolean }
  /** What to remember. */
  readonly point: string
}

const um = (value: number, unit: LengthUnit) => small(value / 1000, unit)
const SHANK = 10
const CALIPER_UM = 20

export const TRIES: readonly Try[] = [
  {
    key: 'balanced-holder',
    title: 'A balanced holder is no balanced tool',
    story: 'A holder of 1.1 kg is balanced to G 1.0 at 15,000 rev/min. Now its clamping screw goes in, 14 mm off the axis.',
    move: {
      label: 'Mass of the screw',
      ...{ min: 0, max: 4, step: 0.1, start: 0 },
      shows: (g) => `${g.toFixed(1)} g`,
    },
    answer: (g) => {
      const gmm = broughtGmm(g, 14)
      const grade = 1 + gradeAt(gmm, 1.1, 15_000)
      return {
        rows: [
          ['Unbalance that it brings', `${gmm.toFixed(1)} g·mm`],
          ['Grade at 15,000 rev/min, at worst', `G ${grade.toFixed(1)}`],
        ],
        says: grade > 2.5 ? 'Too much for G 2.5. Balance the tool with everything in it.' : 'Still good for G 2.5.',
        bad: grade > 2.5,
      }
    },
    point: 'Balance the whole tool: nut, collet, screws, pull stud and cutter in it.',
  },
  {
    key: 'hot-longer',
    title: 'Hot longer is not better',
    story: 'An HSS shank of Ø12 is to come out of a shrink holder. The nose is heated, and the shank in it warms too.',
    move: { label: 'Seconds of heat', min: 0, max: 60, step: 1, start: 3, shows: (s) => `${s} s` },
    answer: (s, unit) => {
      const hss = clearanceGainedMm(s, 12, 'HSS')
      const best = widestAfterS(12, 'HSS')
      return {
        rows: [
          ['Bore wider than the shank by, HSS', small(hss, unit)],
          ['The same with a carbide shank', small(clearanceGainedMm(s, 12, 'carbide'), unit)],
        ],
        says:
          s <= best
            ? 'It still opens. Pull at once when it is wide enough.'
            : 'It closes again: the shank grows as fast as the bore. Let it cool fully, then heat fast.',
        bad: s > best,
      }
    },
    point: 'Heat fast, pull at once, one try. Then let it cool fully before the next heat.',
  },
  {
    key: 'caliper',
    title: 'A caliper cannot prove h6',
    story: 'A shank of Ø10 is to be h6. You measure it with a caliper.',
    move: {
      label: 'The shank really is',
      ...{ min: -30, max: 10, step: 1, start: -4 },
      shows: (d, unit) => sized(SHANK + d / 1000, unit),
    },
    answer: (d, unit) => {
      const limits = shankLimits(SHANK, 'h6')
      const [min, max] = limits.ok ? [limits.value.min, limits.value.max] : [SHANK, SHANK]
      const is = SHANK + d / 1000
      const good = is >= min && is <= max
      return {
        rows: [
          ['The caliper may show', `${sized(is - CALIPER_UM / 1000, unit)} to ${sized(is + CALIPER_UM / 1000, unit)}`],
          ['h6 goes from', `${sized(min, unit)} to ${sized(max, unit)}`],
        ],
        says: good
          ? 'It is h6. The caliper cannot show that: its reading is wider than the whole tolerance.'
          : 'It is not h6, and the caliper may still read as if it were.',
        bad: !good,
      }
    },
    point: 'h6 at Ø10 is 9 µm wide. Use a micrometer, or go by the mark of a shank that you trust.',
  },
  {
    key: 'radius-for-diameter',
    title: 'A radius taken for a diameter',
    story: 'A control wants the diameter of an end mill. Somebody types its radius.',
    move: {
      label: 'Diameter of the cutter',
      ...{ min: 2, max: 40, step: 1, start: 10 },
      shows: (d, unit) => nominal(d, unit),
    },
    answer: (d, unit) => ({
      rows: [
        ['The control has', nominal(d / 2, unit)],
        ['The cutter is', nominal(d, unit)],
        ['A pocket comes out larger by, each side', nominal(d / 4, unit)],
      ],
      says: `The cutter runs ${nominal(d / 4, unit)} too near to every wall.`,
      bad: true,
    }),
    point: 'Boulder keeps diameters only, and each machine says what its register is. Half or twice the size is refused.',
  },
  {
    key: 'chip',
    title: 'A chip of 10 µm on the face',
    story: 'A chip lies under one side of an HSK face of Ø63. You feel nothing when you clamp.',
    move: {
      label: 'How long the tool is',
      ...{ min: 50, max: 300, step: 10, start: 120 },
      shows: (mm, unit) => nominal(mm, unit),
    },
    answer: (mm, unit) => {
      const shift = chipShiftMm(0.01, 63, mm)
      return {
        rows: [
          ['The tip is off centre by', small(shift, unit)],
          ['An indicator shows', small(2 * shift, unit)],
        ],
        says: `One edge cuts ${small(2 * shift, unit)} more than the one opposite.`,
        bad: shift > 0.01,
      }
    },
    point: 'Wipe taper and face every time, on the bench and at the machine.',
  },
  {
    key: 'old-label',
    title: 'A label that is older than its tool',
    story: 'A label was printed. Then the tool fell, its cutter was set again, and the old label still hangs on it.',
    move: {
      label: 'The tool is now longer by',
      ...{ min: -500, max: 500, step: 10, start: 150 },
      shows: (d, unit) => `${d < 0 ? '−' : ''}${um(Math.abs(d), unit)}`,
    },
    answer: (d, unit) => ({
      rows: [
        ['The control believes', sized(120, unit)],
        ['The tool is', sized(120 + d / 1000, unit)],
      ],
      says:
        d > 0
          ? `It cuts ${um(d, unit)} too deep, and arrives before it is expected.`
          : d < 0
            ? `It leaves ${um(-d, unit)} standing.`
            : 'By chance nothing happens.',
      bad: d > 20,
    }),
    point: 'A label does not prove which tool hangs under it, nor when. Scan the mark on the holder; print a new label.',
  },
  {
    key: 'worn-indicator',
    title: 'A hundredth read with a worn indicator',
    story: 'A worn indicator sticks: it shows what it last climbed to, less what it sticks by. You look for 10 µm of runout.',
    move: { label: 'It sticks by', min: 0, max: 20, step: 1, start: 8, shows: um },
    answer: (stuck, unit) => {
      const shown = Math.max(0, 10 - stuck)
      return {
        rows: [
          ['It shows', um(shown, unit)],
          ['The tool has', um(10, unit)],
        ],
        says: shown < 5 ? 'You call a tool good that is not.' : 'It shows less than there is.',
        bad: shown < 5,
      }
    },
    point: 'Try an indicator both ways on a gauge block before you trust a hundredth.',
  },
  {
    key: 'two-edges',
    title: 'Two edges hide half of what is wrong',
    story: 'An end mill with two edges is 10 µm off centre. You measure both edges.',
    move: { label: 'The high side is turned from edge 1 by', min: 0, max: 180, step: 5, start: 0, shows: (deg) => `${deg}°` },
    answer: (deg, unit) => {
      const seen = twoEdgesDifferMm(0.01, (deg * Math.PI) / 180)
      return {
        rows: [
          ['The edges differ by', small(seen, unit)],
          ['An indicator on the shank shows', small(0.02, unit)],
        ],
        says: seen < 0.006 ? 'The edges look good, and the tool is still off centre.' : 'You see it, by chance.',
        bad: seen < 0.006,
      }
    },
    point: 'With two edges only one component shows. Sweep the shank, or measure a second height.',
  },
]
