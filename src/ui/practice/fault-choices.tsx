/** What may be wrong, to choose one of. */
export function FaultChoices<T extends string>({
  label,
  codes,
  names,
  taken,
  busy,
  choose,
}: {
  readonly label: string
  readonly codes: readonly T[]
  readonly names: Readonly<Record<T, string>>
  readonly taken: T | null
  readonly busy: boolean
  readonly choose: (code: T) => void
}) {
  return (
    <div className="mt-2 grid grid-cols-2 gap-2" role="group" aria-label={label}>
      {codes.map((code) => (
        <button
          key={code}
          type="button"
          aria-pressed={taken === code}
          disabled={busy}
          className={`btn h-auto min-h-11 justify-start px-3 text-left leading-tight ${taken === code ? 'btn-neutral' : 'btn-outline'}`}
          onClick={() => choose(code)}
        >
          {names[code]}
        </button>
      ))}
    </div>
  )
}
