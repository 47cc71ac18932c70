'use client'
import { useState } from 'react'
import { BigAction, RowAction } from '../common/actions'
import { AreaField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as kit from '@/stations/kit/contract'
import { say } from '@/words/screens/kit'

export function ShiftNotes({
  notes,
  write,
  tick,
}: {
  readonly notes: readonly { readonly id: number; readonly text: string; readonly said: string }[]
  readonly write: Ask<typeof kit.writeNote>
  readonly tick: Ask<typeof kit.tickOff>
}) {
  const [text, setText] = useState('')
  const { busy, problem, run } = useAct()
  return (
    <div className="flex flex-1 flex-col">
      <h2 className="text-2xl font-bold">{say.notes}</h2>
      <ul className="flex-1 overflow-auto" tabIndex={0} aria-label={say.notes}>
        {notes.map((note) => (
          <li key={note.id} className="border-rule flex items-start justify-between gap-3 border-b py-2">
            <span>
              {note.text} <small className="text-soft block text-[14px]">{note.said}</small>
            </span>
            <RowAction onAct={() => void run(() => tick({ id: note.id }))}>{say.seen}</RowAction>
          </li>
        ))}
        {notes.length === 0 && <li className="text-soft py-2 text-lg">{say.noOpenNotes}</li>}
      </ul>
      <Problem lead={say.notKept} text={problem} />
      <AreaField
        label={say.forTheNextShift}
        value={text}
        maxLength={400}
        onChange={(event) => setText(event.target.value)}
        className="h-24 py-2 leading-tight"
      />
      <BigAction
        hint={say.space}
        disabled={busy || text.trim().length < 2}
        onAct={() =>
          void run(
            () => write({ text }),
            () => setText(''),
            say.noteIsSaved,
          )
        }
      >
        {say.saveNote}
      </BigAction>
    </div>
  )
}
