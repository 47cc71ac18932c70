/**
 * Which kind of machine a program is written for, where its words leave no doubt. Common practice, no source: a mill
 * changes tools with M6; a lathe calls a tool and its offset in one T word of four digits.
 */
export function writtenFor(text: string): 'mill' | 'lathe' | null {
  // a comment ends with its line or where the next begins: an open bracket is not looked for to the end of the file
  const words = text.toUpperCase().replace(/\([^()\r\n]*\)/g, ' ')
  const changes = /M0?6(?!\d)/.test(words)
  const turrets = /(?<![A-Z])T\d{4}(?!\d)/.test(words)
  if (changes) return 'mill'
  return turrets ? 'lathe' : null
}
