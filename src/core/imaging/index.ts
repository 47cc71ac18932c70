export * from './edge'
export * from './frame'
export * from './light'
export * from './outline'
