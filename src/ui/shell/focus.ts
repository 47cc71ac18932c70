/** Which keys belong to what has the focus, and not to the page. */

/** Roles whose elements take Enter, Space or letters themselves. */
const CONTROLS = [
  'a[href]',
  'button',
  'summary',
  'input',
  'select',
  'textarea',
  'label',
  '[contenteditable=""]',
  '[contenteditable=true]',
  '[role=button]',
  '[role=checkbox]',
  '[role=radio]',
  '[role=switch]',
  '[role=tab]',
  '[role=option]',
  '[role=menuitem]',
  '[role=slider]',
  '[role=textbox]',
  '[role=dialog]',
  'dialog',
].join(',')

/** Whether an element, or what it is part of, uses keys itself: then no key of the page acts. */
export const ownsKeys = (target: EventTarget | null): boolean => target instanceof Element && target.closest(CONTROLS) !== null

const TEXT_TYPES = new Set(['text', 'search', 'number', 'tel', 'url', 'email', 'password', 'date', 'datetime-local', 'time'])

/** A field that keys are typed into. */
export const textField = (target: EventTarget | null): HTMLInputElement | HTMLTextAreaElement | null =>
  target instanceof HTMLTextAreaElement || (target instanceof HTMLInputElement && TEXT_TYPES.has(target.type)) ? target : null

/** An editor that keeps its own text. */
export const isEditor = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || target.closest('[contenteditable=true]') !== null)
