import { resolve } from 'node:path'

/** Where everything that belongs to this tool room is kept. */
export const dataFolder = (): string => resolve(/*turbopackIgnore: true*/ process.env.BOULDER_DATA ?? './data')
