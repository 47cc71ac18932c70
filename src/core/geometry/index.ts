export * from './circle'
export * from './line'
export * from './point'
