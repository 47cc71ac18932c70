'use client'
import { useState } from 'react'
import type { Pupil, TeachingView } from '@/stations/teaching/contract'
import { FAULT_NAMES, lessonTitle } from '@/words/lessons'
import { say } from '@/words/screens/teaching'
import { BigAction } from '../common/actions'
import { CheckField, TextField } from '../common/form'
import { Problem, Sheet, Title } from '../common/sheet'
import { PRACTICE_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { formatWhen } from '../format/due'
import { Conditions } from './conditions'
import type { TeachActs } from './teach-acts'

/** How everybody stands, what they need to have learned, and lessons made of real tools. */
export function TeachStation({ view, act }: { readonly view: TeachingView; readonly act: TeachActs }) {
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={PRACTICE_TABS} label={say.practice} />
          <Title lead={say.teach}>{say.teachAbout}</Title>
          <Progress view={view} />
          <Conditions view={view} act={act} />
        </>
      }
      right={<NewLesson view={view} act={act} />}
    />
  )
}

function Progress({ view: { pupils, lessons } }: { readonly view: TeachingView }) {
  return (
    <div className="overflow-x-auto">
      <table className="table text-lg">
        <thead>
          <tr>
            <th>{say.who}</th>
            {lessons.map((lesson) => (
              <th key={lesson.key} className="max-w-[120px] text-right whitespace-normal">
                {lessonTitle(lesson)}
              </th>
            ))}
            <th>{say.missed}</th>
          </tr>
        </thead>
        <tbody>
          {pupils.map((pupil) => (
            <tr key={pupil.id}>
              <th className="font-semibold whitespace-nowrap">{pupil.name}</th>
              {lessons.map(({ key }) => (
                <Done key={key} done={pupil.done[key] ?? null} />
              ))}
              <td className="text-base">{missedOf(pupil)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

const MOST_MISSED = 3
const missedOf = ({ missed }: Pupil): string => {
  const names = missed.slice(0, MOST_MISSED).map((code) => FAULT_NAMES[code])
  return missed.length > MOST_MISSED ? say.andMore(names.join(', '), missed.length - MOST_MISSED) : names.join(', ')
}

function Done({ done }: { readonly done: Pupil['done'][string] | null }) {
  if (!done) return <td className="text-soft text-right">–</td>
  return (
    <td className="figures text-right">
      <b>{say.share(done.share)}</b>
      <small className="text-soft block text-sm whitespace-nowrap">{formatWhen(done.at)}</small>
    </td>
  )
}

/** A lesson of tools that were really measured; only their readings go into it. */
function NewLesson({ view: { cases, own }, act }: { readonly view: TeachingView; readonly act: TeachActs }) {
  const { busy, problem, run } = useAct()
  const [title, setTitle] = useState('')
  const [chosen, setChosen] = useState<readonly number[]>([])
  const flip = (id: number) => setChosen((all) => (all.includes(id) ? all.filter((one) => one !== id) : [...all, id]))
  return (
    <>
      <h2 className="text-2xl font-bold">{say.ownLessons}</h2>
      {own.map(({ id, title: name, tools }) => (
        <div key={id} className="border-rule flex min-h-11 items-center justify-between gap-3 border-b">
          <span>
            <b className="font-head text-lg">{name}</b> <span className="text-soft">{say.tools(tools)}</span>
          </span>
          <button
            type="button"
            className="btn btn-ghost text-act px-2"
            disabled={busy}
            onClick={() => void run(() => act.retire({ id }))}
          >
            {say.takeOff}
          </button>
        </div>
      ))}
      <h3 className="mt-3 text-xl font-bold">{say.newLesson}</h3>
      <p className="text-soft">{say.newLessonAbout}</p>
      {cases.length === 0 ? (
        <p className="mt-2 text-lg">{say.noCases}</p>
      ) : (
        <>
          <TextField label={say.title} value={title} onChange={(e) => setTitle(e.target.value)} />
          <fieldset className="min-h-0 overflow-y-auto">
            <legend className="sr-only">{say.cases}</legend>
            {cases.map(({ measurement, at, code, edge, edges }) => (
              <CheckField
                key={measurement}
                label={say.caseOf(FAULT_NAMES[code], edge, edges, formatWhen(at))}
                checked={chosen.includes(measurement)}
                onChange={() => flip(measurement)}
              />
            ))}
          </fieldset>
        </>
      )}
      <div className="mt-auto pt-3">
        <Problem lead={say.notMade} text={problem} />
        <BigAction
          disabled={busy || chosen.length === 0 || title.trim() === ''}
          onAct={() =>
            void run(
              () => act.make({ title, measurements: [...chosen] }),
              () => {
                setTitle('')
                setChosen([])
              },
              say.made(title),
            )
          }
        >
          {say.make}
        </BigAction>
      </div>
    </>
  )
}
