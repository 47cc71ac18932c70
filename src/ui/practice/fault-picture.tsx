import type { ReactNode } from 'react'
import type { FaultCode } from '@/core/practice'
import { FAULT_NAMES } from '@/words/lessons'
import { say } from '@/words/screens/practice'

const [WIDE, HIGH] = [148, 108]
const [CX, CY, R] = [WIDE / 2, HIGH / 2, 34]
/** Sizes in these pictures are many times larger than they are. */
const SHIFT = 11

const wanted = { fill: 'none', stroke: 'var(--soft)', strokeWidth: 1.5, strokeDasharray: '4 3' }
const real = { fill: 'none', stroke: 'var(--color-ink)', strokeWidth: 2.5 }
const wrong = { stroke: 'var(--color-error)', strokeWidth: 3, fill: 'none' }

/** Edges round a tool, looked at from its tip; how far each stands from where it should. */
function Edges({
  out,
  at = [0, 60, 120, 180, 240, 300],
}: {
  readonly out: (deg: number) => number
  readonly at?: readonly number[]
}) {
  return (
    <>
      <circle cx={CX} cy={CY} r={R} {...wanted} />
      {at.map((deg) => {
        const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
        const r = R + out(deg)
        return (
          <g key={deg}>
            <line x1={CX} y1={CY} x2={CX + r * c} y2={CY - r * s} {...real} strokeWidth={1.5} />
            <circle
              cx={CX + r * c}
              cy={CY - r * s}
              r={4}
              fill={Math.abs(out(deg)) < 1 ? 'var(--color-ink)' : 'var(--color-error)'}
            />
          </g>
        )
      })}
    </>
  )
}
const wave = (deg: number) => SHIFT * Math.cos((deg * Math.PI) / 180)

/** A tool that stands too long or too short beside the line where its tip should be. */
function Length({ by, children }: { readonly by: number; readonly children?: ReactNode }) {
  return (
    <>
      <line x1={18} x2={WIDE - 18} y1={30} y2={30} {...wanted} />
      <rect x={CX - 22} y={74} width={44} height={26} {...real} />
      <rect x={CX - 9} y={30 - by} width={18} height={44 + by} {...real} />
      <line x1={CX + 24} x2={CX + 24} y1={30} y2={30 - by} {...wrong} />
      {children}
    </>
  )
}

/** A shank in its bore: the gap beside it, and how deep it stands. */
function Shank({ gap, deep }: { readonly gap: number; readonly deep: number }) {
  return (
    <>
      <path d={`M ${CX - 20} 30 V 96 H ${CX + 20} V 30`} {...real} />
      <rect x={CX - 20 + gap} y={8} width={40 - 2 * gap} height={30 + deep} fill="var(--lichen)" stroke="var(--color-ink)" />
      {gap > 1 && <line x1={CX - 20} x2={CX - 20 + gap} y1={60} y2={60} {...wrong} />}
      {deep > 50 && <line x1={CX - 20} x2={CX + 20} y1={96} y2={96} {...wrong} />}
    </>
  )
}

/** The corner of an edge as it should be, and as it is. */
function Corner({ radius, bulge = false }: { readonly radius: number; readonly bulge?: boolean }) {
  const corner = (r: number) => `M 118 96 V ${24 + r} A ${r} ${r} 0 0 0 ${118 - r} 24 H 30`
  return (
    <>
      <path d={corner(34)} {...wanted} />
      <path d={corner(radius)} {...real} />
      {bulge && <path d="M 118 74 q 15 -9 0 -22" {...wrong} />}
    </>
  )
}

/** Two things that should be the same and are not. */
function Against({ is, should }: { readonly is: string; readonly should: string }) {
  return (
    <g className="figures" fontSize={26} fontWeight={700} textAnchor="middle">
      <text x={CX} y={42} fill="var(--color-error)">
        {is}
      </text>
      <line x1={34} x2={WIDE - 34} y1={56} y2={56} stroke="var(--soft)" />
      <text x={CX} y={86} fill="var(--color-ink)">
        {should}
      </text>
    </g>
  )
}

