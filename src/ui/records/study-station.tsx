'use client'
import Link from '../common/link'
import { useGo } from '../common/going'
import { useState } from 'react'
import { FEATURE_KEYS, type FeatureKey } from '@/core/judge'
import { typedNumber } from '@/core/units'
import type { Ask } from '@/stations/contract'
import type * as study from '@/stations/study/contract'
import { featureWord } from '@/words/properties'
import { say } from '@/words/screens/study'
import { BigAction, Choices, SmallAction, SmallActions } from '../common/actions'
import { CheckField, LengthField, NumberField, SelectField, TextField } from '../common/form'
import { Problem, Say, Sheet, Title } from '../common/sheet'
import { RECORDS_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useLength } from '../common/use-length'
import { formatWhen } from '../format/due'
import { useUnit } from '../shell/shell-context'
import { StudyResult } from './study-result'
import { Type1Result } from './type1-result'

const KINDS = (['several', 'one'] as const).map((key) => ({ key, name: say.kinds[key] }))

interface Chosen {
  readonly people: readonly string[]
  readonly serials: readonly string[]
}
const NOBODY: Chosen = { people: [], serials: [] }

export interface StudyProps {
  readonly view: study.StudiesView
  readonly lead: boolean
  readonly start: Ask<typeof study.startStudy>
  readonly end: Ask<typeof study.endStudy>
}

/** Studies of the bench: who measures what next, and what came of it. */
export function StudyStation({ view, lead, start, end }: StudyProps) {
  const { chosen, studies } = view
  const [fresh, setFresh] = useState(false)
  const asking = fresh || (chosen === null && lead)
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={RECORDS_TABS} label={say.study} />
          <Title lead={say.study}>{say.about}</Title>
          {studies.length === 0 && <p className="text-lg">{say.none}</p>}
          <ul className="max-w-[820px]">
            {studies.map(({ id, name, startedAt, done, of, ended }) => (
              <li key={id} className={`border-rule border-b ${id === chosen?.id ? 'bg-base-200' : ''}`}>
                <Link
                  href={`/records/study?id=${id}`}
                  className="grid min-h-11 grid-cols-[minmax(0,1fr)_170px_150px] items-center gap-4 px-1"
                >
                  <b className="font-head truncate text-xl">{name}</b>
                  <span className="text-soft">{formatWhen(startedAt)}</span>
                  <span className="figures">{ended && done < of ? say.ended : say.progress(done, of)}</span>
                </Link>
              </li>
            ))}
          </ul>
          {chosen?.result && <StudyResult sheet={chosen} result={chosen.result} />}
          {chosen?.type1 && <Type1Result sheet={chosen} found={chosen.type1} />}
          {chosen?.bad && <Say tone="unsure" lead={say.bad(chosen.bad)} />}
        </>
      }
      right={
        asking ? (
          <NewStudy view={view} start={start} shut={() => setFresh(false)} />
        ) : (
          <Running key={chosen?.id ?? 0} sheet={chosen} lead={lead} end={end} anew={() => setFresh(true)} />
        )
      }
    />
  )
}

function Running({
  sheet,
  lead,
  end,
  anew,
}: {
  readonly sheet: study.StudySheet | null
  readonly lead: boolean
  readonly end: StudyProps['end']
  readonly anew: () => void
}) {
  const router = useGo()
  const { busy, problem, run } = useAct()
  if (!sheet) return <p className="text-soft text-lg">{say.askALead}</p>
  const { next } = sheet
  return (
    <>
      <h2 className="text-2xl font-bold">{sheet.name}</h2>
      <p className="text-soft text-lg">{say.progress(sheet.done, sheet.of)}</p>
      {next ? (
        <>
          <p className="mt-3 text-2xl font-semibold">{say.nextIs(next.name, next.serial)}</p>
          <p className="text-lg">{say.repeatOf(next.repeat, sheet.repeats)}</p>
          <p className="text-soft mt-2">{say.blind}</p>
        </>
      ) : (
        <p className="mt-3 text-lg">{sheet.table ? say.allDone : say.ended}</p>
      )}
      <div className="mt-auto pt-3">
        <Problem lead={say.notEnded} text={problem} />
        {next && (
          <BigAction onAct={() => router.push(`/measure/${encodeURIComponent(next.serial)}`)}>
            {say.measureIt(next.serial)}
          </BigAction>
        )}
        {lead && (
          <SmallActions>
            {!sheet.ended && (
              <SmallAction disabled={busy} onAct={() => void run(() => end({ id: sheet.id }))}>
                {say.end}
              </SmallAction>
            )}
            <SmallAction onAct={anew}>{say.newStudy}</SmallAction>
          </SmallActions>
        )}
      </div>
    </>
  )
}

