/** Least and greatest size, mm. */
export interface Limits {
  readonly min: number
  readonly max: number
}
