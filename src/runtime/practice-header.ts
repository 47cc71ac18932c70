/** Says that a request is meant for the practice room; only `proxy.ts` sets it. */
export const PRACTICE_HEADER = 'x-boulder-practice'
