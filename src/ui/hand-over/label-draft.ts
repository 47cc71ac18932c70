'use client'
import { useState } from 'react'
import type { LabelLayout } from '@/core/tool'
import { parseLength } from '@/core/units'
import { useUnsaved } from '../shell/shell-context'
import type { Ask, Asked } from '@/stations/contract'
import type * as handOver from '@/stations/hand-over/contract'
import { say } from '@/words/screens/hand-over'

export type Given = Asked<typeof handOver.tryLabel>

/** @returns 0 while it is no length: the size is then refused */
export const mmOf = (text: string): number => {
  const mm = parseLength(text, 'mm')
  return mm.ok ? mm.value : 0
}

export interface LabelEditorProps {
  readonly machine: { readonly key: string; readonly name: string; readonly version: number }
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly layout: LabelLayout
  readonly code: 'datamatrix' | 'qr'
  /** Hand-overs to try it on. */
  readonly tools: readonly { readonly id: number; readonly name: string }[]
  /** Fields to insert. */
  readonly fields: Readonly<Record<string, string>>
  readonly lead: boolean
  readonly tryLabel: Ask<typeof handOver.tryLabel>
  readonly keep: Ask<typeof handOver.keepLabel>
}

/** What is typed: lines, size, code, and the hand-over it is tried on. */
export function useDraft({ machine, layout, code, tools }: LabelEditorProps) {
  const [lines, setLines] = useState<readonly string[]>([layout.title, ...layout.lines])
  const [size, setSize] = useState({ widthMm: String(layout.widthMm), heightMm: String(layout.heightMm) })
  const [kind, setKind] = useState(code)
  const [handover, setHandover] = useState(tools[0]?.id ?? null)
  const [kept, setKept] = useState(false)
  const edited =
    !kept &&
    (kind !== code ||
      lines.join('\n') !== [layout.title, ...layout.lines].join('\n') ||
      size.widthMm !== String(layout.widthMm) ||
      size.heightMm !== String(layout.heightMm))
  useUnsaved(edited ? say.thisLabel : null)
  const given: Given | null =
    handover === null
      ? null
      : {
          machine: machine.key,
          handover,
          code: kind,
          layout: {
            widthMm: mmOf(size.widthMm),
            heightMm: mmOf(size.heightMm),
            title: lines[0] ?? '',
            lines: lines.slice(1),
          },
        }
  const change = (i: number, text: string) => {
    setKept(false)
    setLines((all) => all.map((line, k) => (k === i ? text : line)))
  }
  return { lines, setLines, size, setSize, kind, setKind, handover, setHandover, kept, setKept, given, change }
}

export type Draft = ReturnType<typeof useDraft>
