'use client'
import { useState } from 'react'
import { CONDITIONS_ON, type ConditionOn } from '@/core/practice'
import type { TeachingView } from '@/stations/teaching/contract'
import { lessonTitle } from '@/words/lessons'
import { say } from '@/words/screens/teaching'
import { SelectField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { TeachActs } from './teach-acts'

/** What somebody has to have passed before they do it alone. */
export function Conditions({ view, act }: { readonly view: TeachingView; readonly act: Pick<TeachActs, 'put' | 'end'> }) {
  const { conditions, machines, lessons } = view
  const { busy, problem, run } = useAct()
  const nameOf = (key: string | null) =>
    key === null ? say.everyMachine : (machines.find((machine) => machine.key === key)?.name ?? key)
  return (
    <section className="max-w-[860px]">
      <h2 className="mt-4 text-2xl font-bold">{say.conditions}</h2>
      <p className="text-soft">{say.conditionsAbout}</p>
      {conditions.length === 0 && <p className="mt-1 text-lg">{say.noConditions}</p>}
      <ul>
        {conditions.map(({ id, what, machine, lesson }) => (
          <li key={id} className="border-rule flex min-h-11 items-center justify-between gap-3 border-b text-lg">
            <span>{say.condition(what, nameOf(machine), lessonTitle(lesson))}</span>
            <button
              type="button"
              className="btn btn-ghost text-act px-2"
              disabled={busy}
              onClick={() => void run(() => act.end({ id }))}
            >
              {say.doNotAsk}
            </button>
          </li>
        ))}
      </ul>
      <NewCondition machines={machines} lessons={lessons} busy={busy} put={(asked) => void run(() => act.put(asked))} />
      <Problem lead={say.notAsked} text={problem} />
    </section>
  )
}

function NewCondition({
  machines,
  lessons,
  busy,
  put,
}: Pick<TeachingView, 'machines' | 'lessons'> & {
  readonly busy: boolean
  readonly put: (asked: { readonly what: ConditionOn; readonly machine: string | null; readonly lesson: string }) => void
}) {
  const [what, setWhat] = useState<ConditionOn>('load')
  const [machine, setMachine] = useState('')
  const [lesson, setLesson] = useState('load')
  return (
    <div className="mt-2 grid grid-cols-[1fr_1fr_1.4fr_auto] items-end gap-3 max-[1100px]:grid-cols-2">
      <SelectField label={say.forWhat} value={what} onChange={(e) => setWhat(e.target.value as ConditionOn)}>
        {CONDITIONS_ON.map((one) => (
          <option key={one} value={one}>
            {say.forWhats[one]}
          </option>
        ))}
      </SelectField>
      <SelectField label={say.machine} value={machine} disabled={what !== 'load'} onChange={(e) => setMachine(e.target.value)}>
        <option value="">{say.everyMachine}</option>
        {machines.map(({ key, name }) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
      </SelectField>
      <SelectField label={say.lesson} value={lesson} onChange={(e) => setLesson(e.target.value)}>
        {lessons.map((one) => (
          <option key={one.key} value={one.key}>
            {lessonTitle(one)}
          </option>
        ))}
      </SelectField>
      <button
        type="button"
        className="btn btn-outline min-h-11 px-4"
        disabled={busy}
        onClick={() => put({ what, machine: machine === '' ? null : machine, lesson })}
      >
        {say.ask}
      </button>
    </div>
  )
}
