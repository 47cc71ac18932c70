'use client'
import { PRACTICE_NAMES } from '@/words/properties'
import { useState } from 'react'
import { PRACTICE, PRACTICE_KEYS, type Practice, type PracticeKey } from '@/core/clamp'
import { parseLength } from '@/core/units'
import { RowAction, SmallAction, SmallActions } from '../common/actions'
import { NumberField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as practice from '@/stations/practice/contract'
import { say } from '@/words/screens/settings'

export interface PracticeTableProps {
  readonly practice: Practice
  readonly lead: boolean
  readonly keep: Ask<typeof practice.keepPractice>
}

/** What this shop does its own way, each value with where the standard one comes from. */
export function PracticeTable({ practice, lead, keep }: PracticeTableProps) {
  const [open, setOpen] = useState<PracticeKey | null>(null)
  return (
    <ul>
      {PRACTICE_KEYS.map((key) => {
        const { unit, standard } = PRACTICE[key]
        const [name, source] = PRACTICE_NAMES[key]
        const own = practice[key] !== standard
        return (
          <li key={key} className="border-rule border-b py-1.5">
            <div className="flex items-baseline gap-4">
              <span className="min-w-0 flex-1 leading-tight">
                {name}
                <small className="text-soft block text-base">{own ? say.standardValue(standard, unit, source) : source}</small>
              </span>
              <b className="figures text-xl">
                {practice[key]} <small className="font-normal">{unit}</small>
              </b>
              {lead && open !== key && (
                <RowAction aria-label={say.changeName(name)} onAct={() => setOpen(key)}>
                  {say.changeTitle}
                </RowAction>
              )}
            </div>
            {open === key && <Change key={key} of={key} now={practice[key]} own={own} keep={keep} done={() => setOpen(null)} />}
          </li>
        )
      })}
    </ul>
  )
}

function Change({
  of: key,
  now,
  own,
  keep,
  done,
}: {
  readonly of: PracticeKey
  readonly now: number
  readonly own: boolean
  readonly keep: PracticeTableProps['keep']
  readonly done: () => void
}) {
  const { busy, problem, setProblem, run } = useAct()
  const [text, setText] = useState(String(now))
  const [opened] = useState(now)
  const { unit, min, max, standard } = PRACTICE[key]
  const [name] = PRACTICE_NAMES[key]
  const save = (value: number | null) =>
    void run(() => keep({ key, value, from: opened }), done, value === null ? say.backToStandard(name) : say.valueSaved(name))
  const typed = () => {
    // a plain number reads the same with and without a unit of length
    const read = parseLength(text, 'mm')
    if (!read.ok) return setProblem(say.typeANumberFromTo(min, max))
    save(read.value)
  }
  return (
    <form
      className="max-w-[480px] pb-2"
      onSubmit={(e) => {
        e.preventDefault()
        typed()
      }}
    >
      <NumberField
        label={say.fromTo(min, max, unit)}
        aria-label={say.newValue(name)}
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <Problem lead={say.notSaved} text={problem} />
      <SmallActions>
        <SmallAction onAct={done}>{say.cancel}</SmallAction>
        {own && (
          <SmallAction disabled={busy} onAct={() => save(null)}>
            {say.standardAndSource(standard, unit)}
          </SmallAction>
        )}
        <SmallAction disabled={busy} onAct={typed}>
          {say.save}
        </SmallAction>
      </SmallActions>
    </form>
  )
}
