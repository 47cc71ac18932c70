/** What pages and routes need to know of the disk. */
export { storageFault, type StorageFault } from '@/db/connection'
