export * from './fault'
export * from './rotation'
