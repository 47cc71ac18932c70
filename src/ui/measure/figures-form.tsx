'use client'
import { useRouter } from 'next/navigation'
import { useForm, useWatch } from 'react-hook-form'
import { useState } from 'react'
import { readScan } from '@/codecs/label-text'
import { featureWord, FIGURE_KEYS, FIGURE_SIGMA_MM, type FigureKey, type Figures, type SpecLimits } from '@/core/measure'
import { formatLength, unitMark, unitToMm, type Result } from '@/core/units'
import { ScanAction, SmallAction, SmallActions } from '../common/actions'
import { FIELD } from '../common/form'
import { Problem, Sheet, Title } from '../common/sheet'
import { useScans, useShell, type ScanSaid } from '../shell/shell-context'

export interface FiguresProps {
  readonly serial: string
  readonly title: string
  readonly about: string
  readonly limits: Readonly<Record<FigureKey, SpecLimits | null>>
  readonly before: Readonly<Partial<Record<FigureKey, number | null>>> | null
  readonly save: (given: {
    serial: string
    scanned: string
    first: Figures
    second: Figures
    reason: string | null
  }) => Promise<Outcome>
  /** The bench at the end of a serial line; null where none is connected. */
  readonly line: {
    readonly read: () => Promise<Result<Figures, { code: string; text: string }>>
    readonly save: (given: { serial: string; scanned: string; first: Figures; reason: string | null }) => Promise<Outcome>
  } | null
}

type Outcome = Result<{ verdict: string | null; kept: boolean }, { code: string; text: string }>

type Typed = Record<`${FigureKey}${1 | 2}`, string>
const EMPTY: Typed = { LF1: '', LF2: '', DC1: '', DC2: '', RE1: '', RE2: '' }

/** Figures read off a bench without a camera: each typed twice, the second time without looking at the first. */
export function FiguresForm({ serial, title, about, limits, before, save, line }: FiguresProps) {
  const { unit } = useShell()
  const router = useRouter()
  const { register, control } = useForm<Typed>({ defaultValues: EMPTY })
  const [problem, setProblem] = useState<{ code: string; text: string } | null>(null)
  const [reason, setReason] = useState('')
  const [taken, setTaken] = useState<Figures | null>(null)
  const [asking, setAsking] = useState(false)
  const typed = { ...EMPTY, ...useWatch({ control }) }
  const mm = (text: string) => {
    const value = text.trim() === '' ? null : Number(text.replace(',', '.'))
    return value === null ? null : unitToMm(value, unit)
  }
  const figures = (n: 1 | 2): Figures => ({ LF: mm(typed[`LF${n}`]), DC: mm(typed[`DC${n}`]), RE: mm(typed[`RE${n}`]) })

  const take = async () => {
    if (!line || asking) return
    setAsking(true)
    setProblem(null)
    const figures = await line.read()
    if (figures.ok) setTaken(figures.value)
    else setProblem(figures.error)
    setAsking(false)
  }

  useScans(async (raw): Promise<ScanSaid | null> => {
    const scan = readScan(raw)
    if (scan.type !== 'plain' || !/^[A-Z]{2}\d+/i.test(scan.text)) return null
    const scanned = scan.text.toUpperCase()
    const [first, second] = [figures(1), figures(2)]
    const bad = FIGURE_KEYS.find((key) => Number.isNaN(first[key]) || Number.isNaN(second[key]))
    const done =
      taken && line
        ? await line.save({ serial, scanned, first: taken, reason: reason.trim() || null })
        : bad
          ? { ok: false as const, error: { code: 'BAD', text: `${featureWord(bad)} is no number.` } }
          : await save({ serial, scanned, first, second, reason: reason.trim() || null })
    if (!done.ok) {
      setProblem(done.error)
      return { title: scanned, text: done.error.text, tone: 'off' }
    }
    router.refresh()
    const { verdict, kept } = done.value
    return {
      title: serial,
      text: kept ? 'saved: the same within uncertainty, its hand-over stands' : `saved: ${verdict ?? 'not judged'}`,
      tone: verdict === 'holds' ? 'holds' : verdict === 'off' ? 'off' : 'todo',
      href: verdict === 'off' || kept ? `/tools/${serial}` : `/hand-over/${serial}`,
    }
  })

  return (
    <Sheet
      left={
        <>
          <Title lead={title}>{about} · figures from a bench without a camera</Title>
          <p className="max-w-[60ch] text-lg">
            {taken
              ? 'As they stand on the other bench’s readouts. They are asked for once more when the holder is scanned.'
              : 'Read each figure off and type it; then type it again without looking at the first. From the gauge line, not from the back of the flange.'}
          </p>
          <table className="w-full max-w-[690px] border-collapse text-lg">
            <thead className="text-soft text-left text-base">
              <tr>
                <th className="pb-1 font-semibold">{unitMark(unit)}</th>
                <th className="pb-1 font-semibold">{taken ? 'from the line' : 'first'}</th>
                <th className="pb-1 pl-3 font-semibold">{taken ? '' : 'and again'}</th>
                <th className="pb-1 pl-3 text-right font-semibold">wanted</th>
              </tr>
            </thead>
            <tbody>
              {FIGURE_KEYS.map((key) => {
                const wanted = limits[key]
                const different =
                  typed[`${key}1`] !== '' && typed[`${key}2`] !== '' && mm(typed[`${key}1`]) !== mm(typed[`${key}2`])
                return (
                  <tr key={key} className="border-rule border-t">
                    <th className="py-2 pr-3 text-left font-semibold whitespace-nowrap">
                      {featureWord(key)} <small className="text-soft font-normal">{key}</small>
                      {typeof before?.[key] === 'number' && (
                        <small className="figures text-soft block font-medium">was {formatLength(before[key], unit)}</small>
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
                            className={`${FIELD} figures text-[22px] font-semibold ${different && n === 2 ? 'border-off' : ''}`}
                          />
                        </td>
                      ))
                    )}
                    <td className="figures text-soft pl-3 text-right whitespace-nowrap">
                      {wanted
                        ? `${wanted.min === null ? '' : formatLength(wanted.min, unit)} – ${formatLength(wanted.max, unit)}`
                        : 'not judged'}
                      {different && <span className="text-off block font-semibold">not the same</span>}
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
          <h2 className="text-2xl font-bold">Without pictures</h2>
          <p className="mt-2 text-lg">
            {taken ? 'Figures from a line' : 'Figures typed in'} count with ± {formatLength(2 * FIGURE_SIGMA_MM, unit)}{' '}
            {unitMark(unit)}. Near a limit they stay unsure where pictures would decide. Runout is not judged.
          </p>
          <div className="mt-auto pt-1">
            <Problem lead="Not saved." text={problem?.text ?? null} />
            {problem?.code === 'JUMP' && (
              <label className="mb-2.5 block text-lg font-semibold">
                Why it jumped
                <input className={FIELD} value={reason} onChange={(e) => setReason(e.target.value)} />
              </label>
            )}
            <ScanAction>Scan {serial} to save</ScanAction>
            {line && (
              <SmallActions>
                <SmallAction onAct={() => void take()} disabled={asking}>
                  {asking ? 'Asking the bench …' : taken ? 'Take them again' : 'Take from the line'}
                </SmallAction>
                {taken && <SmallAction onAct={() => setTaken(null)}>Type them</SmallAction>}
              </SmallActions>
            )}
          </div>
        </>
      }
    />
  )
}
