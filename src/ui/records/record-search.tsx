import { Field, FIELD } from '../common/form'
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
  const select = (name: 'machine' | 'person' | 'what', choices: readonly Choice[]) => (
    <select name={name} className={FIELD} defaultValue={asked[name] ?? ''}>
      <option value="">{say.any}</option>
      {choices.map((c) => (
        <option key={c.value} value={c.value}>
          {c.name}
        </option>
      ))}
    </select>
  )
  return (
    <form role="search" className="grid grid-cols-4 items-end gap-x-3 gap-y-2 max-[1100px]:grid-cols-2">
      <Field name={say.tool} symbol={say.tNumberOrHolder}>
        <input name="tool" className={FIELD} defaultValue={asked.tool} autoComplete="off" />
      </Field>
      <Field name={say.what}>
        {select(
          'what',
          kinds.map((value) => ({ value, name: value })),
        )}
      </Field>
      <Field name={say.machine}>{select('machine', machines)}</Field>
      <Field name={say.person}>{select('person', people)}</Field>
      <Field name={say.from}>
        <input name="from" type="date" className={FIELD} defaultValue={asked.from} />
      </Field>
      <Field name={say.to}>
        <input name="to" type="date" className={FIELD} defaultValue={asked.to} />
      </Field>
      <Field name={say.words}>
        <input name="words" className={FIELD} defaultValue={asked.words} autoComplete="off" />
      </Field>
      <button className="border-ink font-head h-11 rounded-[3px] border-[1.5px] px-4 text-[19px] font-semibold">
        {say.search}
      </button>
    </form>
  )
}
