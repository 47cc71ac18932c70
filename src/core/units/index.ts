export * from './angle'
export * from './length'
export * from './limits'
export * from './result'
