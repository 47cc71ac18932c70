/** An expected failure is a value; the words for people are made from its code where it meets them. */
export type Result<T, E> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: E }

export const ok = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value })
export const fail = <E>(error: E): { readonly ok: false; readonly error: E } => ({ ok: false, error })

/** A code with nothing to say beside it. */
export type Bare = Readonly<Record<never, never>>
