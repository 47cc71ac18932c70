/** Who works at a terminal, in which unit and theme: nothing lives only in the browser. */
export { putSession } from '@/db/session/write'
