import type { ProfilePart, ToolProfile } from '@/core/tool'

/** A closed outline from a half profile: up one side, down the other. */
function outline(part: ProfilePart, x: (r: number) => number, y: (z: number) => number): string {
  const up = part.points.map(([r, z]) => `${x(r).toFixed(1)} ${y(z).toFixed(1)}`)
  const down = [...part.points].reverse().map(([r, z]) => `${x(-r).toFixed(1)} ${y(z).toFixed(1)}`)
  return `M${[...up, ...down].join('L')}Z`
}

const FILL: Record<ProfilePart['part'], string> = {
  taper: 'var(--stone)',
  flange: 'var(--stone)',
  body: 'var(--stone)',
  nose: 'var(--stone)',
  extension: 'var(--stone)',
  nut: 'var(--stone)',
  shank: 'var(--cut)',
  cut: 'var(--cut)',
}

export interface PartsProps {
  readonly profile: ToolProfile
  readonly x: (r: number) => number
  readonly y: (z: number) => number
}

/** The tool's parts, to scale, with as many helix lines as it shows edges. */
export function ToolParts({ profile, x, y }: PartsProps) {
  const cut = profile.parts.find((p) => p.part === 'cut')
  const low = cut?.points[0][1] ?? 0
  const high = profile.highMm
  const r = profile.cutRadiusMm
  const pitch = (high - low) / Math.max(2, profile.edges)
  const flutes =
    cut && high - low > 6 ? Array.from({ length: Math.max(2, profile.edges) }, (_, i) => high - pitch * (i + 0.25)) : []
  return (
    <g>
      {profile.parts.map((part, i) => (
        <path
          key={i}
          d={outline(part, x, y)}
          fill={FILL[part.part]}
          opacity={part.part === 'taper' ? 0.55 : 1}
          stroke="var(--color-base-100)"
          strokeWidth={part.part === 'taper' ? 0 : 0.6}
        />
      ))}
      {flutes.map((z) => (
        <path
          key={z}
          d={`M${x(-r)} ${y(Math.max(low, z - pitch * 0.8))}L${x(r)} ${y(z)}`}
          stroke="var(--color-base-100)"
          strokeWidth="1.2"
          opacity="0.8"
        />
      ))}
    </g>
  )
}

/** A long taper is cut off below this: what is above the gauge line tells tools apart. */
export const TAPER_SHOWN_MM = 34

/** A tool for the rack: the gauge lines of all stand on one level. */
export function Silhouette({
  profile,
  width = 104,
  height = 96,
  mmPerHeight = 260,
}: {
  readonly profile: ToolProfile
  readonly width?: number
  readonly height?: number
  readonly mmPerHeight?: number
}) {
  const scale = height / mmPerHeight
  const base = height - TAPER_SHOWN_MM * scale
  const x = (r: number) => width / 2 + r * scale
  const y = (z: number) => base - z * scale
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
      <ToolParts profile={profile} x={x} y={y} />
      <path d={`M6 ${base}H${width - 6}`} stroke="var(--soft)" strokeDasharray="3 3" />
    </svg>
  )
}
