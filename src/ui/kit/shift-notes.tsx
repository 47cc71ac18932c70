'use client'
import { BigAction, RowAction } from '../common/actions'
import { AreaField } from '../common/form'
import { Problem } from '../common/sheet'
import { useContractForm } from '../common/use-contract-form'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import { writeNote, type tickOff } from '@/stations/kit/contract'
import { say } from '@/words/screens/kit'

export function ShiftNotes({
  notes,
  write,
  tick,
}: {
  readonly notes: readonly { readonly id: number; readonly text: string; readonly said: string }[]
  readonly write: Ask<typeof writeNote>
  readonly tick: Ask<typeof tickOff>
}) {
  const { problem: notTicked, run } = useAct()
  const form = useContractForm(writeNote, write, { text: '' }, { said: () => say.noteIsSaved })
  const text = form.watch('text')
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
      <Problem lead={say.notKept} text={form.problem ?? notTicked} />
      <AreaField
        label={say.forTheNextShift}
        maxLength={400}
        error={form.wrong('text')}
        {...form.register('text')}
        className="h-24 py-2 leading-tight"
      />
      <BigAction hint={say.space} disabled={form.busy || text.trim().length < 2} onAct={form.send}>
        {say.saveNote}
      </BigAction>
    </div>
  )
}
