import type { BalanceWanted } from '@/core/balance'
import { say } from '@/words/screens/balance'

const LEFT = 44
const RIGHT = 344
const TOP = 26
const BOTTOM = 162
const RPM = { from: 1000, to: 40_000 }
const GRADE = { from: 0.25, to: 40 }
const LINES = [0.4, 1, 2.5, 6.3, 16]
const SPEEDS = [1000, 3000, 10_000, 30_000]

const along = (value: number, { from, to }: { readonly from: number; readonly to: number }) =>
  Math.log(value / from) / Math.log(to / from)
const x = (rpm: number) => LEFT + Math.min(1, Math.max(0, along(rpm, RPM))) * (RIGHT - LEFT)
const y = (grade: number) => BOTTOM - Math.min(1, Math.max(0, along(grade, GRADE))) * (BOTTOM - TOP)

/** The line of one residual: a grade at a speed, and in proportion at every other. */
function line(grade: number, rpm: number): string {
  const at = (n: number) => (grade * n) / rpm
  // where it comes in and leaves at the frame
  const from = Math.max(RPM.from, (GRADE.from / grade) * rpm)
  const to = Math.min(RPM.to, (GRADE.to / grade) * rpm)
  return from < to ? `M${x(from)} ${y(at(from))}L${x(to)} ${y(at(to))}` : ''
}

/** Grade over spindle speed: up to where the tool is good. */
export function GradeChart({
  wanted,
  now,
  after,
  good,
}: {
  readonly wanted: BalanceWanted
  readonly now: number | null
  readonly after: number | null
  readonly good: boolean
}) {
  const lines = [...new Set([...LINES, wanted.grade])]
  return (
    <svg viewBox="0 0 364 186" className="font-head w-full shrink-0" role="img" aria-label={say.gOverSpeed}>
      <text x={LEFT} y={14} className="fill-ink text-[16px] font-semibold">
        {say.gOverSpeed}
      </text>
      {lines.map((grade) => (
        <g key={grade}>
          <path
            d={`M${LEFT} ${y(grade)}H${RIGHT}`}
            strokeWidth={grade === wanted.grade ? 2 : 1}
            className={grade === wanted.grade ? 'stroke-ink' : 'stroke-rule'}
          />
          <text x={LEFT - 6} y={y(grade) + 5} textAnchor="end" className="fill-soft text-[15px]">
            {grade}
          </text>
        </g>
      ))}
      {SPEEDS.map((rpm) => (
        <text key={rpm} x={x(rpm)} y={BOTTOM + 20} textAnchor="middle" className="fill-soft text-[15px]">
          {rpm.toLocaleString('en')}
        </text>
      ))}
      <path d={`M${x(wanted.rpm)} ${TOP}V${BOTTOM}`} strokeWidth={2} strokeDasharray="4 4" className="stroke-act" />
      {now !== null && now > 0 && (
        <>
          <path d={line(now, wanted.rpm)} fill="none" strokeWidth={3} className={good ? 'stroke-holds' : 'stroke-off'} />
          <circle cx={x(wanted.rpm)} cy={y(now)} r={6} className={good ? 'fill-holds' : 'fill-off'} />
        </>
      )}
      {after !== null && after > 0 && (
        <>
          <path d={line(after, wanted.rpm)} fill="none" strokeWidth={3} strokeDasharray="7 5" className="stroke-holds" />
          <circle cx={x(wanted.rpm)} cy={y(after)} r={6} className="fill-holds" />
        </>
      )}
    </svg>
  )
}
