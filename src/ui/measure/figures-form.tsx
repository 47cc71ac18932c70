'use client'
import { featureWord } from '@/words/properties'
import { useRouter } from 'next/navigation'
import { useForm, useWatch } from 'react-hook-form'
import { useState } from 'react'
import { FIGURE_KEYS, FIGURE_SIGMA_MM, type FigureKey, type Figures } from '@/core/sets'
import type { SpecLimits } from '@/core/features'
import { formatLength, parseLength, unitMark } from '@/core/units'
import { lengthErrorText } from '@/words/length'
import { verdictText } from '@/words/verdict'
import { ScanAction, SmallAction, SmallActions } from '../common/actions'
import { FIELD } from '../common/form'
import { Problem, Sheet, Title } from '../common/sheet'
import { useShell, useUnsaved, type ScanSaid } from '../shell/shell-context'
import { useMarks } from '../shell/use-marks'
import { ValuesCheckForm, type ValuesCheckProps } from './values-check'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'
import { say } from '@/words/screens/measure'

export interface FiguresProps {
  readonly serial: string
  readonly title: string
  readonly about: string
  readonly limits: Readonly<Record<FigureKey, SpecLimits | null>>
  readonly before: Readonly<Partial<Record<FigureKey, number | null>>> | null
  /** The master check of the other bench. */
  readonly check: ValuesCheckProps
  readonly save: Ask<typeof measure.saveFigures>
  /** The bench at the end of a serial line; null where none is connected. */
  readonly line: {
    readonly read: Ask<typeof measure.readLine>
    readonly save: Ask<typeof measure.saveLineFigures>
  } | null
}

type Typed = Record<`${FigureKey}${1 | 2}`, string>
const EMPTY: Typed = { LF1: '', LF2: '', DC1: '', DC2: '', RE1: '', RE2: '' }

