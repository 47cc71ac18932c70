import { NamedDate } from '../common/date-field'
import { SelectField, TextField } from '../common/form'
import { kindText } from '@/words/kinds'
import { say } from '@/words/screens/records'

interface Choice {
  readonly value: string
  readonly name: string
}

/** One search over the record: a plain form, so that its answer has an address of its own. */
export function RecordSearch({
  asked,
  machines,
  people,
  kinds,
}: {
  readonly asked: Readonly<Partial<Record<'tool' | 'machine' | 'person' | 'what' | 'from' | 'to' | 'words', string>>>
  readonly machines: readonly Choice[]
  readonly people: readonly Choice[]
  readonly kinds: readonly string[]
}) {
  const select = (label: string, name: 'machine' | 'person' | 'what', choices: readonly Choice[]) => (
    <SelectField label={label} name={name} defaultValue={asked[name] ?? ''}>
      <option value="">{say.any}</option>
      {choices.map((c) => (
        <option key={c.value} value={c.value}>
          {c.name}
        </option>
      ))}
    </SelectField>
  )
  return (
    <form role="search" className="grid grid-cols-4 items-end gap-x-3 gap-y-2 max-[1100px]:grid-cols-2">
      <TextField label={say.tool} symbol={say.tNumberOrHolder} name="tool" defaultValue={asked.tool} autoComplete="off" />
      {select(
        say.what,
        'what',
        kinds.map((value) => ({ value, name: kindText(value) })),
      )}
      {select(say.machine, 'machine', machines)}
      {select(say.person, 'person', people)}
      <NamedDate label={say.from} name="from" start={asked.from} />
      <NamedDate label={say.to} name="to" start={asked.to} />
      <TextField label={say.words} name="words" defaultValue={asked.words} autoComplete="off" />
      <button className="btn btn-outline">{say.search}</button>
    </form>
  )
}
