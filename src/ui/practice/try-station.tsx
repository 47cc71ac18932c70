'use client'
import Link from '../common/link'
import { useId, useState } from 'react'
import { say } from '@/words/screens/practice'
import { TRIES, type Try } from '@/words/tries'
import { Row, Say, Sheet, Title } from '../common/sheet'
import { PRACTICE_TABS, SubNav } from '../common/sub-nav'
import { useUnit } from '../shell/shell-context'

/** Common errors to try out, one at a time. */
export function TryStation({ chosen }: { readonly chosen: string | null }) {
  const one = TRIES.find(({ key }) => key === chosen) ?? TRIES[0]
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={PRACTICE_TABS} label={say.practice} />
          <Title lead={say.practice}>{say.aMinuteEach}</Title>
          <ul className="max-w-[760px]">
            {TRIES.map(({ key, title }) => (
              <li key={key} className="border-rule border-b">
                <Link
                  href={`/practice?try=${key}`}
                  aria-current={key === one.key ? 'true' : undefined}
                  className={`font-head flex min-h-12 items-center border-l-[5px] px-3 text-[21px] ${key === one.key ? 'border-act bg-base-200 font-bold' : 'border-transparent font-medium'}`}
                >
                  {title}
                </Link>
              </li>
            ))}
          </ul>
        </>
      }
      right={<Trying key={one.key} one={one} />}
    />
  )
}

function Trying({ one: { title, story, move, answer, point } }: { readonly one: Try }) {
  const unit = useUnit()
  const id = useId()
  const [value, setValue] = useState(move.start)
  const { rows, says, bad } = answer(value, unit)
  return (
    <>
      <h2 className="text-2xl font-bold">{title}</h2>
      <p className="text-lg">{story}</p>
      <label htmlFor={id} className="font-head mt-4 flex items-baseline justify-between gap-3 text-xl font-semibold">
        {move.label}
        <output className="figures text-[32px]">{move.shows(value, unit)}</output>
      </label>
      <input
        id={id}
        type="range"
        data-own-arrows
        className="range range-primary my-2.5 w-full [--range-thumb-size:1.75rem]"
        min={move.min}
        max={move.max}
        step={move.step}
        value={value}
        onChange={(event) => setValue(Number(event.target.value))}
      />
      <div className="mt-3">
        {rows.map(([name, shown]) => (
          <Row key={name} name={name}>
            {shown}
          </Row>
        ))}
      </div>
      <Say tone={bad ? 'off' : 'holds'} lead={says} role="status" />
      <div className="border-rule mt-auto border-t pt-3">
        <h3 className="text-xl font-bold">{say.remember}</h3>
        <p className="text-lg">{point}</p>
      </div>
    </>
  )
}
