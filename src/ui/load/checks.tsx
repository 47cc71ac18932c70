import type { LoadLine } from '@/words/load'
import type { LoadRule } from '@/core/tool'
import { say } from '@/words/screens/load'

export interface Line {
  readonly rule: string
  readonly state: 'waits' | 'holds' | 'noted' | 'asks' | 'refused'
  readonly text: string
}

const MARK: Record<Line['state'], { readonly shape: string; readonly look: string }> = {
  waits: { shape: '▲', look: 'text-act' },
  holds: { shape: '●', look: 'text-holds' },
  noted: { shape: '△', look: 'text-soft' },
  asks: { shape: '◐', look: 'text-unsure' },
  refused: { shape: '◆', look: 'text-off' },
}

function CheckLine({ line, small = false }: { readonly line: Line; readonly small?: boolean }) {
  const plain = line.state === 'holds' || line.state === 'noted'
  return (
    <div
      className={`grid grid-cols-[28px_1fr] items-center ${small ? 'min-h-8 text-base' : `${line.state === 'holds' ? 'min-h-9' : 'min-h-11'} py-1 text-[18px]`}`}
    >
      <span className={`text-lg ${MARK[line.state].look}`} aria-label={line.state}>
        {MARK[line.state].shape}
      </span>
      <span className={plain ? '' : `font-semibold ${MARK[line.state].look}`}>{line.text}</span>
    </div>
  )
}

const WHO = { anyone: say.anyoneCanGoOnWith, lead: say.aLeadCanGoOn, nobody: '' } as const

/** Scans first, then what speaks against it or is asked, then the rules that hold, folded. */
export function Checks({
  scans,
  findings,
  overruled,
  reasons,
  onReason,
}: {
  readonly scans: readonly Line[]
  readonly findings: readonly LoadLine[]
  readonly overruled: readonly { readonly rule: LoadRule; readonly reason: string; readonly who: string }[]
  readonly reasons: Readonly<Partial<Record<LoadRule, string>>>
  /** Left out once a load is begun. */
  readonly onReason?: (rule: LoadRule, reason: string) => void
}) {
  const open = findings.filter((f) => f.state === 'refused' || f.state === 'asks' || f.state === 'noted')
  const holding = findings.filter((f) => f.state === 'holds')
  // while something is refused outright no reason helps
  const refused = findings.some((f) => f.state === 'refused')
  return (
    <div data-testid="checks">
      <ol>
        {scans.map((line) => (
          <li key={line.rule} className="border-rule border-b">
            <CheckLine line={line} />
          </li>
        ))}
        {open.map((f) => {
          const done = overruled.find((o) => o.rule === f.rule)
          return (
            <li key={f.said.code} className="border-rule border-b">
              <CheckLine line={f} />
              {done && <p className="text-soft pb-1.5 pl-7">{say.approvedBy(done.who, done.reason)}</p>}
              {f.state === 'asks' && !done && !refused && onReason && (
                <label className="block pb-2 pl-7">
                  <span className="text-soft">{WHO[f.may]}</span>
                  <input
                    className="input"
                    value={reasons[f.rule] ?? ''}
                    placeholder={say.whyItCanBeLoaded}
                    aria-label={say.whyText(f.text)}
                    onChange={(e) => onReason(f.rule, e.target.value)}
                  />
                </label>
              )}
            </li>
          )
        })}
      </ol>
      {holding.length > 0 && (
        <details className="border-rule border-b">
          <summary className="grid min-h-11 cursor-pointer grid-cols-[28px_1fr] items-center text-[18px]">
            <span className="text-holds text-lg" aria-hidden="true">
              ●
            </span>
            <span>{holding.length === 1 ? say.oneRuleIsMet : say.rulesAreMet(holding.length)} ▾</span>
          </summary>
          {holding.map((f) => (
            <CheckLine key={f.said.code} line={f} small />
          ))}
        </details>
      )}
    </div>
  )
}
