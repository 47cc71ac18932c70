/** What speaks against a release, and what its big action is. Pure, so that a table can test it. */
export interface Against {
  readonly code: string
  readonly mark: string
  readonly text: string
  /** Whether a lead may allow it. */
  readonly leadMay: boolean
}

export interface Concession {
  readonly job: string | null
  readonly until: string | null
}

export interface ReleaseSeen {
  readonly against: readonly Against[]
  readonly postProblem: string | null
  readonly lead: boolean
}

const has = (against: readonly Against[], code: string) => against.some((r) => r.code === code)

/** Where it goes is asked first where that is not known. */
export const asksWhere = (against: readonly Against[]): boolean =>
  ['NO_MACHINE', 'NO_T', 'NO_REGISTER', 'NO_TIP', 'STATION_UNSAID'].some((code) => has(against, code))

/** Whether whoever works here may allow everything that speaks against it. */
export const mayAllow = ({ against, lead }: ReleaseSeen): boolean => lead && against.length > 0 && against.every((r) => r.leadMay)

/** Out of tolerance a tool is released as a concession only: for a job, or until a day. */
export const asksConcession = (seen: ReleaseSeen): boolean => mayAllow(seen) && has(seen.against, 'OFF')

/** A job, or a day: never both. */
export const concessionOf = (job: string, until: string): Concession => ({ job: job || null, until: job ? null : until || null })

export type ReleaseBig = { readonly type: 'scan' } | { readonly type: 'measure' }

export const releaseBig = (seen: ReleaseSeen): ReleaseBig =>
  seen.postProblem !== null || (seen.against.length > 0 && !mayAllow(seen)) ? { type: 'measure' } : { type: 'scan' }
