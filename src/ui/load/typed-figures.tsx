'use client'
import { useState, type ReactNode } from 'react'
import type { RegisterName } from '@/core/handover'
import { fixed, mmToUnit, parseLength, roundTo, unitMark, type LengthUnit } from '@/core/units'
import { BigAction } from '../common/actions'
import { NumberField } from '../common/form'
import { StepRow } from './steps'
import { say } from '@/words/screens/load'

/** One register to type: what it is to hold, and whether that was read back. */
export interface Figure {
  readonly register: RegisterName
  readonly number: number
  readonly rounded: number
  readonly unit: LengthUnit
  readonly read: boolean
}

/** Figures large, one register at a time; what the control then shows is typed here and must be the same. */
export function TypedFigures({
  machine,
  figures,
  busy,
  problem,
  onRead,
}: {
  readonly machine: { readonly name: string; readonly decimals: number }
  readonly figures: readonly Figure[]
  readonly busy: boolean
  /** What was wrong with the last one. */
  readonly problem: ReactNode
  readonly onRead: (register: RegisterName, value: number) => void
}) {
  const at = figures.findIndex((f) => !f.read)
  const figure = figures[at]
  const [text, setText] = useState('')
  if (!figure) return null
  const said = (f: Figure) => (f.register === 'tip' ? String(f.rounded) : fixed(f.rounded, machine.decimals))
  const length = figure.register === 'tip' ? null : parseLength(text, figure.unit)
  const value = length === null ? Number(text) : length.ok ? roundTo(mmToUnit(length.value, figure.unit), 6) : NaN
  const readable = text.trim() !== '' && Number.isFinite(value)
  const read = () => {
    if (!readable) return
    setText('')
    onRead(figure.register, value)
  }
  return (
    <form
      className="mt-3"
      onSubmit={(e) => {
        e.preventDefault()
        read()
      }}
    >
      <p className="text-soft">{say.rowOfSTable(figure.number, machine.name)}</p>
      <ol aria-label={say.registersToType}>
        {figures.map((f, i) => (
          <StepRow
            key={f.register}
            name={f.register}
            state={i < at ? 'done' : i === at ? 'now' : 'later'}
            note={i < at ? say.readBack(said(f)) : ''}
          >
            {f.register}
          </StepRow>
        ))}
      </ol>
      <p className="font-head figures mt-3 text-[60px] leading-none font-bold" data-testid="to-type">
        {said(figure)}{' '}
        <small className="text-soft text-2xl font-medium">{figure.register === 'tip' ? '' : unitMark(figure.unit)}</small>
      </p>
      <NumberField
        label={say.theControlShows}
        value={text}
        onChange={(e) => setText(e.target.value)}
        className="h-[52px]! text-[26px]!"
      />
      <div className="mt-2">
        {problem}
        <BigAction hint={say.enter} onAct={read} disabled={busy || !readable}>
          {say.readBackTitle}
        </BigAction>
      </div>
    </form>
  )
}
