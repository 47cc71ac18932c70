'use client'
import { format, parseISO } from 'date-fns'
import { CalendarDays } from 'lucide-react'
import { useId, useRef, useState, type ReactNode } from 'react'
import { DayPicker } from 'react-day-picker'
import { dayText } from '@/words/time'
import { say } from '@/words/screens/shell'
import { readDay, readTime } from '../format/day'
import { Field } from './form'

interface DayProps {
  readonly label: ReactNode
  /** `yyyy-MM-dd`, or empty. */
  readonly value: string
  readonly take: (day: string) => void
  readonly error?: string
  readonly wide?: boolean
}

/** A day, typed the way people write it or picked from the month. What can't be read is told, and the last day stays. */
export function DateField({ label, value, take, error, wide }: DayProps) {
  return (
    <Field label={label} wide={wide} error={error}>
      {(told) => <Day value={value} take={take} told={told} />}
    </Field>
  )
}

/** A day of a plain form, which sends it by its name. */
export function NamedDate({ label, name, start }: { readonly label: ReactNode; readonly name: string; readonly start?: string }) {
  const [day, setDay] = useState(start ?? '')
  return (
    <div>
      <DateField label={label} value={day} take={setDay} />
      <input type="hidden" name={name} value={day} />
    </div>
  )
}

/** A day and a time of it: `yyyy-MM-ddTHH:mm` in the zone of the shop. */
export function TimeField({ label, value, take, error, wide }: DayProps) {
  const [day, time = ''] = value.split('T')
  const [typed, setTyped] = useState<string | null>(null)
  const keep = (text: string) => {
    const read = readTime(text)
    if (read) take(`${day}T${read}`)
    setTyped(read ? null : text)
  }
  return (
    <Field label={label} wide={wide} error={error ?? (typed !== null && !readTime(typed) ? say.typeTheTime : undefined)}>
      {(told) => (
        <span className="flex gap-2">
          <Day value={day} take={(d) => take(`${d}T${time || '07:00'}`)} told={told} />
          <input
            className="input figures mt-1 w-24"
            aria-label={say.timeOfDay}
            value={typed ?? time}
            onChange={(e) => setTyped(e.target.value)}
            onBlur={() => typed !== null && keep(typed)}
            onKeyDown={(e) => e.key === 'Enter' && typed !== null && keep(typed)}
          />
        </span>
      )}
    </Field>
  )
}

function Day({
  value,
  take,
  told,
}: {
  readonly value: string
  readonly take: (day: string) => void
  readonly told: { readonly 'aria-describedby'?: string; readonly 'aria-invalid'?: true }
}) {
  const [typed, setTyped] = useState<string | null>(null)
  const [open, setOpen] = useState(false)
  const month = useRef<HTMLDivElement>(null)
  const id = useId()
  const anchor = `--${id.replace(/[^a-z0-9]/gi, '')}`
  const keep = () => {
    if (typed === null) return
    const day = typed.trim() ? readDay(typed, new Date()) : ''
    if (day === null) return
    take(day)
    setTyped(null)
  }
  const wrong = typed !== null && typed.trim() !== '' && readDay(typed, new Date()) === null
  return (
    <span className="mt-1 block w-full min-w-0">
      <span className="join flex" style={{ anchorName: anchor }}>
        <input
          className="input join-item figures min-w-0"
          placeholder={say.suchAsADay}
          {...told}
          value={typed ?? (value ? dayText(value) : '')}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={keep}
          onKeyDown={(e) => e.key === 'Enter' && keep()}
        />
        <button type="button" className="btn btn-outline btn-square join-item" aria-label={say.pickADay} popoverTarget={id}>
          <CalendarDays size={20} aria-hidden="true" />
        </button>
      </span>
      {wrong && <span className="text-off block text-base">{say.typeTheDay}</span>}
      <span
        ref={month}
        id={id}
        popover="auto"
        onToggle={(event) => setOpen(event.newState === 'open')}
        className="bg-paper text-ink border-ink fixed inset-auto m-0 border-[1.5px] p-2"
        style={{ positionAnchor: anchor, positionArea: 'bottom span-right', positionTryFallbacks: 'flip-block, flip-inline' }}
      >
        {open && (
          <DayPicker
            className="react-day-picker"
            mode="single"
            weekStartsOn={1}
            defaultMonth={value ? parseISO(value) : undefined}
            selected={value ? parseISO(value) : undefined}
            onSelect={(day) => {
              if (day) take(format(day, 'yyyy-MM-dd'))
              setTyped(null)
              month.current?.hidePopover()
            }}
          />
        )}
      </span>
    </span>
  )
}
