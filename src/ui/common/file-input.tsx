import type { RefObject } from 'react'

/** The hidden field behind a button that asks for files; the same file may be chosen again. */
export function FileInput({
  picker,
  label,
  accept,
  many = false,
  take,
}: {
  readonly picker: RefObject<HTMLInputElement | null>
  readonly label: string
  readonly accept?: string
  readonly many?: boolean
  readonly take: (files: readonly File[]) => void
}) {
  return (
    <input
      ref={picker}
      type="file"
      accept={accept}
      multiple={many}
      className="sr-only"
      aria-label={label}
      tabIndex={-1}
      onChange={(event) => {
        take([...(event.target.files ?? [])])
        event.target.value = ''
      }}
    />
  )
}
