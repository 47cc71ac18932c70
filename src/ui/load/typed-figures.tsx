'use client'
import { useState } from 'react'
import type { RegisterName } from '@/core/handover'
import { fixed, unitMark, type LengthUnit } from '@/core/units'
import { BigAction } from '../common/actions'
import { FIELD } from '../common/form'

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
  onRead,
}: {
  readonly machine: { readonly name: string; readonly decimals: number }
  readonly figures: readonly Figure[]
  readonly busy: boolean
  readonly onRead: (register: RegisterName, value: number) => void
}) {
  const at = figures.findIndex((f) => !f.read)
  const figure = figures[at]
  const [text, setText] = useState('')
  if (!figure) return null
  const value = Number(text.replace(',', '.'))
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
      <p className="text-soft">
        {at + 1} of {figures.length}, row {figure.number} of {machine.name}’s table
      </p>
      <p className="text-xl font-semibold">{figure.register}</p>
      <p className="font-head figures text-[60px] leading-none font-bold" data-testid="to-type">
        {figure.register === 'tip' ? figure.rounded : fixed(figure.rounded, machine.decimals)}{' '}
        <small className="text-soft text-2xl font-medium">{figure.register === 'tip' ? '' : unitMark(figure.unit)}</small>
      </p>
      <label className="mt-2 block text-lg font-semibold">
        The control shows
        <input
          className={`${FIELD} figures h-[52px]! text-[26px]!`}
          inputMode="decimal"
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <div className="mt-2">
        <BigAction hint="Enter" onAct={read} disabled={busy || !readable}>
          Read back
        </BigAction>
      </div>
    </form>
  )
}
