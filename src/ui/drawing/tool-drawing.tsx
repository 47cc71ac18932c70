import type { ToolProfile } from '@/core/tool'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'
import { ToolParts } from './silhouette'
import { say } from '@/words/screens/shell'

export interface DrawingProps {
  readonly profile: ToolProfile
  readonly unit: LengthUnit
  readonly width: number
  readonly height: number
  readonly title: string
  /** Values as measured or as aimed, mm. */
  readonly LF: number
  readonly DC: number | null
  readonly RE: number | null
  readonly stickOutMm?: number
}

/** The tool to scale, gauge line below and tip above, with its dimensions. */
export function ToolDrawing({ profile, unit, width, height, title, LF, DC, RE, stickOutMm }: DrawingProps) {
  const span = profile.highMm - profile.lowMm
  const scale = Math.min((height - 64) / span, (width - 190) / 66)
  const cx = width / 2 - 8
  const top = 40
  const x = (r: number) => cx + r * scale
  const y = (z: number) => top + (profile.highMm - z) * scale
  const sized = (mm: number, symbol: string) => `${symbol} ${formatLength(mm, unit)}`
  const gauge = y(0)
  const tip = y(profile.highMm)
  const r = profile.cutRadiusMm
  const left = x(-33) - 14
  const right = x(33) + 14
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role="img"
      aria-label={`${title}, ${sized(LF, 'LF')} ${unitMark(unit)}`}
      className="figures max-w-full"
      fontSize="17"
      fontWeight="600"
      fill="var(--color-base-content)"
    >
      <ToolParts profile={profile} x={x} y={y} />
      <path d={`M${left - 26} ${gauge}H${right + 40}`} stroke="var(--soft)" strokeDasharray="5 4" />
      <text x={right + 40} y={gauge + 18} textAnchor="end" fontSize="15" fontWeight="500" fill="var(--soft)">
        {say.gaugeLine}
      </text>
      <Dimension x={left} from={tip} to={gauge} label={sized(LF, 'LF')} />
      <path d={`M${left - 6} ${tip}H${x(-r) - 4}`} stroke="var(--soft)" strokeWidth="1" />
      {stickOutMm !== undefined && (
        <>
          <Dimension x={right} from={tip} to={y(profile.highMm - stickOutMm)} label={sized(stickOutMm, 'out')} side="right" />
          <path
            d={`M${x(r) + 4} ${tip}H${right + 6}M${x(r) + 4} ${y(profile.highMm - stickOutMm)}H${right + 6}`}
            stroke="var(--soft)"
            strokeWidth="1"
          />
        </>
      )}
      {DC !== null && (
        <>
          <path
            d={`M${x(-r)} ${tip - 10}H${x(r)}M${x(-r)} ${tip - 15}V${tip - 4}M${x(r)} ${tip - 15}V${tip - 4}`}
            stroke="var(--color-base-content)"
            strokeWidth="1.3"
            fill="none"
          />
          <text x={cx} y={tip - 18} textAnchor="middle">
            {sized(DC, 'Ø')}
            {RE !== null && RE > 0 ? `  R ${formatLength(RE, unit)}` : ''}
          </text>
        </>
      )}
    </svg>
  )
}

function Dimension({
  x,
  from,
  to,
  label,
  side = 'left',
}: {
  readonly x: number
  readonly from: number
  readonly to: number
  readonly label: string
  readonly side?: 'left' | 'right'
}) {
  const middle = (from + to) / 2
  const at = side === 'left' ? x - 9 : x + 9
  return (
    <g>
      <path
        d={`M${x} ${from}V${to}M${x - 5} ${from}H${x + 5}M${x - 5} ${to}H${x + 5}`}
        stroke="var(--color-base-content)"
        strokeWidth="1.3"
      />
      <text x={at} y={middle} textAnchor="middle" transform={`rotate(${side === 'left' ? -90 : 90} ${at} ${middle})`}>
        {label}
      </text>
    </g>
  )
}
