/** What a mark is: the text on a holder, an extension, a master or an adapter that says which piece it is. */

/** Letters, digits and the signs that stand in marks; no sign that would end a label's field. */
const MARK = /^[A-Z0-9][A-Z0-9._/-]{1,38}[A-Z0-9]$/

/** @param text as scanned or typed. @returns the mark as it is kept; null when the text is none */
export function readMark(text: string): string | null {
  const mark = text.trim().toUpperCase()
  return MARK.test(mark) ? mark : null
}
