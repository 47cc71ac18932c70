/** A part of an address as text; one that is not encoded properly stays as it is. */
export function plainText(part: string): string {
  try {
    return decodeURIComponent(part)
  } catch {
    return part
  }
}

export const serialOf = (part: string): string => plainText(part).trim().toUpperCase().slice(0, 40)
