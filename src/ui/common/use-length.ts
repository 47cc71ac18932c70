import { useState } from 'react'
import { formatLength, parseLength, type LengthUnit } from '@/core/units'
import { lengthErrorText } from '@/words/length'

/** A length field by itself: its value in mm, null while it is none, and what is wrong with it. An untouched figure stays exactly what it was. */
export function useLength(startMm: number | null, unit: LengthUnit) {
  const start = startMm === null ? '' : formatLength(startMm, unit)
  const [text, setText] = useState(start)
  const read = parseLength(text, unit)
  return {
    mm: startMm !== null && text === start ? startMm : read.ok ? read.value : null,
    field: { value: text, onChange: (event: { readonly target: { readonly value: string } }) => setText(event.target.value) },
    error: text !== '' && !read.ok ? lengthErrorText(read.error) : undefined,
    set: (mm: number) => setText(formatLength(mm, unit)),
    clear: () => setText(start),
  }
}
