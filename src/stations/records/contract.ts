/** What somebody has just done, as other terminals tell it. */
export interface News {
  readonly who: string
  readonly what: string
  readonly serial: string | null
  readonly t: number | null
  readonly machine: string | null
}
