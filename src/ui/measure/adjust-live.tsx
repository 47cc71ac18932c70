'use client'
import { featureWord } from '@/words/properties'
import { useEffect, useState } from 'react'
import { targetOf, toGo, type ToGo } from '@/core/judge'
import type { SpecLimits } from '@/core/features'
import { formatDeviation, formatLength, parseLength, unitMark, mmToUnit, type Result } from '@/core/units'
import { BigAction } from '../common/actions'
import { LengthField } from '../common/form'
import { Problem, Say } from '../common/sheet'
import { useShell } from '../shell/shell-context'
import { HandOnScrew } from '../stand-in/tricks'
import { say } from '@/words/screens/measure'

type Key = 'LF' | 'DC'
/** What one division of a screw usually changes, mm: common practice, no source. */
const DIVISION_MM = 0.01

/** A value watched against its target while somebody turns a screw or sets the length. */
export function AdjustLive({
  adjust,
  edge,
  limits,
  sigmaMm,
  watch,
  unwatch,
  refresh,
  turn,
  done,
}: {
  readonly adjust: Key
  /** The edge that is watched: the one that stands out farthest. */
  readonly edge: number
  readonly limits: SpecLimits
  readonly sigmaMm: number
  readonly watch: (edge: number, key: Key, each: (x: number | null, z: number | null) => void) => void
  readonly unwatch: () => void
  readonly refresh: (ticket: string) => Promise<unknown>
  readonly turn: (byMm: number) => Promise<Result<{ ticket: string }, { text: string }>>
  readonly done: () => void
}) {
  const { unit } = useShell()
  const [valueMm, setValue] = useState<number | null>(null)
  const [division, setDivision] = useState(String(mmToUnit(DIVISION_MM, unit)))
  const [problem, setProblem] = useState<string | null>(null)
  useEffect(() => {
    watch(edge, adjust, (x, z) => setValue(adjust === 'LF' ? z : x === null ? null : 2 * x))
    return unwatch
  }, [watch, unwatch, edge, adjust])
  const typed = parseLength(division, unit)
  const divisionMm = typed.ok ? typed.value : 0
  const known = divisionMm > 0
  const left = valueMm === null ? null : toGo(valueMm, limits, known ? divisionMm : DIVISION_MM, sigmaMm)
  const span = 4 * (limits.max - targetOf(limits) || 0.05)
  const at = left ? Math.min(96, Math.max(4, 50 - (50 * left.mm) / span)) : 50
  const turned = async (divisions: number) => {
    const answer = await turn(divisions * divisionMm)
    if (answer.ok) await refresh(answer.value.ticket)
    else setProblem(answer.error.text)
  }
  return (
    <>
      <h2 className="text-2xl font-bold">
        {featureWord(adjust)} <small className="text-soft text-lg font-medium">{say.edgeLive(edge)}</small>
      </h2>
      <p className="figures mt-1 text-[64px] leading-none font-[650]" data-testid="live-value">
        {valueMm === null ? '–' : formatLength(valueMm, unit)}
        <small className="text-soft ml-2 text-[22px] font-medium">{unitMark(unit)}</small>
      </p>
      <Scale limits={limits} span={span} left={left} at={at} />
      <p className="flex items-baseline justify-between text-lg">
        <span className="text-soft">{say.toLimits(formatLength(targetOf(limits), unit))}</span>
        <b className={`figures text-[30px] leading-none ${left?.there ? 'text-holds' : 'text-off'}`} data-testid="to-go">
          {left ? (left.there ? say.onTarget : say.toGo(formatDeviation(left.mm, unit))) : '–'}
        </b>
      </p>
      <div className="border-rule mt-3 grid grid-cols-2 gap-3 border-t pt-2">
        <LengthField label={say.oneDivision} value={division} onChange={(e) => setDivision(e.target.value)} />
        <p className="text-base font-semibold">
          {say.divisionsToGo}
          <span className="figures block pt-1 text-[34px] leading-[44px] font-[650]" data-testid="divisions">
            {left && known ? left.divisions.toFixed(1).replace('-', '−') : '–'}
          </span>
        </p>
      </div>
      {adjust === 'DC' && left && known && !left.there && left.mm < 0 && (
        <Say tone="off" lead={say.overshot((-left.divisions).toFixed(1))} />
      )}
      <HandOnScrew on={known} turn={(n) => void turned(n)} />
      <Problem lead={say.notTurned} text={problem} />
      <AdjustFoot unwatch={unwatch} done={done} />
    </>
  )
}

function AdjustFoot({ unwatch, done }: { readonly unwatch: () => void; readonly done: () => void }) {
  return (
    <div className="mt-auto pt-1">
      <p className="text-soft mb-2.5 text-base">{say.turnTheScrewWithThe}</p>
      <BigAction
        onAct={() => {
          unwatch()
          done()
        }}
      >
        {say.adjustedMeasureAllAgain}
      </BigAction>
    </div>
  )
}

/** Where the value stands between its limits. */
function Scale({
  limits,
  span,
  left,
  at,
}: {
  readonly limits: SpecLimits
  readonly span: number
  readonly left: ToGo | null
  readonly at: number
}) {
  return (
    <div className="relative mt-3 h-11" aria-hidden="true">
      <div className="absolute inset-x-0 top-5 h-1.5 bg-[var(--color-base-300)]" />
      <div
        className="absolute top-4 h-3.5 bg-[var(--color-base-300)]"
        style={{
          left: `${50 - 100 * ((limits.max - targetOf(limits)) / (2 * span))}%`,
          right: `${50 - 100 * ((limits.max - targetOf(limits)) / (2 * span))}%`,
        }}
      />
      <div className="bg-ink absolute top-2 left-1/2 h-7 w-[2px]" />
      <div
        className={`absolute top-2.5 h-6 w-2.5 -translate-x-1/2 ${left?.there ? 'bg-[var(--color-holds)]' : 'bg-[var(--color-off)]'}`}
        style={{ left: `${at}%` }}
      />
    </div>
  )
}
