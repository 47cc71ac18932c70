'use client'
import { useGo } from '../common/going'
import { useForm, useWatch, type UseFormRegister } from 'react-hook-form'
import { useState, type SetStateAction, type Dispatch } from 'react'
import { FIGURE_KEYS, FIGURE_SIGMA_MM, type FigureKey, type Figures } from '@/core/sets'
import { formatLength, parseLength, unitMark, type LengthUnit } from '@/core/units'
import { lengthErrorText } from '@/words/length'
import { verdictText } from '@/words/verdict'
import { ScanAction, SmallAction, SmallActions } from '../common/actions'
import { TextField } from '../common/form'
import { Problem, Sheet, Title } from '../common/sheet'
import { useShell, useUnsaved, type ScanSaid } from '../shell/shell-context'
import { useMarks } from '../shell/use-marks'
import { ValuesCheckForm } from './values-check'
import { say } from '@/words/screens/measure'
import { Line, type FigureTexts } from './figure-line'
import { FiguresProps } from './figures-props'

const EMPTY: FigureTexts = { LF1: '', LF2: '', DC1: '', DC2: '', RE1: '', RE2: '' }

/** What is typed, each value twice, and what it is in mm: null where nothing stands, NaN where it is no length. */
function useFigures(unit: LengthUnit) {
  const { register, control } = useForm<FigureTexts>({ defaultValues: EMPTY })
  const typed = { ...EMPTY, ...useWatch({ control }) }
  const read = (key: FigureKey, n: 1 | 2) => {
    const text = typed[`${key}${n}`]
    return text.trim() === '' ? null : parseLength(text, unit)
  }
  const mm = (key: FigureKey, n: 1 | 2): number | null => {
    const value = read(key, n)
    return value === null ? null : value.ok ? value.value : NaN
  }
  const wrongOf = (key: FigureKey, n: 1 | 2): string | null => {
    const value = read(key, n)
    return value && !value.ok ? lengthErrorText(value.error) : null
  }
  useUnsaved(Object.values(typed).some((text) => text !== '') ? say.whatYouTyped : null)

  return { register, typed, mm, wrongOf }
}

/** Figures read off a bench without a camera: each typed twice, the second time without looking at the first. */
// eslint-disable-next-line max-lines-per-function -- one form; its fields are components already
export function FiguresForm({ serial, title, about, limits, before, check, save, line, dial }: FiguresProps) {
  const { unit } = useShell()
  const router = useGo()
  const { register, typed, mm, wrongOf } = useFigures(unit)
  const [problem, setProblem] = useState<{ code: string; text: string } | null>(null)
  const [reason, setReason] = useState('')
  const [taken, setTaken] = useState<Figures | null>(null)
  const [asking, setAsking] = useState(false)
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
    const figures = (n: 1 | 2): Figures => ({ LF: mm('LF', n), DC: mm('DC', n), RE: mm('RE', n) })
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
          <FiguresTable
            unit={unit}
            taken={taken}
            limits={limits}
            typed={typed}
            mm={mm}
            before={before}
            register={register}
            wrongOf={wrongOf}
          />
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
          <Foot
            problem={problem}
            reason={reason}
            setReason={setReason}
            serial={serial}
            line={line}
            dial={dial}
            take={take}
            asking={asking}
            taken={taken}
            setTaken={setTaken}
          />
        </>
      }
    />
  )
}

/** Every value, with what it should be. */
function FiguresTable({
  unit,
  taken,
  limits,
  typed,
  mm,
  before,
  register,
  wrongOf,
}: {
  readonly unit: LengthUnit
  readonly taken: Readonly<Record<'LF' | 'DC' | 'RE', number | null>> | null
  readonly limits: FiguresProps['limits']
  readonly typed: { LF2: string; LF1: string; DC2: string; DC1: string; RE2: string; RE1: string }
  readonly mm: (key: FigureKey, n: 1 | 2) => number | null
  readonly before: FiguresProps['before']
  readonly register: UseFormRegister<FigureTexts>
  readonly wrongOf: (key: FigureKey, n: 1 | 2) => string | null
}) {
  return (
    <table className="table max-w-[690px] text-lg">
      <thead>
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
            <Line
              key={key}
              of={key}
              before={before}
              unit={unit}
              taken={taken}
              register={register}
              wrongOf={wrongOf}
              different={different}
              wanted={wanted}
            />
          )
        })}
      </tbody>
    </table>
  )
}

/** What speaks against saving them, and the scan that does it. */
function Foot({
  problem,
  reason,
  setReason,
  serial,
  line,
  dial,
  take,
  asking,
  taken,
  setTaken,
}: {
  readonly problem: { code: string; text: string } | null
  readonly reason: string
  readonly setReason: Dispatch<SetStateAction<string>>
  readonly serial: FiguresProps['serial']
  readonly line: FiguresProps['line']
  readonly dial: boolean
  readonly take: () => Promise<void>
  readonly asking: boolean
  readonly taken: Readonly<Record<'LF' | 'DC' | 'RE', number | null>> | null
  readonly setTaken: Dispatch<SetStateAction<Readonly<Record<'LF' | 'DC' | 'RE', number | null>> | null>>
}) {
  return (
    <div className="mt-auto pt-1">
      <Problem lead={say.notSaved} text={problem?.text ?? null} />
      {(problem?.code === 'JUMP' || problem?.code === 'MIXED_UP') && (
        <TextField
          label={problem.code === 'JUMP' ? say.whyItChanged : say.whyItIsRight}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      )}
      <ScanAction>{say.scanToSave(serial)}</ScanAction>
      {dial && (
        <SmallActions>
          <SmallAction href={`/measure/${serial}/bore`}>{say.setByDial}</SmallAction>
        </SmallActions>
      )}
      {line && (
        <SmallActions>
          <SmallAction onAct={() => void take()} disabled={asking}>
            {asking ? say.readingTheGauge : taken ? say.readAgain : say.readFromSerialGauge}
          </SmallAction>
          {taken && <SmallAction onAct={() => setTaken(null)}>{say.typeInValues}</SmallAction>}
        </SmallActions>
      )}
    </div>
  )
}
