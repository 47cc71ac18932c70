'use client'
import { useGo } from '../common/going'
import { SelectField } from '../common/form'
import { say } from '@/words/screens/library'

/** Which piece of furniture is counted. */
export function CountUnit({
  unit,
  units,
}: {
  readonly unit: string | null
  readonly units: readonly { readonly id: string; readonly name: string }[]
}) {
  const router = useGo()
  return (
    <SelectField
      label={say.cabinet}
      value={unit ?? ''}
      onChange={(e) => router.push(`/library/stock?unit=${encodeURIComponent(e.target.value)}`)}
    >
      {units.map((u) => (
        <option key={u.id} value={u.id}>
          {u.name}
        </option>
      ))}
    </SelectField>
  )
}
