/** What pages and routes need to know of the disk. */
export { storageFault } from '@/db/connection'
