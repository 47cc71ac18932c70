import { z } from 'zod'

/** A part of an address as text; one that is not encoded properly stays as it is. */
export function plainText(part: string): string {
  try {
    return decodeURIComponent(part)
  } catch {
    return part
  }
}

export const serialOf = (part: string): string => plainText(part).trim().toUpperCase().slice(0, 40)

const Days = z.coerce.number().int().min(1).max(3650).catch(90)
/** Over how many days a sheet looks back. */
export const daysAsked = ({ days }: Readonly<Record<string, unknown>>): number => Days.parse(days)
