'use client'
import { FileUp } from 'lucide-react'
import { useState, type ReactNode, type RefObject } from 'react'
import { FileInput } from './file-input'

/** Where files are dropped, or chosen by a press. */
export function DropFiles({
  picker,
  label,
  accept,
  many = false,
  take,
  children,
}: {
  /** The field that asks for files, for whoever else opens it. */
  readonly picker: RefObject<HTMLInputElement | null>
  readonly label: string
  readonly accept?: string
  readonly many?: boolean
  readonly take: (files: readonly File[]) => void
  readonly children: ReactNode
}) {
  const [over, setOver] = useState(false)
  return (
    <>
      <button
        type="button"
        className={`flex h-24 shrink-0 flex-col items-center justify-center gap-1 rounded-[3px] border-2 border-dashed px-2 text-lg leading-tight font-semibold ${over ? 'border-act bg-ground' : 'border-stone'}`}
        onClick={() => picker.current?.click()}
        onDragOver={(event) => {
          event.preventDefault()
          setOver(true)
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault()
          setOver(false)
          take([...event.dataTransfer.files])
        }}
      >
        <FileUp size={24} aria-hidden="true" />
        {children}
      </button>
      <FileInput picker={picker} label={label} accept={accept} many={many} take={take} />
    </>
  )
}
