'use client'
import { useGo } from './going'
import { say } from '@/words/screens/shell'

/** Leads to the same sheet for another machine. */
export function MachineSelect({
  value,
  machines,
  path,
}: {
  readonly value: string
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly path: string
}) {
  const router = useGo()
  return (
    <select
      className="select w-44"
      aria-label={say.machine}
      value={value}
      onChange={(e) => router.push(`${path}?machine=${e.target.value}`)}
    >
      {machines.map((m) => (
        <option key={m.key} value={m.key}>
          {m.name}
        </option>
      ))}
    </select>
  )
}