function NewStudy({
  view,
  start,
  shut,
}: {
  readonly view: study.StudiesView
  readonly start: StudyProps['start']
  readonly shut: () => void
}) {
  const unit = useUnit()
  const router = useGo()
  const { busy, problem, run } = useAct()
  const [name, setName] = useState('')
  const [feature, setFeature] = useState<FeatureKey>('DC')
  const [who, setWho] = useState(NOBODY)
  const { people, serials } = who
  const [kind, setKind] = useState<'several' | 'one'>('several')
  const one = kind === 'one'
  const [repeats, setRepeats] = useState('3')
  const reference = useLength(null, unit)
  const tolerance = useLength(null, unit)
  const count = typedNumber(repeats)
  const enough = one
    ? people.length === 1 && reference.mm !== null && tolerance.mm !== null
    : people.length >= 2 && serials.length >= 2
  const ready = name.trim() !== '' && enough && serials.length >= 1 && Number.isInteger(count)
  const choose = (next: 'several' | 'one') => {
    setKind(next)
    setWho(NOBODY)
    setRepeats(next === 'one' ? '25' : '3')
  }
  const go = () =>
    void run(
      () =>
        start({
          name,
          feature,
          people,
          serials,
          repeats: count,
          toleranceMm: tolerance.mm,
          referenceMm: one ? reference.mm : null,
        }),
      ({ id }) => {
        shut()
        router.push(`/records/study?id=${id}`)
      },
      say.started(name),
    )
  return (
    <>
      <h2 className="text-2xl font-bold">{say.newStudy}</h2>
      <Choices label={say.kind} all={KINDS} taken={kind} take={choose} />
      <TextField label={say.name} value={name} onChange={(e) => setName(e.target.value)} />
      <div className="grid grid-cols-2 gap-3">
        <FeatureField feature={feature} choose={setFeature} />
        <NumberField
          label={say.repeats}
          unit={say.timesUnit}
          decimals={false}
          value={repeats}
          onChange={(e) => setRepeats(e.target.value)}
        />
      </div>
      {one && <LengthField label={say.reference} error={reference.error} {...reference.field} />}
      <LengthField label={one ? say.limits : say.tolerance} error={tolerance.error} {...tolerance.field} />
      <Who view={view} one={one} who={who} choose={setWho} />
      <div className="mt-auto pt-3">
        <Problem lead={say.notStarted} text={problem} />
        <BigAction disabled={busy || !ready} onAct={go}>
          {say.start}
        </BigAction>
      </div>
    </>
  )
}

/** People and tools to tick; with `one` the last one that was pressed. */
function Who({
  view,
  one,
  who,
  choose,
}: {
  readonly view: study.StudiesView
  readonly one: boolean
  readonly who: Chosen
  readonly choose: (who: Chosen) => void
}) {
  const { people, serials } = who
  const ticked = (all: readonly string[], which: string, on: boolean) =>
    one ? [which] : on ? [...all, which] : all.filter((other) => other !== which)
  return (
    <>
      <h3 className="mt-2 text-xl font-bold">{say.people}</h3>
      {view.people.map((p) => (
        <CheckField
          key={p.id}
          label={p.name}
          checked={people.includes(p.id)}
          onChange={(e) => choose({ ...who, people: ticked(people, p.id, e.target.checked) })}
        />
      ))}
      <h3 className="mt-2 text-xl font-bold">{say.tools}</h3>
      <div className="max-h-[180px] overflow-auto" tabIndex={0} role="region" aria-label={say.tools}>
        {view.tools.map((t) => (
          <CheckField
            key={t.serial}
            label={`${t.name} (${t.serial})`}
            checked={serials.includes(t.serial)}
            onChange={(e) => choose({ ...who, serials: ticked(serials, t.serial, e.target.checked) })}
          />
        ))}
      </div>
    </>
  )
}

const FeatureField = ({ feature, choose }: { readonly feature: FeatureKey; readonly choose: (feature: FeatureKey) => void }) => (
  <SelectField label={say.feature} value={feature} onChange={(e) => choose(e.target.value as FeatureKey)}>
    {FEATURE_KEYS.map((key) => (
      <option key={key} value={key}>
        {featureWord(key)}
      </option>
    ))}
  </SelectField>
)
