import { resolve } from 'node:path'

/** Where everything that belongs to this tool room is kept. */
export const dataFolder = (): string => resolve(process.env.BOULDER_DATA ?? './data')
