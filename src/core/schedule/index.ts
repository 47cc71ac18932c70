export * from './tool'
export { scheduleIn } from './serve'
export { latenessBound } from './bound'
export * from './search'
