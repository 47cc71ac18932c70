/** A label printer: takes a picture at 203 dots to the inch, or a page, and prints it in true size. */
import type { Result } from '@/core/units'

export interface LabelJob {
  /** Serial and issue, for whoever looks for it in a queue. */
  readonly name: string
  /** Of the kind that the printer takes. */
  readonly bytes: Uint8Array
  readonly widthMm: number
  readonly heightMm: number
}

export type PrinterError =
  /** It does not take anything: off, or not connected. */
  { readonly code: 'PRINTER_OFF'; readonly detail: string } | { readonly code: 'NO_LABELS' }

/** What a printer takes: a picture, or a page. */
export type LabelKind = 'png' | 'pdf'

export interface Printer {
  readonly takes: LabelKind
  /** Resolves when it is printed, with where it came out. */
  print(job: LabelJob): Promise<Result<{ readonly where: string }, PrinterError>>
  /** Takes back what has not left yet, because it could not be noted; a label that was torn off cannot be taken back. */
  withdraw(where: string): void
}
