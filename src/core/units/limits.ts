/** Least and greatest of a quantity; both belong to it. The unit is the field's that holds it. */
export interface Limits {
  readonly min: number
  readonly max: number
}
