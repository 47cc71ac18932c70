/** What a year of machine stops costs: hours a shift × shifts × machines × rate × days (common practice; arithmetic). */
export interface Costs {
  readonly hoursAShift: number
  readonly shifts: number
  readonly machines: number
  /** Of a machine's hour, in the shop's own money. */
  readonly ratePerHour: number
  readonly daysAYear: number
}

/** An hour of a machine where nobody has said what theirs costs, in the shop’s own money (invented to begin with). */
export const RATE_PER_HOUR = 60

export const costAYear = ({ hoursAShift, shifts, machines, ratePerHour, daysAYear }: Costs): number =>
  hoursAShift * shifts * machines * ratePerHour * daysAYear

/** Hours of machine stop that are not needed where tools are set off the machine. */
export const hoursAvoided = (tools: number, minutesAtMachine: number, minutesOff: number): number =>
  (tools * Math.max(0, minutesAtMachine - minutesOff)) / 60

/** @returns years until it has paid for itself; null where it never does */
export const payBackYears = (price: number, savedAYear: number): number | null => (savedAYear > 0 ? price / savedAYear : null)
