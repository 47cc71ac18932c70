/** Whether a text has every word that was asked for, in any order; a part number may be given in part. */
export function hasWords(text: string, asked: string): boolean {
  const within = text.toLowerCase()
  return asked
    .toLowerCase()
    .split(/[\s,;]+/)
    .every((word) => within.includes(word))
}
