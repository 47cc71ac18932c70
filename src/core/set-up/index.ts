export * from './fields'
export * from './read'
export * from './shape'
export * from './devices'
