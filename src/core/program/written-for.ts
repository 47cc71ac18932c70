/**
 * Which kind of machine a program is written for, where its words leave no doubt. Common practice, no source: a mill
 * changes tools with M6; a lathe calls a tool and its offset in one T word of four digits.
 */
export function writtenFor(text: string): 'mill' | 'lathe' | null {
  const words = text.toUpperCase().replace(/\([^)]*\)/g, ' ')
  const changes = /M0?6(?!\d)/.test(words)
  const turrets = /(?<![A-Z])T\d{4}(?!\d)/.test(words)
  if (changes) return 'mill'
  return turrets ? 'lathe' : null
}