/** Figures read off a bench without a camera: each typed twice, the second time without looking at the first. */
export function FiguresForm({ serial, title, about, limits, before, check, save, line }: FiguresProps) {
  const { unit } = useShell()
  const router = useRouter()
  const { register, control } = useForm<Typed>({ defaultValues: EMPTY })
  const [problem, setProblem] = useState<{ code: string; text: string } | null>(null)
  const [reason, setReason] = useState('')
  const [taken, setTaken] = useState<Figures | null>(null)
  const [asking, setAsking] = useState(false)
  const typed = { ...EMPTY, ...useWatch({ control }) }
  const read = (key: FigureKey, n: 1 | 2) => {
    const text = typed[`${key}${n}`]
    return text.trim() === '' ? null : parseLength(text, unit)
  }
  const mm = (key: FigureKey, n: 1 | 2): number | null => {
    const value = read(key, n)
    return value === null ? null : value.ok ? value.value : NaN
  }
  const figures = (n: 1 | 2): Figures => ({ LF: mm('LF', n), DC: mm('DC', n), RE: mm('RE', n) })
  const wrongOf = (key: FigureKey, n: 1 | 2): string | null => {
    const value = read(key, n)
    return value && !value.ok ? lengthErrorText(value.error) : null
  }
  useUnsaved(Object.values(typed).some((text) => text !== '') ? say.whatYouTyped : null)

  const take = async () => {
    if (!line || asking) return
    setAsking(true)
    setProblem(null)
    const figures = await line.read({})
    if (figures.ok) setTaken(figures.value)
    else setProblem(figures.error)
    setAsking(false)
  }

  useMarks(async (scanned): Promise<ScanSaid | null> => {
    // the master's mark saves the check, not a tool
    if (scanned === check.master?.mark) return null
    const [first, second] = [figures(1), figures(2)]
    const bad = FIGURE_KEYS.flatMap((key) => wrongOf(key, 1) ?? wrongOf(key, 2) ?? [])[0]
    const done =
      taken && line
        ? await line.save({ serial, scanned, first: taken, reason: reason.trim() || null })
        : bad
          ? { ok: false as const, error: { code: 'BAD', text: bad } }
          : await save({ serial, scanned, first, second, reason: reason.trim() || null })
    if (!done.ok) {
      setProblem(done.error)
      return { title: scanned, text: done.error.text, tone: 'off' }
    }
    router.refresh()
    const { verdict, kept } = done.value
    return {
      title: serial,
      text: kept ? say.savedTheSameWithinUncertaintyIts : `saved: ${verdictText(verdict)}`,
      tone: verdict === 'holds' ? 'holds' : verdict === 'off' ? 'off' : 'todo',
      href: verdict === 'off' || kept ? `/tools/${serial}` : `/hand-over/${serial}`,
    }
  })

  return (
    <Sheet
      left={
        <>
          <Title lead={title}>{say.valuesOfABenchWithout(about)}</Title>
          <p className="max-w-[60ch] text-lg">{taken ? say.valuesAsTheSerialGauge : say.readEachValueAndType}</p>
          <table className="w-full max-w-[690px] border-collapse text-lg">
            <thead className="text-soft text-left text-base">
              <tr>
                <th className="pb-1 font-semibold">{unitMark(unit)}</th>
                <th className="pb-1 font-semibold">{taken ? say.fromTheLine : say.first}</th>
                <th className="pb-1 pl-3 font-semibold">{taken ? '' : say.again}</th>
                <th className="pb-1 pl-3 text-right font-semibold">{say.wanted}</th>
              </tr>
            </thead>
            <tbody>
              {FIGURE_KEYS.map((key) => {
                const wanted = limits[key]
                const different = typed[`${key}1`] !== '' && typed[`${key}2`] !== '' && mm(key, 1) !== mm(key, 2)
                return (
                  <tr key={key} className="border-rule border-t">
                    <th className="py-2 pr-3 text-left font-semibold whitespace-nowrap">
                      {featureWord(key)} <small className="text-soft font-normal">{key}</small>
                      {typeof before?.[key] === 'number' && (
                        <small className="figures text-soft block font-medium">
                          {say.wasBefore(formatLength(before[key], unit))}
                        </small>
                      )}
                    </th>
                    {taken ? (
                      <td colSpan={2} className="figures py-2 text-[34px] leading-none font-[650]">
                        {taken[key] === null ? '–' : formatLength(taken[key], unit)}{' '}
                        <small className="text-soft text-[18px] font-medium">{unitMark(unit)}</small>
                      </td>
                    ) : (
                      ([1, 2] as const).map((n) => (
                        <td key={n} className={n === 2 ? 'pl-3' : ''}>
                          <input
                            {...register(`${key}${n}`)}
                            inputMode="decimal"
                            autoComplete="off"
                            aria-label={`${featureWord(key)}, ${n === 1 ? 'first' : 'again'}`}
                            aria-invalid={wrongOf(key, n) !== null}
                            aria-describedby={wrongOf(key, n) ? `${key}${n}-wrong` : undefined}
                            className={`${FIELD} figures text-[22px] font-semibold ${different && n === 2 ? 'border-off' : ''}`}
                          />
                          {wrongOf(key, n) && (
                            <span
                              id={`${key}${n}-wrong`}
                              role="alert"
                              className="text-off block max-w-[190px] text-[14px] leading-tight"
                            >
                              {wrongOf(key, n)}
                            </span>
                          )}
                        </td>
                      ))
                    )}
                    <td className="figures text-soft pl-3 text-right whitespace-nowrap">
                      {wanted
                        ? `${wanted.min === null ? '' : formatLength(wanted.min, unit)} – ${formatLength(wanted.max, unit)}`
                        : say.notJudged}
                      {different && <span className="text-off block font-semibold">{say.notTheSame}</span>}
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </table>
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.noPictures}</h2>
          <p className="mt-2 text-lg">
            {say.countWithNearALimit(
              taken ? say.valuesFromASerialGauge : say.typedValues,
              formatLength(2 * FIGURE_SIGMA_MM, unit),
              unitMark(unit),
            )}
          </p>
          <ValuesCheckForm {...check} />
          <div className="mt-auto pt-1">
            <Problem lead={say.notSaved} text={problem?.text ?? null} />
            {(problem?.code === 'JUMP' || problem?.code === 'MIXED_UP') && (
              <label className="mb-2.5 block text-lg font-semibold">
                {problem.code === 'JUMP' ? say.whyItChanged : say.whyItIsRight}
                <input className={FIELD} value={reason} onChange={(e) => setReason(e.target.value)} />
              </label>
            )}
            <ScanAction>{say.scanToSave(serial)}</ScanAction>
            {line && (
              <SmallActions>
                <SmallAction onAct={() => void take()} disabled={asking}>
                  {asking ? say.readingTheGauge : taken ? say.readAgain : say.readFromSerialGauge}
                </SmallAction>
                {taken && <SmallAction onAct={() => setTaken(null)}>{say.typeInValues}</SmallAction>}
              </SmallActions>
            )}
          </div>
        </>
      }
    />
  )
}