const PICTURES: Readonly<Record<FaultCode, ReactNode>> = {
  OFF_CENTRE: <Edges out={wave} />,
  TILTED: (
    <>
      <line x1={CX} x2={CX} y1={8} y2={100} {...wanted} />
      <path d={`M ${CX - 22} 100 L ${CX - 8} 12 L ${CX + 18} 16 L ${CX + 4} 100 Z`} {...real} />
      <line x1={CX} x2={CX + 6} y1={14} y2={14} {...wrong} />
    </>
  ),
  EDGE_HIGH: <Edges out={(deg) => (deg === 60 ? SHIFT : 0)} />,
  EDGE_LOW: <Edges out={(deg) => (deg === 60 ? -SHIFT : 0)} />,
  WRONG_NOSE: <Corner radius={14} />,
  OTHER_NOSE: <Corner radius={14} />,
  WORN: <Edges out={() => -6} />,
  WARM: <Length by={14} />,
  MEASURED_WARM: <Length by={14} />,
  LENGTH_NOT_SET: <Length by={-16} />,
  CREPT: <Length by={16} />,
  WRONG_CUTTER: <Edges out={() => -14} />,
  ZERO_MOVED: (
    <>
      <path d="M 30 96 V 20 M 22 88 H 124" {...wanted} />
      <path d="M 42 96 V 20 M 22 78 H 124" {...real} />
      <path d="M 30 88 L 42 78" {...wrong} />
    </>
  ),
  RADIUS_FOR_DIAMETER: <Against is="Ø 5.000" should="Ø 10" />,
  INCH_FOR_MM: <Against is="L 4.646" should="L 118" />,
  OTHER_DATUM: <Length by={-14} />,
  CHIP_ON_EDGE: <Corner radius={34} bulge />,
  WRONG_ADAPTER: <Against is="SK 40" should="HSK-A63" />,
  OLD_MASTER: <Against is="10 h" should="≤ 8 h" />,
  COLLET_BOTTOMS: <Shank gap={1} deep={58} />,
  STEEL_SHANK_SHRUNK: <Against is="HSS" should="carbide" />,
  WEAR_LEFT: <Against is="+ 0.080" should="0" />,
  LABEL_ON_WRONG_TOOL: <Against is="BX …57" should="BX …44" />,
  WRONG_MACHINE: <Against is="Dipper" should="Heron" />,
  BESIDE_WIDE_TOOL: (
    <>
      <circle cx={46} cy={CY} r={30} {...real} />
      <circle cx={92} cy={CY} r={24} {...wrong} />
      <line x1={10} x2={WIDE - 10} y1={96} y2={96} {...wanted} />
    </>
  ),
  STILL_FRAME: (
    <>
      <path d="M 20 84 Q 74 4 128 84" {...real} />
      <line x1={104} x2={104} y1={96} y2={20} {...wanted} />
      <circle cx={104} cy={55} r={5} fill="var(--color-error)" />
      <line x1={104} x2={104} y1={55} y2={44} {...wrong} />
    </>
  ),
  TWO_EDGES: (
    <>
      <circle cx={CX + SHIFT} cy={CY} r={R} {...real} />
      <Edges out={() => 0} at={[90, 270]} />
    </>
  ),
  LOOSE_SHANK: <Shank gap={5} deep={30} />,
  HANDED_OVER_TWICE: <Against is="No. 4" should="No. 5" />,
  BALANCED_FOR_LESS: <Against is="6,000" should="16,000" />,
  PART_MISSING: <Against is="0" should="1" />,
}

/** What a fault looks like, drawn much larger than it is: broken lines where it should be, red what is wrong. */
export const FaultPicture = ({ fault }: { readonly fault: FaultCode }) => (
  <svg
    viewBox={`0 0 ${WIDE} ${HIGH}`}
    width={WIDE}
    height={HIGH}
    role="img"
    aria-label={say.pictureOf(FAULT_NAMES[fault])}
    className="border-rule bg-ground border"
  >
    {PICTURES[fault]}
  </svg>
)
