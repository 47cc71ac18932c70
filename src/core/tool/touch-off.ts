/** How a value is found at the machine itself, while it stands. */
export const TOUCH_OFF_METHODS = ['by hand', 'probe', 'laser', 'indicator'] as const
export type TouchOffMethod = (typeof TOUCH_OFF_METHODS)[number]

/** What is found there: a mill's length or radius, a lathe's X. */
export const TOUCH_OFF_VALUES = ['length', 'radius', 'X zero'] as const
export type TouchOffValue = (typeof TOUCH_OFF_VALUES)[number]
