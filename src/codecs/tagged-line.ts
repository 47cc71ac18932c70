/** The short codes that scanners read: `BT1;S=…;C=hhhh`, fields parted by `;`, a CRC-16 at the end. */
import { crc16Text } from '@/core/handover'
import { fail, ok, type Result } from '@/core/units'

export type LineError = { readonly code: 'NOT_A_LINE' } | { readonly code: 'BAD_CRC' }

export interface TaggedLine {
  readonly prefix: string
  readonly fields: ReadonlyMap<string, string>
}

/** @param fields in their order; values may not hold `;` */
export function encodeLine(prefix: string, fields: readonly (readonly [string, string])[]): string {
  const body = [prefix, ...fields.map(([key, value]) => `${key}=${value}`)].join(';')
  return `${body};C=${crc16Text(body)}`
}

/** Blanks at the ends are trimmed, hex is read in either case; the CRC is checked before the fields are read. */
export function decodeLine(text: string, prefix: string): Result<TaggedLine, LineError> {
  const line = text.trim()
  const end = line.lastIndexOf(';C=')
  if (!line.startsWith(`${prefix};`) || end < 0 || !/^[\x20-\x7e]+$/.test(line)) return fail({ code: 'NOT_A_LINE' })
  const crc = line.slice(end + 3)
  if (!/^[0-9a-fA-F]{4}$/.test(crc)) return fail({ code: 'NOT_A_LINE' })
  if (crc.toUpperCase() !== crc16Text(line.slice(0, end))) return fail({ code: 'BAD_CRC' })
  const fields = new Map<string, string>()
  for (const part of line.slice(prefix.length + 1, end).split(';')) {
    const at = part.indexOf('=')
    if (at < 1 || fields.has(part.slice(0, at))) return fail({ code: 'NOT_A_LINE' })
    fields.set(part.slice(0, at), part.slice(at + 1))
  }
  return ok({ prefix, fields })
}
