'use client'
import { format, parseISO } from 'date-fns'
import { CalendarDays } from 'lucide-react'
import { useId, useRef, useState, type ReactNode } from 'react'
import { DayPicker } from 'react-day-picker'
import { dayText } from '@/words/time'
import { say } from '@/words/screens/shell'
import { readDay, readTime } from '../format/day'
import { Field, type Told } from './form'

interface DayProps {
  readonly label: ReactNode
  /** `yyyy-MM-dd`, or empty. */
  readonly value: string
  /** Called at each key: what can't be read is empty, so that no earlier day is saved in its place. */
  readonly take: (day: string) => void
  readonly error?: string
  readonly wide?: boolean
}

const unread = (typed: string | null, read: (text: string) => string | null) =>
  typed !== null && typed.trim() !== '' && read(typed) === null

/** What is typed and stands in the field until it is left; what can be read goes on at once. */
function useTyped(value: string, read: (text: string) => string | null, take: (value: string) => void) {
  const [typed, setTyped] = useState<string | null>(null)
  const field = {
    value: typed ?? value,
    onChange: (event: { readonly target: { readonly value: string } }) => {
      setTyped(event.target.value)
      take(read(event.target.value) ?? '')
    },
    onBlur: () => {
      if (!unread(typed, read)) setTyped(null)
    },
  }
  return { field, wrong: unread(typed, read), forget: () => setTyped(null) }
}

const dayToday = (text: string) => readDay(text, new Date())

/** A day, typed the way people write it or picked from the month. */
export function DateField({ label, value, take, error, wide }: DayProps) {
  const typed = useTyped(value ? dayText(value) : '', dayToday, take)
  return (
    <Field label={label} wide={wide} error={typed.wrong ? say.typeTheDay : error}>
      {(told) => <Day value={value} take={take} told={told} typed={typed} />}
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

const MORNING = '07:00'

/** A day and a time of it: `yyyy-MM-ddTHH:mm` in the zone of the shop; empty while one of them can't be read. */
export function TimeField({ label, value, take, error, wide }: DayProps) {
  const [at, setAt] = useState(() => {
    const [day, time] = value.split('T')
    return { day, time: time ?? MORNING }
  })
  const change = (part: Partial<typeof at>) => {
    const now = { ...at, ...part }
    setAt(now)
    take(now.day && now.time ? `${now.day}T${now.time}` : '')
  }
  const takeDay = (day: string) => change({ day })
  const days = useTyped(at.day ? dayText(at.day) : '', dayToday, takeDay)
  const times = useTyped(at.time, readTime, (time) => change({ time }))
  return (
    <Field label={label} wide={wide} error={days.wrong ? say.typeTheDay : times.wrong ? say.typeTheTime : error}>
      {(told) => (
        <span className="flex gap-2">
          <Day value={at.day} take={takeDay} told={told} typed={days} />
          <input className="input figures mt-1 w-24" aria-label={say.timeOfDay} {...times.field} />
        </span>
      )}
    </Field>
  )
}

function Day({
  value,
  take,
  told,
  typed: { field, forget },
}: {
  readonly value: string
  readonly take: (day: string) => void
  readonly told: Told
  readonly typed: ReturnType<typeof useTyped>
}) {
  const [open, setOpen] = useState(false)
  const month = useRef<HTMLDivElement>(null)
  const id = useId()
  const anchor = `--${id.replace(/[^a-z0-9]/gi, '')}`
  const chosen = value ? parseISO(value) : undefined
  return (
    <span className="mt-1 block w-full min-w-0">
      <span className="join flex" style={{ anchorName: anchor }}>
        <input className="input join-item figures min-w-0" placeholder={say.suchAsADay} {...told} {...field} />
        <button type="button" className="btn btn-outline btn-square join-item" aria-label={say.pickADay} popoverTarget={id}>
          <CalendarDays size={20} aria-hidden="true" />
        </button>
      </span>
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
            defaultMonth={chosen}
            selected={chosen}
            onSelect={(day) => {
              if (day) take(format(day, 'yyyy-MM-dd'))
              forget()
              month.current?.hidePopover()
            }}
          />
        )}
      </span>
    </span>
  )
}
