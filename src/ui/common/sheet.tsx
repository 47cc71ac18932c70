import type { ReactNode } from 'react'

/** The work sheet: what is looked at on the left, what is to be done on the right, the big action at its foot. */
export function Sheet({ left, right }: { readonly left: ReactNode; readonly right?: ReactNode }) {
  return (
    <div
      className={`bg-paper grid min-h-0 min-w-0 grid-rows-[minmax(0,1fr)] ${right ? 'grid-cols-[1fr_404px] max-[1100px]:grid-cols-[1fr_330px] max-[820px]:grid-cols-1 max-[820px]:grid-rows-[minmax(72px,1fr)_fit-content(62%)]' : ''}`}
    >
      <section
        className={`flex min-w-0 scroll-pb-32 flex-col gap-2.5 overflow-auto px-[18px] py-3.5 ${right ? 'border-rule border-r max-[820px]:border-r-0 max-[820px]:border-b-2' : ''}`}
        tabIndex={-1}
      >
        {left}
      </section>
      {right && <aside className="flex min-w-0 flex-col overflow-auto px-5 pt-3.5 pb-4 max-[1100px]:px-3.5">{right}</aside>}
    </div>
  )
}

export function Title({ lead, children }: { readonly lead: ReactNode; readonly children?: ReactNode }) {
  return (
    <h1 className="text-[27px] leading-[1.1] font-bold">
      {lead} <span className="text-soft font-medium">{children}</span>
    </h1>
  )
}

const LOOK = { holds: 'alert-success', unsure: 'alert-warning', off: 'alert-error', todo: 'alert-info' } as const

/** Advice above the big action: one sentence that leads, one that explains. */
export function Say({
  tone,
  lead,
  children,
  role,
}: {
  readonly tone: keyof typeof LOOK
  readonly lead: ReactNode
  readonly children?: ReactNode
  readonly role?: 'status' | 'alert'
}) {
  return (
    <p role={role} className={`alert ${LOOK[tone]}`}>
      <b>{lead}</b> {children}
    </p>
  )
}

/** What went wrong, in words; nothing while nothing did. */
export const Problem = ({ lead, text }: { readonly lead: string; readonly text: string | null }) =>
  text === null ? null : (
    <Say tone="off" lead={lead} role="alert">
      {text}
    </Say>
  )

/** The foot of a long form on the left: what went wrong and the big action stay in sight while the form is read from its top. */
export const Foot = ({ children }: { readonly children: ReactNode }) => (
  <div className="bg-paper border-rule sticky -bottom-3.5 z-10 mt-auto border-t pt-2.5 pb-3.5">
    <div className="max-w-md">{children}</div>
  </div>
)

/** Safety, short, and second to the unit's instructions. */
export function Cautions({ lines }: { readonly lines: readonly string[] }) {
  return (
    <ul className="text-soft border-rule mt-2 border-t pt-2 text-[15px] leading-snug">
      {lines.map((line) => (
        <li key={line} className="flex gap-2 py-0.5">
          <span aria-hidden="true">△</span>
          {line}
        </li>
      ))}
    </ul>
  )
}

export function Row({
  name,
  symbol,
  children,
}: {
  readonly name: ReactNode
  readonly symbol?: string
  readonly children: ReactNode
}) {
  return (
    <div className="border-rule flex items-baseline justify-between gap-3 border-b py-1.5">
      <span className="font-semibold">
        {name}
        {symbol && <small className="text-soft ml-1.5 font-normal">{symbol}</small>}
      </span>
      <span className="figures text-right text-[20px] font-semibold">{children}</span>
    </div>
  )
}
